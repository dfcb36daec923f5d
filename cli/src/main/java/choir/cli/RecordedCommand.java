package choir.cli;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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

    @Option(names = "--all", description = "every day, and not the worst of each camera alone")
    private boolean all;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var cameras = service.all(days.with(Client.select("/api/v1/recorded", Selections.joined(words, ""))));
        var missing =
                cameras.stream().filter(c -> c.path("seconds").asLong() > 0).toList();
        if (listing.isJson()) {
            listing.print(out(), cameras, new Table("camera"), c -> new String[] {""}, "");
        } else if (listing.isTable()) {
            table(missing);
        } else {
            csv(missing);
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

    private void csv(List<JsonNode> missing) {
        var table = new Table("camera", "label", "from", "until", "seconds", "demanded", "cause");
        for (var camera : missing) {
            for (var gap : camera.path("gaps")) {
                table.row(
                        Listing.text(camera, "camera"),
                        Listing.text(camera, "label"),
                        Listing.text(gap, "from"),
                        Listing.text(gap, "until"),
                        Listing.number(gap, "seconds"),
                        Listing.text(gap, "demanded"),
                        Listing.text(gap, "cause"));
            }
        }
        table.csv(out());
    }

    /** Stretches of one day with one cause, as one. */
    private record Fold(LocalDate day, String demanded, String words, List<JsonNode> gaps) {
        long seconds() {
            return gaps.stream().mapToLong(g -> g.path("seconds").asLong()).sum();
        }

        String span(ZoneId zone) {
            return time("from", zone, Comparator.naturalOrder()) + " to "
                    + time("until", zone, Comparator.reverseOrder());
        }

        private String time(String key, ZoneId zone, Comparator<Instant> order) {
            return gaps.stream()
                    .map(g -> Instant.parse(Listing.text(g, key)))
                    .min(order)
                    .map(i -> TIME.format(i.atZone(zone)))
                    .orElse("");
        }
    }

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    private static List<Fold> folded(JsonNode camera, ZoneId zone) {
        Map<List<Object>, Fold> folds = new LinkedHashMap<>();
        for (var gap : camera.path("gaps")) {
            var day = Instant.parse(Listing.text(gap, "from")).atZone(zone).toLocalDate();
            var demanded = Listing.text(gap, "demanded");
            var words = Listing.text(gap, "words");
            folds.computeIfAbsent(List.of(day, demanded, words), k -> new Fold(day, demanded, words, new ArrayList<>()))
                    .gaps()
                    .add(gap);
        }
        return folds.values().stream()
                .sorted(Comparator.comparingLong(Fold::seconds).reversed())
                .toList();
    }

    private void table(List<JsonNode> missing) {
        var table = new Table("camera", "label", "day", "between", "missing", "asked for", "why");
        for (var camera : missing) {
            var zone = CameraTime.zone(Listing.text(camera, "zone"));
            var folds = folded(camera, zone);
            boolean cut = !all && folds.size() > FEW;
            for (var fold : cut ? folds.subList(0, FEW) : folds) {
                table.row(
                        Listing.text(camera, "camera"),
                        Listing.text(camera, "label"),
                        DAY.format(fold.day()),
                        fold.span(zone),
                        DrawnDays.length(fold.seconds())
                                + (fold.gaps().size() > 1 ? " in " + fold.gaps().size() + " pieces" : ""),
                        fold.demanded(),
                        fold.words());
            }
            if (cut) {
                var rest = folds.subList(FEW, folds.size());
                table.row(
                        "",
                        "",
                        "and " + rest.size() + " more",
                        "",
                        DrawnDays.length(rest.stream().mapToLong(Fold::seconds).sum()),
                        "",
                        "");
            }
        }
        if (!table.isEmpty()) {
            table.print(out(), Table.terminalWidth());
        }
    }
}
