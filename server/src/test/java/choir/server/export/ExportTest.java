package choir.server.export;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.FootageLink.Bits;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.policy.Catalogue;
import choir.server.TestService;
import choir.server.paper.CsvCells;
import choir.week.WeekText;
import com.jerolba.carpet.CarpetReader;
import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Tables for other programs, read back by readers of their forms. */
class ExportTest {
    private static final LocalDate TODAY = LocalDate.now(ZoneOffset.UTC);

    @TempDir
    Path folder;

    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start("--choir.exports=" + folder, "--choir.export-forms=parquet,csv");
        var config = new NativeConfig(Map.of(
                Catalogue.SENSITIVITY,
                NativeValue.number(20),
                Catalogue.STORE,
                NativeValue.word("Disk1"),
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of("daily continuous")))));
        var fake = service.added("r1").channel("01", config).channel("02", config);
        // Of the first it tells that it recorded each first half of a day; of the second nothing.
        fake.recall = stretches -> {
            List<Map<String, History>> histories = new ArrayList<>();
            for (var asked : stretches) {
                var half = new Stretch(asked.from(), asked.from().plus(Duration.ofHours(12)));
                var told = half.until().isBefore(asked.until()) ? List.of(half) : List.<Stretch>of();
                histories.add(Map.of("01", new History(Optional.of(told), Optional.of(told), true, asked.until())));
            }
            return Optional.of(new Recall(
                    Map.of("01", new Kept(Optional.empty(), Optional.empty(), Optional.empty())),
                    histories,
                    Map.of("01", Bits.NOT_TOLD),
                    Duration.ZERO));
        };
        service.load("template: house\nmotion: {sensitivity: 80}\n---\ngroup: fleet\nuse: [house]\n");
        service.read();
        service.finish(service.post("/api/v1/audits", Map.of("select", "")));
        service.finish(service.post("/api/v1/activity/readings", Map.of("select", "")));
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static List<CSVRecord> csv(String text) throws IOException {
        return CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(text))
                .getRecords();
    }

    @ParameterizedTest
    @EnumSource(Dataset.class)
    @SuppressWarnings("rawtypes")
    void bothFormsSayTheSameLineByLine(Dataset dataset) throws IOException {
        service.finish(service.post("/api/v1/exports", Map.of()));
        var day = dataset.ofPast() ? TODAY.minusDays(1) : TODAY;
        var into = folder.resolve(dataset.word()).resolve("day=" + day);
        if (dataset == Dataset.FINDINGS) {
            // They were first seen today, so that yesterday has none.
            assertThat(csv(Files.readString(into.resolve("choir.csv")))).isEmpty();
            return;
        }
        var texts = csv(Files.readString(into.resolve("choir.csv")));
        List<Map> lines = new CarpetReader<>(into.resolve("choir.parquet").toFile(), Map.class).toList();
        assertThat(texts).hasSameSizeAs(lines).isNotEmpty();
        for (int i = 0; i < lines.size(); i++) {
            Map<String, String> said = new HashMap<>(texts.get(i).toMap());
            Map<?, ?> line = lines.get(i);
            assertThat(line.keySet()).isEqualTo(said.keySet());
            line.forEach((column, value) ->
                    assertThat(said.get(column)).as(String.valueOf(column)).isEqualTo(value == null ? "" : "" + value));
        }
        try (var files = Files.walk(folder)) {
            assertThat(files.filter(f -> f.toString().endsWith(".part"))).isEmpty();
        }
    }

    @Test
    void whatWasRecordedIsToldBySecondsAndWhatIsNotKnownIsNotNothing() throws IOException {
        var text = service.get("/api/v1/exports/activity?form=csv&day=" + TODAY.minusDays(2))
                .whole()
                .body();
        var lines = csv(text);
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0).get("camera")).isEqualTo("r1/01");
        assertThat(lines.get(0).get("known")).isEqualTo("86400");
        assertThat(lines.get(0).get("motion_known")).isEqualTo("86400");
        assertThat(Long.parseLong(lines.get(0).get("motion"))
                        + Long.parseLong(lines.get(0).get("unexplained")))
                .isEqualTo(43_200);
        assertThat(lines.get(1).get("known")).isEqualTo("0");
        assertThat(lines.get(1).get("missing")).isEmpty();
    }

    @Test
    void findingsOfTodayHaveWhatTheyAreAbout() throws IOException {
        var lines = csv(service.get("/api/v1/exports/findings?form=csv&day=" + TODAY)
                .whole()
                .body());
        assertThat(lines).isNotEmpty();
        assertThat(lines).anySatisfy(line -> {
            assertThat(line.get("camera")).isEqualTo("r1/01");
            assertThat(line.get("setting")).isEqualTo("motion.sensitivity");
            assertThat(line.get("ended_at")).isEmpty();
        });
    }

    @Test
    void aTextThatASpreadsheetWouldReckonIsHarmless() {
        assertThat(TableForm.column("bytesADayLow")).isEqualTo("bytes_a_day_low");
        assertThat(CsvCells.harmless("=1+1")).isEqualTo("'=1+1");
        assertThat(CsvCells.harmless("pier")).isEqualTo("pier");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "nothing; expected activity, findings, standings, forecasts",
                "activity?form=xml; expected parquet or csv",
                "activity?day=soon; is not a date",
                "standings?day=2026-01-01; are only known as they are now"
            })
    void whatThereIsNotIsSaid(String asked, String why) {
        var answer = service.get("/api/v1/exports/" + asked);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains(why);
    }

    @ParameterizedTest
    @EnumSource(Dataset.class)
    void everyColumnIsDescribed(Dataset dataset) throws IOException {
        var described = Files.readString(Path.of("../docs/exports.md"));
        var section = described.substring(described.indexOf("## " + dataset.word()));
        for (var part : dataset.line().getRecordComponents()) {
            assertThat(section).contains("| `" + TableForm.column(part.getName()) + "` |");
        }
    }

    @Test
    void aFolderThatCannotBeWrittenFailsTheWork() throws IOException {
        Files.writeString(folder.resolve("activity"), "in the way");
        var work = service.finish(service.post("/api/v1/exports", Map.of()));
        assertThat(work.path("state").asString()).isEqualTo("failed");
    }
}
