package choir.server.audit;

import choir.drift.Matter;
import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.Optional;

/** What a person decides about a finding; giving it out again is a rollout of its own. */
sealed interface Decision {
    int LONGEST_NOTE = 500;

    /** One word for its kind. */
    String word();

    String because();

    default Optional<LocalDate> until() {
        return Optional.empty();
    }

    default Optional<String> assignee() {
        return Optional.empty();
    }

    /** The act that the finding's matter has to allow; empty when it can be decided about anything. */
    Optional<Matter.Act> act();

    /** What the recorder holds becomes the camera's own policy until then. */
    record Adopt(String because, LocalDate last) implements Decision {
        public Adopt {
            reason(because, "adopt what a recorder holds");
        }

        @Override
        public String word() {
            return "adopted";
        }

        @Override
        public Optional<LocalDate> until() {
            return Optional.of(last);
        }

        @Override
        public Optional<Matter.Act> act() {
            return Optional.of(Matter.Act.ADOPT);
        }
    }

    /** It stays as it is until then, as long as neither what is asked nor what is held moves. */
    record Accept(String because, LocalDate last) implements Decision {
        public Accept {
            reason(because, "accept a finding");
        }

        @Override
        public String word() {
            return "accepted";
        }

        @Override
        public Optional<LocalDate> until() {
            return Optional.of(last);
        }

        @Override
        public Optional<Matter.Act> act() {
            return Optional.of(Matter.Act.ACCEPT);
        }
    }

    /** @param assignee empty for nobody any more */
    record Assign(Optional<String> assignee, String because) implements Decision {
        public Assign {
            length(because);
        }

        @Override
        public String word() {
            return "assigned";
        }

        @Override
        public Optional<Matter.Act> act() {
            return Optional.empty();
        }
    }

    private static void reason(String because, String what) {
        if (because.isBlank()) {
            throw new Refusal("a reason is needed to " + what);
        }
        length(because);
    }

    private static void length(String because) {
        if (because.length() > LONGEST_NOTE) {
            throw new Refusal("a reason or note has at most " + LONGEST_NOTE + " characters");
        }
    }
}
