package choir.server.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.activity.DayActivity.Why;
import choir.activity.SpanComparison.Totals;
import choir.drift.Cause;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Severity;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.server.audit.DecisionStore.Decided;
import choir.server.audit.Finding;
import choir.server.forecast.ExpectedStore;
import choir.server.forecast.RangeView;
import choir.server.rollout.Preview;
import choir.server.rollout.Price;
import choir.server.rollout.Waiting;
import choir.storage.Range;
import choir.storage.Room;
import choir.storage.Size;
import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.xml.sax.InputSource;

/** What is counted in a report, and that it can be read by those who get it. */
class ReportTest {
    private static final ZoneId FAROE = ZoneId.of("Atlantic/Faroe");
    private static final Span TEN_DAYS = new Span(LocalDate.of(2027, 1, 1), LocalDate.of(2027, 1, 10), FAROE);

    private static Instant at(String local) {
        return java.time.LocalDateTime.parse(local).atZone(FAROE).toInstant();
    }

    private static Finding finding(
            long id, String channel, Severity severity, int minutes, String from, Optional<String> to, String by) {
        return new Finding(
                id,
                "r1",
                Optional.of(new Node.Camera(new RecorderName("r1"), channel)),
                "Quay <b>& \"stairs\"</b> Føroyar",
                Optional.of(Node.Group.of("terminals")),
                new Matter.Value(Catalogue.WEEK),
                Optional.of(Cause.CHANGED_AT_RECORDER),
                new Distance.OfWeek(minutes, 0, minutes),
                severity,
                "=Week records nothing for a while",
                Optional.of("motion"),
                Optional.of("none"),
                at(from),
                at(from),
                1,
                to.map(t -> new Finding.End(at(t), by)),
                Optional.empty(),
                by.startsWith("accepted") ? Optional.of(LocalDate.of(2027, 3, 1)) : Optional.empty(),
                Optional.empty());
    }

    private static final List<Finding> FINDINGS = List.of(
            // Open from before the span until its third day.
            finding(1, "01", Severity.HIGH, 1440, "2026-12-20T00:00", Optional.of("2027-01-03T00:00"), "in tune again"),
            // Open for two days within, one of which the first one covers as well.
            finding(2, "01", Severity.LOW, 0, "2027-01-02T00:00", Optional.of("2027-01-04T00:00"), "in tune again"),
            finding(3, "02", Severity.MEDIUM, 60, "2027-01-06T00:00", Optional.empty(), ""),
            finding(
                    4,
                    "02",
                    Severity.LOW,
                    0,
                    "2027-01-08T00:00",
                    Optional.of("2027-01-08T12:00"),
                    "accepted until 2027-03-01"));

    private static final List<Node.Camera> CAMERAS = java.util.stream.Stream.of("01", "02", "03", "04")
            .map(c -> new Node.Camera(new RecorderName("r1"), c))
            .toList();

    private static final Optional<Instant> LONG_BEFORE = Optional.of(at("2026-12-01T00:00"));

    private static Report report(List<Finding> findings, Optional<Instant> knownSince, Optional<Instant> now) {
        return Report.of(TEN_DAYS, "", CAMERAS, findings, List.of(), List.of(), knownSince, now);
    }

    private static Report report() {
        return Report.of(
                TEN_DAYS,
                "",
                CAMERAS,
                FINDINGS,
                List.of(new Decided(
                        4, at("2027-01-08T12:00"), "ada", "accepted", "roadworks", Optional.empty(), Optional.empty())),
                List.of(FINDINGS.get(3)),
                LONG_BEFORE,
                Optional.empty());
    }

    @Test
    void itCountsWhatBeganEndedAndStayed() {
        var totals = report().totals();
        assertThat(totals.atBegin()).isEqualTo(1);
        assertThat(totals.opened()).isEqualTo(3);
        assertThat(totals.ended()).isEqualTo(3);
        assertThat(totals.atEnd()).isEqualTo(1);
        assertThat(totals.high()).isZero();
        assertThat(report().days()).hasSize(10);
        assertThat(report().days().get(1).high()).isEqualTo(1);
        assertThat(report().days().getLast().medium()).isEqualTo(1);
    }

    @Test
    void aDayOutOfTuneCountsOnceHoweverManyFindingsThereAre() {
        // Of 40 camera-days, camera 01 is astray for 3 and camera 02 for 5.
        assertThat(report().shares().inTune()).isCloseTo(80.0, within(1e-9));
        assertThat(report().shares().outOfTune()).isCloseTo(20.0, within(1e-9));
        assertThat(report().shares().notKnown()).isZero();
    }

    @Test
    void whatNobodyLookedAtIsNotKnown() {
        var report = report(FINDINGS, Optional.of(at("2027-01-02T00:00")), Optional.empty());
        // The first day of all but camera 01, of which a finding from before was open.
        assertThat(report.shares().notKnown()).isCloseTo(100 * 3 / 40.0, within(1e-9));
        var never = report(List.of(), Optional.empty(), Optional.empty());
        assertThat(never.shares()).isEqualTo(new Shares(0, 0, 100));
        assertThat(ReportHtml.of(never, choir.server.paper.Paper.Fonts.SCREEN)).contains("Nothing was ever audited");
    }

    @Test
    void whileTheRecorderCouldNotBeReadItsCamerasAreNotKnown() {
        var away = new Finding(
                9,
                "r1",
                Optional.empty(),
                "",
                Optional.empty(),
                new Matter.NotRead(),
                Optional.empty(),
                Distance.none(),
                Severity.MEDIUM,
                "The recorder could not be read.",
                Optional.empty(),
                Optional.empty(),
                at("2027-01-09T00:00"),
                at("2027-01-09T00:00"),
                1,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        var report = report(List.of(away), LONG_BEFORE, Optional.empty());
        assertThat(report.shares().notKnown()).isCloseTo(20.0, within(1e-9));
        assertThat(report.shares().inTune()).isCloseTo(80.0, within(1e-9));
    }

    @Test
    void whatItCostIsForAsLongAsItWasOpenWithinTheSpan() {
        // A day a week for two of seven days, and an hour a week for five of seven.
        assertThat(report().totals().hoursWithoutRecording()).isCloseTo(24 * 2 / 7.0 + 5 / 7.0, within(1e-9));
    }

    @Test
    void nothingIsSaidOfWhatIsStillToCome() {
        var now = Optional.of(at("2027-01-07T00:00"));
        var early = report(FINDINGS.subList(0, 3), LONG_BEFORE, now);
        // Of 24 camera-days, camera 01 was astray for 3 and camera 02 for 1.
        assertThat(early.shares().inTune()).isCloseTo(100 - 100 * 4 / 24.0, within(1e-9));
        assertThat(early.totals().atEnd()).isEqualTo(1);
    }

    @Test
    void thePageIsWellFormedAndTellsWordsOfOthersAsTheyAre() throws Exception {
        var html = ReportHtml.of(report(), choir.server.paper.Paper.Fonts.SCREEN);
        var page = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(html.replace("<!DOCTYPE html>", ""))));
        var text = page.getDocumentElement().getTextContent();
        assertThat(text).contains("Quay <b>& \"stairs\"</b> Føroyar", "80.0 %", "roadworks", "accepted until");
        assertThat(html).doesNotContain("http://", "https://", "<script");
    }

    @Test
    void thePdfHoldsTheSameWordsAndTheSameBytesEachTime() throws Exception {
        var pdf = ReportPdf.of(report());
        assertThat(ReportPdf.of(report())).isEqualTo(pdf);
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("What was in tune", "Føroyar", "80.0 %", "roadworks");
        }
    }

    @Test
    void theCsvHoldsEachFindingAndNoFormula() throws Exception {
        var csv = ReportCsv.of(report()).getBytes(StandardCharsets.UTF_8);
        try (var rows = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new java.io.InputStreamReader(new ByteArrayInputStream(csv), StandardCharsets.UTF_8))) {
            var all = rows.getRecords();
            assertThat(all).hasSize(4);
            assertThat(all.getFirst().get("sentence")).startsWith("'=");
            assertThat(all.getFirst().get("label")).isEqualTo("Quay <b>& \"stairs\"</b> Føroyar");
            assertThat(all.getFirst().get("first_seen")).isEqualTo("2027-01-06T00:00:00Z");
        }
    }

    @Test
    void whatWasRecordedIsOfWhatIsKnownAloneAndDisksAreSaidWithTheirRange() throws Exception {
        var sums = new ReportedFootage.Sums();
        long day = 86_400;
        // One that recorded for half of ten days, one for a tenth of the only one that is known, and one that never
        // told.
        sums.add("fleet/quay", new Totals(10 * day, Map.of(Why.CONTINUOUS, 5 * day), 10 * day, 0, 50, 3_600));
        sums.add("fleet/quay", new Totals(day, Map.of(Why.MOTION, day / 10), day, 0, 5, 0));
        sums.add("fleet/yard", new Totals(0, Map.of(), 0, 0, 0, 0));
        var groups = sums.groups();
        assertThat(groups).extracting(ReportedFootage.OfGroup::name).containsExactly("fleet/quay", "fleet/yard");
        assertThat(groups.getFirst().hours()).isCloseTo(24 * 5.1 / 11, within(1e-9));
        assertThat(groups.getFirst().events()).isCloseTo(5, within(1e-9));
        assertThat(groups.getFirst().missingHours()).isEqualTo(1);
        assertThat(groups.getLast().unknown()).isEqualTo(1);
        var store = new ExpectedStore(
                "haldr-1",
                "Disk1",
                16,
                0,
                Map.of(),
                Range.exactly(2.5e11),
                Range.exactly(1),
                Optional.of(Size.said(4_000_000_000_000L)),
                Optional.of(new Range(12, 16, 21)),
                OptionalInt.of(21),
                OptionalInt.empty(),
                Room.Verdict.TOO_SHORT);
        var told = report().with(new ReportedFootage(
                groups,
                false,
                List.of(store),
                Optional.of(new Waiting.Cost(
                        new Price(
                                18,
                                4,
                                31,
                                List.of(),
                                new Price.Expected(3_024, 700_000_000_000L),
                                new Price.Expected(504, 120_000_000_000L),
                                List.of(new Price.StoreDays(
                                        "haldr-1",
                                        "Disk1",
                                        21,
                                        new RangeView(9.0, 9.0, 9.0),
                                        new RangeView(24.0, 24.0, 24.0),
                                        "ENOUGH")),
                                "measured at 18"),
                        List.of(new Preview.Pause(
                                "gannet",
                                List.of("haldr-2"),
                                true,
                                8,
                                new Preview.Measured("haldr-2", 8, 2.5, 9, "2027-01-09T00:00:00Z")))))));
        var html = ReportHtml.of(told, choir.server.paper.Paper.Fonts.SCREEN);
        assertThat(html).contains("16.0 (12.0 to 21.0)", "250.0", "too short", "not known", "11.1");
        assertThat(html)
                .contains(
                        "31 values on 18 cameras: recorded 504.0 hours a week instead of 3024.0, 120.0 GB a day instead"
                                + " of 700.0")
                .contains("haldr-1 Disk1: kept for 24.0 days instead of 9.0, of which 21 are asked")
                .contains("haldr-2 does not record on any channel while it is written: 2.5 s the last time");
        try (var document = Loader.loadPDF(ReportPdf.of(told))) {
            assertThat(new PDFTextStripper().getText(document)).contains("How long disks keep it", "What was recorded");
        }
    }

    @Test
    void whereNothingIsKnownThatIsSaid() {
        assertThat(new ReportedFootage.Sums().groups()).isEmpty();
        var html = ReportHtml.of(report(), choir.server.paper.Paper.Fonts.SCREEN);
        assertThat(html).contains("Nothing is known of it").doesNotContain("How long disks keep it");
        var many = report().with(new ReportedFootage(List.of(), true, List.of(), Optional.empty()));
        assertThat(ReportHtml.of(many, choir.server.paper.Paper.Fonts.SCREEN)).contains("Too many cameras");
    }

    @Test
    void aSpanThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new Span(LocalDate.of(2027, 1, 2), LocalDate.of(2027, 1, 1), FAROE))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("before it begins");
        assertThatThrownBy(() -> new Span(LocalDate.of(2020, 1, 1), LocalDate.of(2027, 1, 1), FAROE))
                .isInstanceOf(Refusal.class);
    }
}
