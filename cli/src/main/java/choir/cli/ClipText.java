package choir.cli;

import java.time.Duration;
import java.time.Instant;
import tools.jackson.databind.JsonNode;

/** A clip in a line. */
final class ClipText {
    private ClipText() {}

    static String line(JsonNode clip, CameraTime time) {
        var from = Instant.parse(Listing.text(clip, "from"));
        var until = Instant.parse(Listing.text(clip, "until"));
        return "clip " + Listing.number(clip, "id") + "  " + Listing.text(clip, "camera") + "  "
                + Listing.text(clip, "label") + "  " + time.dayAndTime(from) + " to " + time.time(until) + " ("
                + Duration.between(from, until).toSeconds() + " s)";
    }

    static String kept(JsonNode clip) {
        return clip.hasNonNull("because")
                ? "kept because " + Listing.text(clip, "because") + ", until " + Times.of(Listing.text(clip, "goneAt"))
                : "only looked at; it goes at " + Times.of(Listing.text(clip, "goneAt"))
                        + " unless it is kept: choir clip keep " + Listing.number(clip, "id") + " --because REASON";
    }
}
