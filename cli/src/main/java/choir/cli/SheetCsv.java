package choir.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MappingIterator;
import tools.jackson.dataformat.csv.CsvMapper;
import tools.jackson.dataformat.csv.CsvReadFeature;
import tools.jackson.dataformat.csv.CsvSchema;

/** A work sheet as CSV (RFC 4180), to be ticked in a spreadsheet: whatever stands under {@code done} ticks the step. */
final class SheetCsv {
    private static final List<String> COLUMNS =
            List.of("version", "step", "camera", "label", "menu", "entry", "set", "was", "done", "by");

    /** @param by who did them, as far as all rows say the same */
    record Ticked(String version, List<Integer> steps, String by) {}

    private SheetCsv() {}

    static void write(PrintWriter out, JsonNode sheet) {
        var rows = new ArrayList<Map<String, String>>();
        for (var step : sheet.path("steps")) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put("version", Listing.text(sheet, "version"));
            row.put("step", Listing.number(step, "number"));
            row.put("camera", Listing.text(step, "camera"));
            row.put("label", Listing.text(step, "label"));
            row.put("menu", Listing.text(step, "menu"));
            row.put("entry", Listing.text(step, "entry"));
            row.put("set", Listing.text(step, "after"));
            row.put("was", Listing.text(step, "before"));
            row.put("done", "");
            row.put("by", "");
            rows.add(row);
        }
        var schema = CsvSchema.builder()
                .addColumns(COLUMNS, CsvSchema.ColumnType.STRING)
                .build()
                .withHeader();
        out.print(CsvMapper.builder().build().writer(schema).writeValueAsString(rows));
        out.flush();
    }

    static Ticked read(String text) {
        List<Integer> steps = new ArrayList<>();
        var version = "";
        var by = "";
        int line = 1;
        var mapper = CsvMapper.builder().enable(CsvReadFeature.TRIM_SPACES).build();
        try (MappingIterator<Map<String, String>> rows = mapper.readerForMapOf(String.class)
                .with(CsvSchema.emptySchema().withHeader())
                .readValues(text)) {
            while (rows.hasNextValue()) {
                var row = rows.nextValue();
                line++;
                if (row.getOrDefault("done", "").isBlank()) {
                    continue;
                }
                version = same("version", version, row.getOrDefault("version", ""), line);
                by = same("by", by, row.getOrDefault("by", ""), line);
                steps.add(Integer.parseInt(row.getOrDefault("step", "")));
            }
        } catch (JacksonException e) {
            throw new Failure(Failure.FAILED, "the file is not CSV: " + e.getOriginalMessage());
        } catch (NumberFormatException e) {
            throw new Failure(Failure.FAILED, "row " + line + ": under \"step\" stands no number");
        }
        if (steps.isEmpty() || version.isEmpty()) {
            throw new Failure(
                    Failure.FAILED,
                    "nothing is ticked; expected the file of: choir sheet show RECORDER --format csv, with something"
                            + " under \"done\"");
        }
        return new Ticked(version, steps, by);
    }

    private static String same(String column, String before, String now, int line) {
        if (!before.isEmpty() && !now.isEmpty() && !before.equals(now)) {
            throw new Failure(
                    Failure.FAILED,
                    "row " + line + ": \"" + column + "\" is " + now + " here and " + before
                            + " above; tick one sheet of one person at a time");
        }
        return now.isEmpty() ? before : now;
    }
}
