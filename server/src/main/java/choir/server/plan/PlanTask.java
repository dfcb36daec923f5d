package choir.server.plan;

import choir.fleet.Selection;
import choir.server.web.Problem;

/** What a plan does when its time comes. */
sealed interface PlanTask {
    String select();

    String word();

    record Audit(String select) implements PlanTask {
        public Audit {
            Selection.parse(select);
        }

        @Override
        public String word() {
            return "audit";
        }
    }

    static PlanTask of(String kind, String select) {
        return switch (kind) {
            case "audit" -> new Audit(select);
            default -> throw new Problem(Problem.Kind.INVALID, "expected the plan audit, not \"" + kind + "\"");
        };
    }
}
