package choir.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.MappingIterator;
import tools.jackson.dataformat.csv.CsvMapper;
import tools.jackson.dataformat.csv.CsvReadFeature;
import tools.jackson.dataformat.csv.CsvSchema;

/** Cameras as CSV (RFC 4180). Of the columns {@code camera} must be there; {@code group} and {@code tags} may be. */
final class CameraCsv {
    static final List<String> COLUMNS = List.of("camera", "label", "device", "group", "tags");

    private CameraCsv() {}

    /** The lines as the service takes them; labels and device names come from the recorder and are passed over. */
    static List<Map<String, Object>> read(String text) {
        var mapper = CsvMapper.builder().enable(CsvReadFeature.TRIM_SPACES).build();
        List<Map<String, Object>> lines = new ArrayList<>();
        try (MappingIterator<Map<String, String>> rows = mapper.readerForMapOf(String.class)
                .with(CsvSchema.emptySchema().withHeader())
                .readValues(text)) {
            while (rows.hasNextValue()) {
                int line = rows.currentLocation().getLineNr();
                lines.add(line(rows.nextValue(), lines.size() + 2, line));
            }
        } catch (JacksonException e) {
            var at = e.getLocation();
            throw new Failure(
                    Failure.FAILED,
                    "line " + (at == null ? 1 : at.getLineNr()) + " is not CSV: " + e.getOriginalMessage());
        }
        if (lines.isEmpty()) {
            throw new Failure(Failure.FAILED, "the file holds no camera; expected a head line and one line a camera");
        }
        return lines;
    }

    private static Map<String, Object> line(Map<String, String> cells, int number, int physical) {
        var unknown = cells.keySet().stream().filter(c -> !COLUMNS.contains(c)).toList();
        if (!unknown.isEmpty() || !cells.containsKey("camera")) {
            throw new Failure(
                    Failure.FAILED,
                    "line 1: expected the columns " + String.join(", ", COLUMNS)
                            + (unknown.isEmpty() ? "" : ", not " + String.join(", ", unknown)));
        }
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("line", Math.max(number, physical));
        line.put("camera", unquoted(cells.get("camera")));
        if (cells.containsKey("group")) {
            line.put("group", unquoted(cells.get("group")));
        }
        if (cells.containsKey("tags")) {
            line.put(
                    "tags",
                    List.of(unquoted(cells.get("tags")).split("[ ,;]+")).stream()
                            .filter(t -> !t.isEmpty())
                            .toList());
        }
        return line;
    }

    /** Takes away the quote that an export puts before what a spreadsheet would take for a formula. */
    private static String unquoted(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && "=+-@".indexOf(cell.charAt(1)) >= 0
                ? cell.substring(1)
                : cell;
    }
}
