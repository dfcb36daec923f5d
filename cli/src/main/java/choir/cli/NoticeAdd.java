package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "add",
        description = "Tell somebody of new findings, rollouts that were not done, and plans that did not run.")
final class NoticeAdd extends Act {
    @Parameters(index = "0", paramLabel = "WAY", description = "mail, or webhook for signed CloudEvents by HTTP")
    private String way = "";

    @Parameters(index = "1", paramLabel = "TO", description = "a mail address, or an https address")
    private String target = "";

    @Option(
            names = "--severity",
            defaultValue = "medium",
            paramLabel = "WORD",
            description = "at least low, medium or high")
    private String severity = "medium";

    @Option(
            names = "--quiet",
            paramLabel = "FROM-TO",
            description = "hours in which nothing goes out, such as 22:00-06:00; it waits for their end")
    private @Nullable String quiet;

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("way", way);
        body.put("target", target);
        body.put("severity", severity);
        if (quiet != null) {
            var times = quiet.split("-", 2);
            if (times.length < 2) {
                throw new Failure(
                        Failure.WRONG_USAGE, "\"" + quiet + "\" are no hours; expected a form like 22:00-06:00");
            }
            body.put("quietFrom", times[0].strip());
            body.put("quietTo", times[1].strip());
        }
        var added = service.post("/api/v1/notices", body);
        say("notice " + Listing.number(added, "id") + "; try it with: choir notice test "
                + Listing.number(added, "id"));
        if (added.has("secret")) {
            say("its events are signed with this secret, which is not shown again: " + Listing.text(added, "secret"));
        }
        return Failure.DONE;
    }
}
