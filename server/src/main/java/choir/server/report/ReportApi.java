package choir.server.report;

import choir.server.audit.Trend;
import choir.server.forecast.ExpectedStore;
import choir.server.journal.Journal;
import choir.server.paper.Paper;
import choir.server.reach.Reach;
import choir.server.rollout.Preview;
import choir.server.rollout.Price;
import choir.server.web.Dates;
import choir.server.web.FileAnswer;
import choir.server.web.Problem;
import choir.storage.Range;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What an auditor takes away. */
@RestController
class ReportApi {
    private static final int USUAL_DAYS = 30;
    private static final Set<String> FORMATS = Set.of("html", "pdf", "csv");

    record PartView(String name, int opened, int ended, int openAtEnd, int highAtEnd, double hoursWithoutRecording) {
        static PartView of(Report.Part p) {
            return new PartView(p.name(), p.opened(), p.ended(), p.atEnd(), p.high(), p.hoursWithoutRecording());
        }
    }

    record DayOfReport(String date, int opened, int ended, int high, int medium, int low) {
        static DayOfReport of(Trend.Day d) {
            return new DayOfReport(d.date().toString(), d.opened(), d.ended(), d.high(), d.medium(), d.low());
        }
    }

    record DecisionOfReport(
            long finding,
            String where,
            String at,
            String who,
            String decision,
            String because,
            @Nullable String until,
            @Nullable String to) {
        static DecisionOfReport of(Report.Decision d) {
            return new DecisionOfReport(
                    d.finding().id(),
                    d.finding().where(),
                    d.decided().at().toString(),
                    d.decided().who(),
                    d.decided().decision(),
                    d.decided().because(),
                    d.decided().until().map(LocalDate::toString).orElse(null),
                    d.decided().assignee().orElse(null));
        }
    }

    /**
     * @param inTunePercent of all camera-days, those without an open finding of the camera
     * @param notKnownPercent those before the first audit, and while recorders could not be read
     * @param knownSince the end of the first audit
     * @param open finding numbers, as {@code /findings/ID} has them
     */
    record ReportView(
            String from,
            String to,
            String zone,
            String select,
            int cameras,
            double inTunePercent,
            double outOfTunePercent,
            double notKnownPercent,
            @Nullable String knownSince,
            int openAtBegin,
            int opened,
            int ended,
            int openAtEnd,
            int highAtEnd,
            double hoursWithoutRecording,
            List<DayOfReport> days,
            List<PartView> groups,
            List<PartView> settings,
            List<DecisionOfReport> decisions,
            List<Long> open,
            List<Long> endedFindings,
            List<Long> accepted,
            List<RecordedOfGroup> recorded,
            List<DiskOfReport> disks,
            @Nullable WaitingOfReport waiting) {}

    /**
     * What giving out everything that waits would come to; only in a report that goes up to today.
     *
     * @param pauses what would stop recording while it is written
     */
    public record WaitingOfReport(Price price, List<Preview.Pause> pauses) {}

    /**
     * Of one camera and day on the average, of what is known.
     *
     * @param unknown cameras of which nothing is known
     * @param missingHours of all of its cameras in the whole span
     */
    public record RecordedOfGroup(
            String group,
            int cameras,
            int unknown,
            double hours,
            double continuousHours,
            double motionHours,
            double events,
            double missingHours) {
        static RecordedOfGroup of(ReportedFootage.OfGroup g) {
            return new RecordedOfGroup(
                    g.name(),
                    g.cameras(),
                    g.unknown(),
                    g.hours(),
                    g.continuousHours(),
                    g.motionHours(),
                    g.events(),
                    g.missingHours());
        }
    }

    /**
     * As recorders are set now; only in a report that goes up to today.
     *
     * @param days that fit; missing when nobody knows, or nothing is recorded
     */
    public record DiskOfReport(
            String recorder,
            String store,
            int cameras,
            double bytesADay,
            @Nullable Double days,
            @Nullable Integer wanted,
            @Nullable Integer allowed,
            String verdict) {
        static DiskOfReport of(ExpectedStore s) {
            return new DiskOfReport(
                    s.recorder(),
                    s.store(),
                    s.cameras(),
                    s.allBytesADay().likely(),
                    s.days().map(Range::likely).filter(Double::isFinite).orElse(null),
                    s.wanted().isPresent() ? s.wanted().getAsInt() : null,
                    s.allowed().isPresent() ? s.allowed().getAsInt() : null,
                    s.verdict().name());
        }
    }

    /** @param name of the file, by which it is asked for */
    record KeptView(String name, String at, long bytes) {}

    private final Reports reports;
    private final ReportFolder folder;
    private final Journal journal;
    private final Clock clock;

    ReportApi(Reports reports, ReportFolder folder, Journal journal, Clock clock) {
        this.journal = journal;
        this.reports = reports;
        this.folder = folder;
        this.clock = clock;
    }

    /** Those that were made by a plan, the newest first. */
    @GetMapping("/api/v1/reports")
    List<KeptView> kept() {
        return folder.all().stream()
                .map(k -> new KeptView(k.name(), k.at().toString(), k.bytes()))
                .toList();
    }

    @GetMapping("/api/v1/reports/{name}")
    ResponseEntity<byte[]> kept(@PathVariable String name, Principal who) {
        var file = folder.read(name);
        journal.add(who.getName(), "took a report out", name, "made by a plan");
        return FileAnswer.of(file, "application/pdf", name);
    }

    @GetMapping("/api/v1/report")
    ReportView report(
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String to,
            @RequestParam(defaultValue = "") String select) {
        var r = make(from, to, select);
        return new ReportView(
                r.span().first().toString(),
                r.span().last().toString(),
                r.span().zone().getId(),
                r.select(),
                r.cameras(),
                r.shares().inTune(),
                r.shares().outOfTune(),
                r.shares().notKnown(),
                r.knownSince().map(Instant::toString).orElse(null),
                r.totals().atBegin(),
                r.totals().opened(),
                r.totals().ended(),
                r.totals().atEnd(),
                r.totals().high(),
                r.totals().hoursWithoutRecording(),
                r.days().stream().map(DayOfReport::of).toList(),
                r.groups().stream().map(PartView::of).toList(),
                r.settings().stream().map(PartView::of).toList(),
                r.decisions().stream().map(DecisionOfReport::of).toList(),
                r.open().stream().map(f -> f.id()).toList(),
                r.ended().stream().map(f -> f.id()).toList(),
                r.accepted().stream().map(f -> f.id()).toList(),
                r.footage().groups().stream().map(RecordedOfGroup::of).toList(),
                r.footage().stores().stream().map(DiskOfReport::of).toList(),
                r.footage()
                        .waiting()
                        .map(w -> new WaitingOfReport(w.price(), w.pauses()))
                        .orElse(null));
    }

    /**
     * The same as a file.
     *
     * @param format {@code html}, {@code pdf} or {@code csv}
     */
    @GetMapping("/api/v1/report/file")
    ResponseEntity<byte[]> file(
            @RequestParam(required = false) @Nullable String from,
            @RequestParam(required = false) @Nullable String to,
            @RequestParam(defaultValue = "") String select,
            @RequestParam String format,
            Principal who) {
        if (!FORMATS.contains(format)) {
            throw new Problem(Problem.Kind.INVALID, "expected the format html, pdf or csv, not \"" + format + "\"");
        }
        var report = make(from, to, select);
        journal.add(
                who.getName(),
                "took a report out",
                report.select().isEmpty() ? "fleet" : report.select(),
                report.span().first() + " to " + report.span().last() + " as " + format);
        return switch (format) {
            case "html" ->
                FileAnswer.of(
                        ReportHtml.of(report, Paper.Fonts.SCREEN).getBytes(StandardCharsets.UTF_8),
                        "text/html;charset=utf-8",
                        "choir-report.html");
            case "pdf" -> FileAnswer.of(ReportPdf.of(report), "application/pdf", "choir-report.pdf");
            default ->
                FileAnswer.of(
                        ReportCsv.of(report).getBytes(StandardCharsets.UTF_8),
                        "text/csv;charset=utf-8",
                        "choir-report.csv");
        };
    }

    private Report make(@Nullable String from, @Nullable String to, String select) {
        var last = to == null ? LocalDate.now(clock) : Dates.parse(to);
        var first = from == null ? last.minusDays(USUAL_DAYS - 1L) : Dates.parse(from);
        return reports.make(first, last, Reach.current().narrow(select));
    }
}
