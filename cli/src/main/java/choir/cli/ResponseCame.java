package choir.cli;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "came", description = "Say whether what was tried came.")
final class ResponseCame extends Act {
    @Parameters(paramLabel = "TRY", description = "the number that choir response try told")
    private long id;

    @Option(names = "--no", description = "it did not")
    private boolean no;

    @Option(names = "--note", paramLabel = "TEXT", description = "such as: after two minutes, without a still")
    private @Nullable String note;

    @Override
    int run(Client service) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("came", !no);
        if (note != null) {
            body.put("note", note);
        }
        var tried = service.write("PUT", "/api/v1/response-trials/" + id, body, Optional.empty());
        say(Listing.text(tried, "camera") + " " + Listing.text(tried, "setting") + ": "
                + ResponseList.outcome(tried.path("last")));
        return Failure.DONE;
    }
}
