package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "recorded",
        description = "What had to be recorded, by the policy that was in force then, and was not.",
        footer = "Exits with 3 when something is missing. Asks no recorder; see: choir activity read")
final class RecordedCommand extends Act {
    private static final int FEW = 3;

    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Mixin
    private Days days = new Days();

    @Option(names = "--all", description = "every stretch, and not the longest of each camera alone")
    private boolean all;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var cameras = service.all(days.with(Client.select("/api/v1/recorded", Selections.joined(words, ""))));
        var missing =
                cameras.stream().filter(c -> c.path("seconds").asLong() > 0).toList();
        if (listing.isJson()) {
            listing.print(out(), cameras, new Table("camera"), c -> new String[] {""}, "");
        } else {
            table(missing);
        }
        long notCompared =
                cameras.stream().filter(c -> c.path("compared").asInt() == 0).count();
        if (listing.isTable()) {
            if (missing.isEmpty() && notCompared < cameras.size()) {
                say("nothing is missing");
            }
            if (notCompared > 0) {
                say(notCompared + (notCompared == 1 ? " camera is" : " cameras are")
                        + " not known; ask the recorders by: choir activity read");
            }
        }
        return missing.isEmpty() ? Failure.DONE : Failure.FOUND;
    }

    private void table(List<JsonNode> missing) {
        var table = listing.isTable()
                ? new Table("camera", "label", "from", "until", "for", "asked for", "why")
                : new Table("camera", "label", "from", "until", "seconds", "demanded", "cause");
        for (var camera : missing) {
            var gaps = Listing.items(camera.path("gaps"));
            boolean folded = listing.isTable() && !all && gaps.size() > FEW;
            for (var gap : folded ? gaps.subList(0, FEW) : gaps) {
                row(table, camera, gap);
            }
            if (folded) {
                long rest = camera.path("seconds").asLong()
                        - gaps.subList(0, FEW).stream()
                                .mapToLong(g -> g.path("seconds").asLong())
                                .sum();
                table.row("", "", "and " + (gaps.size() - FEW) + " more", "", DrawnDays.length(rest), "", "");
            }
        }
        if (!listing.isTable()) {
            table.csv(out());
        } else if (!table.isEmpty()) {
            table.print(out(), Table.terminalWidth());
        }
    }

    private void row(Table table, JsonNode camera, JsonNode gap) {
        var name = Listing.text(camera, "camera");
        var label = Listing.text(camera, "label");
        if (listing.isTable()) {
            var zone = CameraTime.zone(Listing.text(camera, "zone"));
            table.row(
                    name,
                    label,
                    ActivityTimeline.when(gap, "from", zone),
                    ActivityTimeline.when(gap, "until", zone),
                    DrawnDays.length(gap.path("seconds").asLong()),
                    Listing.text(gap, "demanded"),
                    Listing.text(gap, "words"));
        } else {
            table.row(
                    name,
                    label,
                    Listing.text(gap, "from"),
                    Listing.text(gap, "until"),
                    Listing.number(gap, "seconds"),
                    Listing.text(gap, "demanded"),
                    Listing.text(gap, "cause"));
        }
    }
}
