package choir.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "run",
        description = "Try a setting on clips; without one, what the policy asks and what the recorder holds.")
final class TrialRun extends Act {
    static final String BY_EVENTS =
            "where nothing is marked: on pieces of the last night and day, with what the recorders"
                    + " themselves saw as what is wanted";

    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "all clips that are kept of these cameras")
    private List<String> words = List.of();

    @Option(names = "--clip", paramLabel = "CLIP", description = "this clip; once for each")
    private List<Long> clips = List.of();

    @Option(names = "--sensitivity", paramLabel = "VALUE", description = "0 to 100, or auto")
    private @Nullable String sensitivity;

    @Option(names = "--threshold", paramLabel = "SHARE", description = "such as 0.6%%")
    private @Nullable String threshold;

    @Option(
            names = "--area",
            paramLabel = "AREA",
            description = "for this area alone, where a device's areas have values of their own")
    private @Nullable String area;

    @Option(
            names = "--pictures",
            paramLabel = "N",
            description = "look at so many pictures a second, 0.2 to 10, in the place of 2")
    private @Nullable String pictures;

    @Option(names = "--size", paramLabel = "SIZE", description = "look at pictures of 320x180, 480x270 or 640x360")
    private @Nullable String size;

    @Option(names = "--by-events", description = BY_EVENTS)
    private boolean byEvents;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        List<Map<String, Object>> settings = new ArrayList<>();
        Map<String, String> values = new HashMap<>();
        put(values, "sensitivity", sensitivity);
        put(values, "threshold", threshold);
        put(values, "area", area);
        put(values, "pictures", pictures);
        put(values, "size", size);
        if (!values.isEmpty()) {
            settings.add(setting("tried", values));
        }
        return tried(this, service, listing, Selections.joined(words, ""), clips, settings, byEvents);
    }

    private static void put(Map<String, String> values, String key, @Nullable String value) {
        if (value != null) {
            values.put(key, value);
        }
    }

    /** @param values as they were given, by their key; with an area they are of it alone */
    static Map<String, Object> setting(String name, Map<String, String> values) {
        var setting = Client.body();
        setting.put("name", name);
        var area = values.get("area");
        var own = Client.body();
        values.forEach((key, value) -> {
            switch (key) {
                case "area" -> own.put("name", value);
                case "pictures" -> setting.put(key, number(value));
                case "size" -> setting.put(key, value);
                default -> (area == null ? setting : own).put(key, value);
            }
        });
        if (area != null) {
            setting.put("areas", List.of(own));
        }
        return setting;
    }

    private static double number(String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new Failure(
                    Failure.WRONG_USAGE, "\"" + text + "\" are no pictures a second; expected a number such as 5");
        }
    }

    /** Wanted moments that the first setting misses are something found. */
    static int tried(
            Act act,
            Client service,
            Listing listing,
            String select,
            List<Long> clips,
            List<Map<String, Object>> settings,
            boolean byEvents) {
        var body = Client.body();
        body.put("byEvents", byEvents);
        body.put("select", select);
        body.put("clips", clips);
        if (!settings.isEmpty()) {
            body.put("settings", settings);
        }
        JsonNode view;
        try (var bar = new ProgressBar(act.errors(), "trying")) {
            bar.waiting();
            view = service.post("/api/v1/trials", body);
        }
        var all = Listing.items(view.path("clips"));
        if (listing.isTable() || listing.isJson()) {
            if (listing.isJson()) {
                act.say(view.toPrettyString());
            } else {
                var table = TrialText.table();
                all.forEach(c -> c.path("reports").forEach(r -> TrialText.row(table, c, r)));
                table.print(act.out(), Table.terminalWidth());
                all.forEach(c -> TrialText.notes(act, c));
                view.path("untried").forEach(u -> act.say("not tried: " + u.asString("")));
            }
        } else {
            csv(act, listing, all);
        }
        return view.path("missed").asInt() > 0 ? Failure.FOUND : Failure.DONE;
    }

    private static void csv(Act act, Listing listing, List<JsonNode> clips) {
        record Row(JsonNode clip, JsonNode report) {}
        var rows = clips.stream()
                .flatMap(c -> c.path("reports").valueStream().map(r -> new Row(c, r)))
                .toList();
        var table = new Table(
                "clip",
                "camera",
                "name",
                "sensitivity",
                "threshold",
                "picturesPerSecond",
                "size",
                "wanted",
                "missed",
                "falseStarts",
                "falseStartsAnHour",
                "recordedSeconds",
                "watchedSeconds",
                "margin");
        for (var row : rows) {
            var r = row.report();
            table.row(
                    Listing.number(row.clip(), "clip"),
                    Listing.text(row.clip(), "camera"),
                    Listing.text(r.path("setting"), "name"),
                    Listing.text(r.path("setting"), "sensitivity"),
                    r.path("setting").path("threshold").toString(),
                    r.path("setting").path("picturesPerSecond").toString(),
                    Listing.text(r.path("setting"), "size"),
                    Integer.toString(r.path("wanted").size()),
                    Integer.toString(r.path("missed").asInt()),
                    Integer.toString(r.path("falseStarts").asInt()),
                    number(r, "falseStartsAnHour"),
                    number(r, "recordedSeconds"),
                    number(r, "watchedSeconds"),
                    number(r, "margin"));
        }
        listing.print(act.out(), List.of(), table, n -> new String[0], "");
    }

    private static String number(JsonNode report, String key) {
        return report.hasNonNull(key) ? report.path(key).toString() : "";
    }
}
