package choir.cli;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "A clip with its marks, and the level of motion on it as its policy sees it.")
final class ClipShow extends Act {
    private static final int USUAL_WIDTH = 100;
    private static final int BESIDE = 10;

    @Parameters(paramLabel = "ID")
    private long id;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var clip = service.get("/api/v1/clips/" + id);
        if (listing.isForPrograms(out(), clip, () -> Records.under(clip, List.of("id", "camera"), "marks"))) {
            return Failure.DONE;
        }
        var time = CameraTime.of(service, Listing.text(clip, "camera"));
        say(ClipText.line(clip, time));
        say(ClipText.kept(clip));
        drawn(service, clip, time);
        marks(this, clip.path("marks"), time);
        return Failure.DONE;
    }

    private void drawn(Client service, JsonNode clip, CameraTime time) {
        var levels = service.post("/api/v1/clips/" + id + "/levels", Map.of());
        var policy = levels.path("policy");
        double[] values = values(levels, policy);
        if (values.length == 0) {
            return;
        }
        int width = Math.max(20, Table.terminalWidth().orElse(USUAL_WIDTH) - BESIDE);
        say("");
        say("the level at sensitivity " + Listing.text(policy, "sensitivity")
                + ", as the policy asks; the threshold is the line");
        DrawnLevel.lines(values, policy.path("threshold").asDouble() / 100, width)
                .forEach(this::say);
        var from = Instant.parse(Listing.text(clip, "from"));
        double length = Instant.parse(Listing.text(clip, "until")).toEpochMilli() - from.toEpochMilli();
        char[] under = new char[Math.min(width, values.length)];
        Arrays.fill(under, ' ');
        for (var mark : clip.path("marks")) {
            int first = column(mark, "from", from, length, under.length);
            int last = column(mark, "until", from, length, under.length);
            for (int i = first; i <= last; i++) {
                under[i] = Listing.text(mark, "kind").equals("wanted") ? 'W' : 'u';
            }
        }
        say(DrawnLevel.marks(under));
        var until = time.time(Instant.parse(Listing.text(clip, "until")));
        say(time.time(from)
                + " ".repeat(Math.max(1, under.length - time.time(from).length() - until.length()))
                + until);
    }

    private static int column(JsonNode mark, String key, Instant from, double length, int columns) {
        double at = (Instant.parse(Listing.text(mark, key)).toEpochMilli() - from.toEpochMilli()) / length;
        return Math.clamp((int) (at * columns), 0, columns - 1);
    }

    private static double[] values(JsonNode levels, JsonNode setting) {
        if (!setting.hasNonNull("step")) {
            return levels.path("adapted")
                    .valueStream()
                    .mapToDouble(JsonNode::asDouble)
                    .toArray();
        }
        double watched = Math.max(1, levels.path("watched").asDouble());
        int row = levels.path("steps")
                .valueStream()
                .map(JsonNode::asInt)
                .toList()
                .indexOf(setting.path("step").asInt());
        return levels.path("counting")
                .path(Math.max(0, row))
                .valueStream()
                .mapToDouble(n -> n.asDouble() / watched)
                .toArray();
    }

    static void marks(Act act, JsonNode marks, CameraTime time) {
        if (marks.isEmpty()) {
            act.say("nothing is marked yet; mark what must trigger: choir clip mark ID wanted TIME --word WORD");
            return;
        }
        var table = new Table("mark", "kind", "from", "until", "word", "who");
        for (var mark : marks) {
            table.row(
                    Listing.number(mark, "id"),
                    Listing.text(mark, "kind"),
                    time.time(Instant.parse(Listing.text(mark, "from"))),
                    time.time(Instant.parse(Listing.text(mark, "until"))),
                    Listing.text(mark, "word"),
                    Listing.text(mark, "who"));
        }
        table.print(act.out(), Table.terminalWidth());
    }
}
