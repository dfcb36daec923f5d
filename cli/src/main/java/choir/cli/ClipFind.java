package choir.cli;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "find",
        description =
                "Where of the last days' footage it is worth looking: where motion began most often, went on longest,"
                        + " was strongest, or at an hour of the day.")
final class ClipFind extends Act {
    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(
            names = "--by",
            paramLabel = "WHAT",
            defaultValue = "starts",
            description = "starts, longest, level or hour; starts unless said otherwise")
    private String by = "starts";

    @Option(names = "--hour", paramLabel = "HOUR", description = "0 to 23 by the recorder's clock; chooses --by hour")
    private @Nullable Integer hour;

    @Option(names = "--days", paramLabel = "N", defaultValue = "3", description = "so many days back, 3 unless said")
    private int days;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        Map<String, String> query = new LinkedHashMap<>();
        query.put("camera", camera);
        query.put("by", hour == null ? by : "hour");
        query.put("days", Integer.toString(days));
        if (hour != null) {
            query.put("hour", hour.toString());
        }
        JsonNode found;
        try (var bar = new ProgressBar(errors(), "looking")) {
            bar.waiting();
            found = service.get("/api/v1/moments" + Client.query(query));
        }
        listing.print(
                out(),
                Listing.items(found),
                new Table("from", "until", "began", "moved (s)", "highest level (%)"),
                m -> new String[] {
                    listing.isTable() ? Times.of(Listing.text(m, "from")) : Listing.text(m, "from"),
                    listing.isTable() ? Times.of(Listing.text(m, "until")) : Listing.text(m, "until"),
                    Listing.number(m, "starts"),
                    m.path("movedSeconds").toString(),
                    m.hasNonNull("level") ? m.path("level").toString() : ""
                },
                "nothing moved of which there is footage");
        return Failure.DONE;
    }
}
