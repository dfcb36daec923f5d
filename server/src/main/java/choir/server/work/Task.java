package choir.server.work;

import choir.refusal.Refusal;
import choir.rollout.Hours;
import choir.rollout.Waves;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** What long work is to do. */
public sealed interface Task {
    enum Kind {
        READING,
        AUDIT,
        ROLLOUT,
        REPORT,
        PASSWORDS,
        ACTIVITY,
        BACKUP,
        EXPORT
    }

    Kind kind();

    /** Which cameras were meant; empty for all. */
    String selection();

    /** @param recorders by name */
    record Reading(List<String> recorders) implements Task {
        public Reading {
            recorders = List.copyOf(recorders);
        }

        @Override
        public Kind kind() {
            return Kind.READING;
        }

        @Override
        public String selection() {
            return "";
        }
    }

    record Audit(String selection) implements Task {
        @Override
        public Kind kind() {
            return Kind.AUDIT;
        }
    }

    /**
     * A report that is written to the data folder.
     *
     * @param last included
     * @param mail to whom it goes as well
     */
    record Report(String selection, LocalDate first, LocalDate last, Optional<String> mail) implements Task {
        @Override
        public Kind kind() {
            return Kind.REPORT;
        }
    }

    /** New passwords at recorders; the passwords themselves stand with the recorders, encrypted. */
    record Passwords(String selection, Waves waves) implements Task {
        @Override
        public Kind kind() {
            return Kind.PASSWORDS;
        }
    }

    /** What recorders recorded and saw moving, of the days that are not known yet. */
    record Activity(String selection) implements Task {
        @Override
        public Kind kind() {
            return Kind.ACTIVITY;
        }
    }

    /** A copy of everything that is stored. */
    record Backup() implements Task {
        @Override
        public Kind kind() {
            return Kind.BACKUP;
        }

        @Override
        public String selection() {
            return "";
        }
    }

    /** Tables of what is known, for other programs. */
    record Export() implements Task {
        @Override
        public Kind kind() {
            return Kind.EXPORT;
        }

        @Override
        public String selection() {
            return "";
        }
    }

    /** It was stored in a form that is not understood, so it can be listed and not be run. */
    record NotUnderstood(Kind kind, String why) implements Task {
        @Override
        public String selection() {
            return "";
        }
    }

    /**
     * @param patience how long after its start, or after their hours began, recorders that are away are tried again
     * @param hours in which recorders may be written, in the zone of each; empty for always
     * @param undo puts back what was there before, whatever the policy says
     */
    record Rollout(String selection, Waves waves, Duration patience, Optional<Hours> hours, boolean undo)
            implements Task {
        public static final Duration USUAL_PATIENCE = Duration.ofMinutes(10);
        private static final Duration LONGEST_PATIENCE = Duration.ofDays(14);

        public Rollout {
            if (patience.isNegative() || patience.compareTo(LONGEST_PATIENCE) > 0) {
                throw new Refusal("recorders that are away are tried for 0 seconds to 14 days");
            }
        }

        @Override
        public Kind kind() {
            return Kind.ROLLOUT;
        }
    }
}
