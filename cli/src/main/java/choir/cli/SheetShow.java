package choir.cli;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "The numbered steps for one recorder, to print and take along.")
final class SheetShow extends Act {
    @Parameters(paramLabel = "RECORDER")
    private String recorder = "";

    /** How it is shown. */
    enum Format {
        table,
        json,
        csv,
        html,
        pdf
    }

    @Option(
            names = "--format",
            paramLabel = "FORMAT",
            defaultValue = "table",
            description = "table, json or csv here; html or pdf as a file")
    private Format format = Format.table;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description = "where the file goes; RECORDER-sheet.FORMAT if not said")
    private @Nullable Path out;

    @Override
    int run(Client service) {
        switch (format) {
            case table -> print(service);
            case json -> say(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(sheet(service)));
            case csv -> SheetCsv.write(out(), sheet(service));
            case html, pdf -> keep(service.file(path() + "/file?format=" + format));
        }
        return Failure.DONE;
    }

    private String path() {
        return "/api/v1/recorders/" + Client.encode(recorder) + "/sheet";
    }

    private JsonNode sheet(Client service) {
        return service.get(path());
    }

    private void keep(byte[] content) {
        var file = out == null ? Path.of(recorder + "-sheet." + format) : out;
        KeptFile.write(file, content);
        say("the sheet is in " + file);
    }

    private void print(Client service) {
        var sheet = sheet(service);
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
