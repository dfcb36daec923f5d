package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "try",
        description = "Have a recorder do what it does when something moves; say afterwards whether it came.",
        footer = "Where a recorder has no test, walk before the camera and say so by --by-hand.")
final class ResponseTry extends Act {
    @Parameters(index = "0", paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Parameters(index = "1", paramLabel = "KEY", description = "such as response.mail")
    private String setting = "";

    @Option(names = "--by-hand", description = "somebody made something move")
    private boolean byHand;

    @Override
    int run(Client service) {
        var tried = service.post(
                "/api/v1/response-trials",
                Map.of("camera", camera, "setting", setting, "by", byHand ? "hand" : "recorder"));
        var last = tried.path("last");
        var said = Listing.text(last, "said");
        say(Listing.text(tried, "camera") + " " + Listing.text(tried, "title") + " " + Listing.text(tried, "held")
                + (byHand ? ", by hand" : said.isEmpty() ? ", taken by the recorder" : ": " + said));
        if (last.hasNonNull("came")) {
            return Failure.FAILED;
        }
        say("did it come? choir response came " + Listing.number(last, "id") + ", or the same with --no");
        return Failure.DONE;
    }
}
