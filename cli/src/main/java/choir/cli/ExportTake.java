package choir.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "take", description = "Take a table of one day out into a file.")
final class ExportTake extends Act {
    @Parameters(paramLabel = "TABLE", description = "activity, findings, standings or forecasts")
    private String table = "";

    @Option(
            names = "--day",
            paramLabel = "DATE",
            description = "yesterday if not said; standings and forecasts are of today")
    private @Nullable String day;

    @Option(names = "--form", paramLabel = "FORM", defaultValue = "parquet", description = "parquet or csv")
    private String form = "parquet";

    @Option(names = "--out", paramLabel = "FILE", description = "choir-TABLE.FORM if not said")
    private @Nullable Path out;

    @Override
    int run(Client service) {
        Map<String, String> query = new LinkedHashMap<>();
        if (day != null) {
            query.put("day", day);
        }
        query.put("form", form);
        var file = (out == null ? Path.of("choir-" + table + "." + form) : out).toAbsolutePath();
        service.download("/api/v1/exports/" + Client.encode(table) + Client.query(query), file);
        try {
            say(file + ", " + Sizes.words((double) Files.size(file)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Failure.DONE;
    }
}
