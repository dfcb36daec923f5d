package choir.cli;

import java.time.LocalDate;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "calendar",
        description = "How much was recorded on each day, by what, and where something is missing.",
        footer = "Asks no recorder; what is not known yet is asked for by: choir activity read")
final class ActivityCalendar extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Mixin
    private Days days = new Days();

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var cameras = service.all(days.with(Client.select("/api/v1/activity/calendar", Selections.joined(words, ""))));
        if (listing.isTable()) {
            table(cameras);
        } else if (listing.isJson()) {
            listing.print(out(), cameras, new Table("camera"), c -> new String[] {""}, "");
        } else {
            csv(cameras);
        }
        return Failure.DONE;
    }

    private void table(List<JsonNode> cameras) {
        if (cameras.isEmpty()) {
            say("no camera is selected");
            return;
        }
        var all = cameras.stream()
                .flatMap(c -> c.path("days").values().stream())
                .map(d -> LocalDate.parse(Listing.text(d, "date")))
                .sorted()
                .toList();
        if (all.isEmpty()) {
            say("nothing is known of these days; ask the recorders by: choir activity read");
            return;
        }
        var first = all.getFirst();
        int count = (int) (all.getLast().toEpochDay() - first.toEpochDay()) + 1;
        var table = new Table(
                "camera", "label", first + " to " + all.getLast(), "recorded a day", "events a day", "missing");
        for (var camera : cameras) {
            var heights = new StringBuilder(" ".repeat(count));
            var letters = new StringBuilder(" ".repeat(count));
            long known = 0;
            long recorded = 0;
            long moved = 0;
            long events = 0;
            long missing = 0;
            for (var day : camera.path("days")) {
                int place = (int) (LocalDate.parse(Listing.text(day, "date")).toEpochDay() - first.toEpochDay());
                heights.setCharAt(place, DrawnDays.height(day));
                letters.setCharAt(place, DrawnDays.main(day));
                known += day.path("known").asLong();
                recorded += day.path("recorded").asLong();
                moved += day.path("motionKnown").asLong();
                events += day.path("events").asLong();
                missing += day.path("missing").asLong();
            }
            table.row(
                    Listing.text(camera, "camera"),
                    Listing.text(camera, "label"),
                    heights + "\n" + letters,
                    known == 0 ? "not known" : DrawnDays.length(recorded * 86_400 / known),
                    moved == 0 ? "not known" : Long.toString(Math.round(events * 86_400.0 / moved)),
                    missing == 0 ? "" : DrawnDays.length(missing));
        }
        table.print(out(), Table.terminalWidth());
        say(DrawnDays.KEY);
    }

    private void csv(List<JsonNode> cameras) {
        var table = new Table(
                "camera",
                "label",
                "date",
                "length",
                "known",
                "recorded",
                "continuous",
                "motion",
                "alarm",
                "analytics",
                "motionAndAlarm",
                "unexplained",
                "motionKnown",
                "moved",
                "events",
                "missing");
        for (var camera : cameras) {
            for (var day : camera.path("days")) {
                var by = day.path("by");
                table.row(
                        Listing.text(camera, "camera"),
                        Listing.text(camera, "label"),
                        Listing.text(day, "date"),
                        Listing.number(day, "length"),
                        Listing.number(day, "known"),
                        Listing.number(day, "recorded"),
                        Listing.number(by, "continuous"),
                        Listing.number(by, "motion"),
                        Listing.number(by, "alarm"),
                        Listing.number(by, "analytics"),
                        Listing.number(by, "motionAndAlarm"),
                        Listing.number(by, "unexplained"),
                        Listing.number(day, "motionKnown"),
                        Listing.number(day, "moved"),
                        Listing.number(day, "events"),
                        day.hasNonNull("missing") ? Listing.number(day, "missing") : "");
            }
        }
        table.csv(out());
    }
}
