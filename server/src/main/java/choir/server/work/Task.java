package choir.server.work;

import choir.rollout.Waves;
import java.util.List;

/** What long work is to do. */
public sealed interface Task {
    enum Kind {
        READING,
        AUDIT,
        ROLLOUT
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

    /** It was stored in a form that is not understood, so it can be listed and not be run. */
    record NotUnderstood(Kind kind, String why) implements Task {
        @Override
        public String selection() {
            return "";
        }
    }

    /** @param undo puts back what was there before, whatever the policy says */
    record Rollout(String selection, Waves waves, boolean undo) implements Task {
        @Override
        public Kind kind() {
            return Kind.ROLLOUT;
        }
    }
}
