package choir.server.plan;

import choir.fleet.Selection;
import choir.refusal.Refusal;
import choir.server.web.MailAddress;
import choir.server.web.Problem;
import java.util.Optional;

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

    /** Asks what was recorded, and compares it. */
    record Activity(String select) implements PlanTask {
        public Activity {
            Selection.parse(select);
        }

        @Override
        public String word() {
            return "activity";
        }
    }

    /** @param days so many full days before the one on which it is made */
    record Report(String select, int days, Optional<String> mail) implements PlanTask {
        private static final int MOST_DAYS = 731;

        public Report {
            Selection.parse(select);
            if (days < 1 || days > MOST_DAYS) {
                throw new Refusal("a report is about 1 to " + MOST_DAYS + " days, not " + days);
            }
            mail = mail.map(MailAddress::require);
        }

        @Override
        public String word() {
            return "report";
        }
    }

    /** Of everything; there is nothing to select. */
    record Backup() implements PlanTask {
        @Override
        public String select() {
            return "";
        }

        @Override
        public String word() {
            return "backup";
        }
    }

    /** Of everything; there is nothing to select. */
    record Export() implements PlanTask {
        @Override
        public String select() {
            return "";
        }

        @Override
        public String word() {
            return "export";
        }
    }

    static PlanTask of(String kind, String select, int days, Optional<String> mail) {
        return switch (kind) {
            case "audit" -> new Audit(select);
            case "activity" -> new Activity(select);
            case "report" -> new Report(select, days, mail);
            case "backup" -> new Backup();
            case "export" -> new Export();
            default ->
                throw new Problem(
                        Problem.Kind.INVALID,
                        "expected the plan audit, report, activity, backup or export, not \"" + kind + "\"");
        };
    }
}
