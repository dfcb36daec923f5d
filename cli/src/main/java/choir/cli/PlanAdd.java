package choir.cli;

import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "add",
        description = "Audit a selection at set times, make a report of it, ask what was recorded, make backups, or"
                + " put tables out for other programs.")
final class PlanAdd extends Act {
    @Parameters(
            index = "0",
            paramLabel = "CRON",
            description = "minute, hour, day of month, month, day of week, such as \"20 2 * * *\" for 02:20 each night")
    private String cron = "";

    @Parameters(index = "1..*", paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Option(names = "--report", description = "a report as PDF, kept by the service, instead of an audit")
    private boolean report;

    @Option(names = "--activity", description = "asks what was recorded, and compares it with the policy, instead")
    private boolean activity;

    @Option(names = "--backup", description = "copies everything that is stored, instead; for administrators")
    private boolean backup;

    @Option(
            names = "--export",
            description = "tables for other programs, put into the service's folder, instead; for administrators")
    private boolean export;

    @Option(
            names = "--days",
            defaultValue = "30",
            paramLabel = "COUNT",
            description = "so many full days before the report is made")
    private int days = 30;

    @Option(names = "--mail", paramLabel = "ADDRESS", description = "to whom the report goes as well")
    private @Nullable String mail;

    @Override
    int run(Client service) {
        if (mail != null && !report) {
            throw new Failure(
                    Failure.WRONG_USAGE, "--mail is for reports; who hears of audits is said by: choir notice add");
        }
        if (Stream.of(activity, report, backup, export).filter(said -> said).count() > 1) {
            throw new Failure(
                    Failure.WRONG_USAGE, "a plan is for one thing: say --report, --activity, --backup or --export");
        }
        if ((backup || export) && !words.isEmpty()) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    (backup ? "a backup is" : "an export is") + " of everything, so there is nothing to select");
        }
        var body = Client.body();
        body.put("kind", kind());
        body.put("cron", cron);
        body.put("select", Selections.joined(words, ""));
        if (report) {
            body.put("days", days);
        }
        if (mail != null) {
            body.put("mail", mail);
        }
        var plan = service.post("/api/v1/plans", body);
        say("plan " + Listing.number(plan, "id") + ": " + Listing.text(plan, "words") + " ("
                + Listing.text(plan, "zone") + "), next " + PlanList.next(plan));
        return Failure.DONE;
    }

    private String kind() {
        return backup ? "backup" : export ? "export" : report ? "report" : activity ? "activity" : "audit";
    }
}
