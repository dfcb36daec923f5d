package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "suggest",
        description = "The best setting that a camera can hold, and the area that would help, from its marked clips.")
final class TrialSuggest extends Act {
    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(names = "--clip", paramLabel = "ID", description = "by this clip alone; once for each")
    private List<Long> clips = List.of();

    @Option(names = "--format", description = "table or json", defaultValue = "table", paramLabel = "FORMAT")
    private String format = "table";

    @Override
    int run(Client service) {
        JsonNode view;
        try (var bar = new ProgressBar(errors(), "trying all settings")) {
            bar.waiting();
            view = service.post("/api/v1/suggestions", Map.of("camera", camera, "clips", clips));
        }
        if (format.equals("json")) {
            say(view.toPrettyString());
        } else {
            shown(view);
        }
        var now = view.path("now");
        return now.path("missed").asInt() > 0 ? Failure.FOUND : Failure.DONE;
    }

    private void shown(JsonNode view) {
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
        say("to have it: choir set camera:" + camera + " motion.sensitivity=" + Listing.text(setting, "sensitivity")
                + " motion.threshold=" + setting.path("threshold").asDouble() + "% --because \"tried on clip "
                + view.path("clips").path(0).asLong() + "\"");
    }
}
