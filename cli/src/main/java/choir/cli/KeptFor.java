package choir.cli;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Why footage is kept, and for how long. */
final class KeptFor {
    @Option(
            names = "--because",
            paramLabel = "REASON",
            description = "keep it, for this reason; what nobody keeps goes after an hour")
    private @Nullable String because;

    @Option(
            names = "--days",
            paramLabel = "DAYS",
            defaultValue = "90",
            description = "then it goes by itself; 90 if not said")
    private long days = 90;

    /** The clip as it is then. */
    JsonNode keep(Client service, JsonNode clip) {
        return because == null
                ? clip
                : service.post(
                        "/api/v1/clips/" + Listing.number(clip, "id") + "/keep",
                        Map.of("because", because, "days", days));
    }

    boolean isKept() {
        return because != null;
    }
}
