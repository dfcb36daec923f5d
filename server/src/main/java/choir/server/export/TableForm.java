package choir.server.export;

import choir.refusal.Refusal;
import choir.server.paper.CsvCells;
import com.jerolba.carpet.CarpetWriter;
import com.jerolba.carpet.ColumnNamingStrategy;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.parquet.hadoop.metadata.CompressionCodecName;

/** How tables are written: columnar for engines, or as text for everybody. Columns are called the same in both. */
enum TableForm {
    /** Apache Parquet, compressed by Zstandard. */
    PARQUET,
    /** RFC 4180, UTF-8, instants in ISO 8601; what is missing is an empty cell. */
    CSV;

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    static TableForm of(String word) {
        return Arrays.stream(values())
                .filter(f -> f.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new Refusal("\"" + word + "\" is no form of a table; expected parquet or csv"));
    }

    /**
     * @param out stays open
     * @param lines gives each line to whom it is given
     */
    void write(Class<? extends Record> line, OutputStream out, Consumer<Consumer<Record>> lines) throws IOException {
        switch (this) {
            case PARQUET -> parquet(line, out, lines);
            case CSV -> csv(line, out, lines);
        }
    }

    private static void parquet(Class<? extends Record> line, OutputStream out, Consumer<Consumer<Record>> lines)
            throws IOException {
        @SuppressWarnings("unchecked")
        var kind = (Class<Record>) line;
        try (var writer = new CarpetWriter.Builder<>(out, kind)
                .withCompressionCodec(CompressionCodecName.ZSTD)
                .withColumnNamingStrategy(ColumnNamingStrategy.SNAKE_CASE)
                .build()) {
            lines.accept(record -> {
                try {
                    writer.write(record);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        }
    }

    private static void csv(Class<? extends Record> line, OutputStream out, Consumer<Consumer<Record>> lines)
            throws IOException {
        var parts = line.getRecordComponents();
        var form = CSVFormat.RFC4180
                .builder()
                .setHeader(Arrays.stream(parts).map(p -> column(p.getName())).toArray(String[]::new))
                .get();
        var csv = new CSVPrinter(new OutputStreamWriter(out, StandardCharsets.UTF_8), form);
        lines.accept(record -> {
            try {
                csv.printRecord(cells(parts, record));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        csv.flush();
    }

    private static List<String> cells(RecordComponent[] parts, Record record) {
        List<String> cells = new ArrayList<>();
        for (var part : parts) {
            try {
                var value = part.getAccessor().invoke(record);
                cells.add(
                        value == null
                                ? ""
                                : value instanceof String text ? CsvCells.harmless(text) : String.valueOf(value));
            } catch (IllegalAccessException | InvocationTargetException e) {
                throw new IllegalStateException(e);
            }
        }
        return cells;
    }

    /** As columns are called: {@code bytesADayLow} is {@code bytes_a_day_low}. */
    static String column(String name) {
        return name.replaceAll("(?<=[a-z0-9])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])", "_")
                .toLowerCase(Locale.ROOT);
    }
}
