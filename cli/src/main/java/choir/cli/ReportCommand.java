package choir.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "report", description = "What was in tune and what was not, for somebody who takes it away.")
final class ReportCommand extends Act {
    enum Format {
        table,
        json,
        html,
        pdf,
        csv
    }

    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--from", paramLabel = "DATE", description = "the first day; 30 days before the last if not said")
    private @Nullable String from;

    @Option(names = "--to", paramLabel = "DATE", description = "the last day; today if not said")
    private @Nullable String to;

    @Option(
            names = "--format",
            paramLabel = "FORMAT",
            defaultValue = "table",
            description = "table or json here; html, pdf or csv as a file")
    private Format format = Format.table;

    @Option(names = "--out", paramLabel = "FILE", description = "where the file goes; choir-report.FORMAT if not said")
    private @Nullable Path out;

    @Option(
            names = "--kept",
            description = "list the reports that plans made, or fetch the one that is named by --name")
    private boolean kept;

    @Option(names = "--name", paramLabel = "REPORT", description = "of a kept report")
    private @Nullable String name;

    @Override
    int run(Client service) {
        if (kept) {
            return kept(service);
        }
        var query = "select=" + Client.encode(Selections.joined(words, ""))
                + Optional.ofNullable(from)
                        .map(d -> "&from=" + Client.encode(d))
                        .orElse("")
                + Optional.ofNullable(to).map(d -> "&to=" + Client.encode(d)).orElse("");
        switch (format) {
            case table -> print(service.get("/api/v1/report?" + query));
            case json -> {
                out().println(Client.JSON
                        .writerWithDefaultPrettyPrinter()
                        .writeValueAsString(service.get("/api/v1/report?" + query)));
                out().flush();
            }
            case html, pdf, csv -> keep(service.file("/api/v1/report/file?format=" + format + "&" + query));
        }
        return Failure.DONE;
    }

    private int kept(Client service) {
        if (name != null) {
            keep(service.file("/api/v1/reports/" + Client.encode(name)), out == null ? Path.of(name) : out);
            return Failure.DONE;
        }
        var table = new Table("made", "name", "kB");
        for (var r : service.get("/api/v1/reports")) {
            table.row(
                    Times.of(Listing.text(r, "at")),
                    Listing.text(r, "name"),
                    Long.toString(Math.ceilDiv(r.path("bytes").asLong(), 1000)));
        }
        if (table.isEmpty()) {
            say("no report was made by a plan yet; plan one with: choir audit plan add \"0 6 1 * *\" --report");
        } else {
            table.print(out(), Table.terminalWidth());
        }
        return Failure.DONE;
    }

    private void keep(byte[] content) {
        keep(content, out == null ? Path.of("choir-report." + format) : out);
    }

    private void keep(byte[] content, Path file) {
        KeptFile.write(file, content);
        say("the report is in " + file);
    }

    private void print(JsonNode r) {
        say(Listing.text(r, "from") + " to " + Listing.text(r, "to") + " (" + Listing.text(r, "zone") + "), "
                + Listing.number(r, "cameras") + " cameras");
        say("  camera-days: %.1f %% in tune, %.1f %% not, %.1f %% not known%s"
                .formatted(
                        r.path("inTunePercent").asDouble(),
                        r.path("outOfTunePercent").asDouble(),
                        r.path("notKnownPercent").asDouble(),
                        r.has("knownSince")
                                ? " (the first audit was " + Times.of(Listing.text(r, "knownSince")) + ")"
                                : " (nothing was audited yet)"));
        say("  findings: " + Listing.number(r, "openAtBegin") + " at the beginning, " + Listing.number(r, "opened")
                + " new, " + Listing.number(r, "ended") + " ended, " + Listing.number(r, "openAtEnd")
                + " at the end, " + Listing.number(r, "highAtEnd") + " of them high");
        say("  without recording: at most %.1f hours in all"
                .formatted(r.path("hoursWithoutRecording").asDouble()));
        say("");
        parts(r.path("groups"), "group", "whole recorders");
        say("");
        parts(r.path("settings"), "setting", "other");
    }

    private void parts(JsonNode parts, String head, String unnamed) {
        var table = new Table(head, "new", "ended", "open at the end", "high", "hours without recording");
        for (var p : parts) {
            table.row(
                    Listing.text(p, "name").isEmpty() ? unnamed : Listing.text(p, "name"),
                    Listing.number(p, "opened"),
                    Listing.number(p, "ended"),
                    Listing.number(p, "openAtEnd"),
                    Listing.number(p, "highAtEnd"),
                    hours(p.path("hoursWithoutRecording").asDouble()));
        }
        table.print(out(), Table.terminalWidth());
    }

    private static String hours(double hours) {
        return hours < 0.05 ? "" : String.format(Locale.ROOT, "%.1f", hours);
    }
}
