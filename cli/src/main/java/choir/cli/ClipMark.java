package choir.cli;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "mark", description = "Mark a moment or a span of a clip: wanted must trigger, unwanted must not.")
final class ClipMark extends Act {
    enum Kind {
        wanted,
        unwanted
    }

    @Parameters(index = "0", paramLabel = "ID")
    private long id;

    @Parameters(index = "1", paramLabel = "KIND", description = "wanted or unwanted")
    private Kind kind = Kind.wanted;

    @Parameters(
            index = "2",
            paramLabel = "FROM",
            description = "by the recorder's wall clock, such as 14:02:10; or with date and zone")
    private String from = "";

    @Parameters(index = "3", arity = "0..1", paramLabel = "UNTIL", description = "likewise; a moment if not said")
    private @Nullable String until;

    @Option(
            names = "--word",
            paramLabel = "WORD",
            defaultValue = "",
            description = "what is seen, such as \"walker at 70 m\"")
    private String word = "";

    @Override
    int run(Client service) {
        var clip = service.get("/api/v1/clips/" + id);
        var time = CameraTime.of(service, Listing.text(clip, "camera"));
        var day = time.day(Instant.parse(Listing.text(clip, "from")));
        var body = Client.body();
        body.put("kind", kind.name());
        body.put("from", time.parse(from, day).toString());
        if (until != null) {
            body.put("until", time.parse(until, day).toString());
        }
        body.put("word", word);
        ClipShow.marks(this, service.post("/api/v1/clips/" + id + "/marks", body), time);
        return Failure.DONE;
    }
}
