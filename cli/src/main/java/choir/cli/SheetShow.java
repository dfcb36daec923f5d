package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "The numbered steps for one recorder, to print and take along.")
final class SheetShow extends Act {
    @Parameters(paramLabel = "RECORDER")
    private String recorder = "";

    @Override
    int run(Client service) {
        var sheet = service.get("/api/v1/recorders/" + Client.encode(recorder) + "/sheet");
        var steps = sheet.path("steps");
        say("Work sheet for " + recorder + ", " + Listing.text(sheet, "title") + ", " + Listing.number(sheet, "cameras")
                + " cameras, version " + Listing.text(sheet, "version"));
        var camera = "";
        for (var step : steps) {
            if (!Listing.text(step, "camera").equals(camera)) {
                camera = Listing.text(step, "camera");
                say("");
                say(ansi().string("@|bold " + camera + "|@") + "  " + Listing.text(step, "label"));
            }
            step(step);
        }
        sheet.path("cannot").forEach(c -> say("cannot be honoured: " + c.asString("")));
        say("");
        say(
                steps.isEmpty()
                        ? "everything is set as asked"
                        : "when it is done: choir sheet tick " + recorder + " --version "
                                + Listing.text(sheet, "version") + "  (or only some steps: 1 2 5)");
        return Failure.DONE;
    }

    private void step(JsonNode step) {
        var before = Listing.text(step, "before");
        var after = Listing.text(step, "after");
        var where = "  [ ] %2s. %s, %s: "
                .formatted(Listing.number(step, "number"), Listing.text(step, "menu"), Listing.text(step, "entry"));
        if (after.contains("\n")) {
            say(where + "paint the watched cells (#)");
            after.lines().forEach(line -> say("          " + line));
        } else {
            say(where + "set " + after
                    + (before.isEmpty() ? ", whatever stands there" : before.equals(after) ? "" : ", was " + before));
        }
        if (!Listing.text(step, "note").isEmpty()) {
            say("          " + Listing.text(step, "note"));
        }
    }
}
