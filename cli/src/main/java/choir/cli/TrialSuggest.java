package choir.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
        name = "suggest",
        description =
                "The best setting that a camera can hold, and the area that would help, from its marked clips; for"
                        + " several cameras the one setting that serves the most of them, and who needs their own.")
final class TrialSuggest extends Act {
    @Parameters(
            paramLabel = "SELECTION",
            arity = "1..*",
            description = "a camera such as haldr-1/07, or several such as group:terminals/haldr")
    private List<String> words = List.of();

    @Option(names = "--clip", paramLabel = "CLIP", description = "by this clip alone; once for each")
    private List<Long> clips = List.of();

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var select = Selections.joined(words, "");
        if (!select.matches("(camera:)?[^\\s:,/]+/[^\\s:,/]+")) {
            return several(service, select);
        }
        var camera = select.replaceFirst("^camera:", "");
        JsonNode view;
        try (var bar = new ProgressBar(errors(), "trying all settings")) {
            bar.waiting();
            view = service.post("/api/v1/suggestions", Map.of("camera", camera, "clips", clips));
        }
        var whole = view;
        if (!listing.isForPrograms(out(), whole, () -> reports(whole))) {
            shown(camera, whole);
        }
        var now = view.path("now");
        return now.path("missed").asInt() > 0 ? Failure.FOUND : Failure.DONE;
    }

    /** What the settings as they are come to, the best ones, and those with an area left out. */
    private static List<JsonNode> reports(JsonNode view) {
        List<JsonNode> rows = new ArrayList<>();
        for (var kind : List.of("now", "best", "with-area")) {
            var report = kind.equals("with-area") ? view.path("area").path("report") : view.path(kind);
            if (report instanceof ObjectNode object) {
                ObjectNode row = Client.JSON.createObjectNode().put("kind", kind);
                rows.add(row.setAll(object));
            }
        }
        return rows;
    }

    private void shown(String camera, JsonNode view) {
        say(Listing.text(view, "said"));
        if (!view.path("best").isObject()) {
            return;
        }
        var table = TrialText.table();
        for (var report :
                List.of(view.path("now"), view.path("best"), view.path("area").path("report"))) {
            if (report.isObject()) {
                TrialText.row(
                        table,
                        Client.JSON
                                .createObjectNode()
                                .put("camera", camera)
                                .put("clip", view.path("clips").path(0).asLong()),
                        report);
            }
        }
        table.print(out(), Table.terminalWidth());
        var area = view.path("area");
        if (area.isObject()) {
            say("");
            say("the area to leave out (#):");
            area.path("ignore").forEach(row -> say("  " + row.asString("")));
        }
        var taken = area.isObject() ? area.path("report") : view.path("best");
        var setting = taken.path("setting");
        say("");
        var because = " --because \"tried on clip " + view.path("clips").path(0).asLong() + "\"";
        if (setting.path("areas").isEmpty()) {
            say("to have it: choir set camera:" + camera + " motion.sensitivity=" + Listing.text(setting, "sensitivity")
                    + " motion.threshold=" + setting.path("threshold").asDouble() + "%" + because);
        } else {
            say("to have it, each area says its own; in a policy file:");
            say("  camera: " + camera);
            say("  set:");
            say("    motion.areas:");
            setting.path("areas").forEach(a -> {
                say("      - area: " + Listing.text(a, "name"));
                say("        sensitivity: " + Listing.text(a, "sensitivity"));
                say("        threshold: " + a.path("threshold").asDouble() + "%");
            });
        }
    }

    private int several(Client service, String select) {
        if (!clips.isEmpty()) {
            throw new Failure(Failure.WRONG_USAGE, "--clip is for one camera; name it, such as haldr-1/07");
        }
        JsonNode view;
        try (var bar = new ProgressBar(errors(), "trying all settings")) {
            bar.waiting();
            view = service.post("/api/v1/group-suggestions", Map.of("select", select));
        }
        var whole = view;
        if (listing.isForPrograms(out(), whole, () -> Records.kinds(whole, "served", "own"))) {
            return view.path("own").isEmpty() ? Failure.DONE : Failure.FOUND;
        }
        say(Listing.text(view, "said"));
        var table =
                new Table("camera", "label", "setting", "missed", "false starts", "its own", "missed", "false starts");
        for (var side : List.of("served", "own")) {
            for (var m : view.path(side)) {
                table.row(
                        Listing.text(m, "camera"),
                        Listing.text(m, "label"),
                        side.equals("served") ? "the common one" : "its own",
                        m.path("missed").toString(),
                        m.path("falseStarts").toString(),
                        Listing.text(m.path("own"), "sensitivity") + ", "
                                + Shares.percent(m.path("own").path("threshold").asDouble()),
                        m.path("ownMissed").toString(),
                        m.path("ownFalseStarts").toString());
            }
        }
        if (!view.path("served").isEmpty() || !view.path("own").isEmpty()) {
            table.print(out(), Table.terminalWidth());
        }
        view.path("left").forEach(l -> say("not looked at: " + l.asString("")));
        return view.path("own").isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
