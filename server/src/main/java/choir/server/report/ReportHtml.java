package choir.server.report;

import choir.server.audit.Finding;
import choir.server.audit.Trend;
import choir.server.forecast.ExpectedStore;
import choir.server.forecast.RangeView;
import choir.server.paper.Paper;
import choir.server.rollout.Waiting;
import com.samskivert.mustache.Template;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A report as one page that needs nothing else, for a screen and for paper. It is also well-formed XML. */
final class ReportHtml {
    static final String TITLE = "What was in tune, and what was not";
    private static final Template TEMPLATE = Paper.form("/report/report.html");
    private static final int MOST_ROWS = 2_000;
    private static final int BARS_MM = 25;
    private static final double GIGABYTE = 1e9;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);

    private final Report report;
    private final ZoneId zone;

    private ReportHtml(Report report) {
        this.report = report;
        this.zone = report.span().zone();
    }

    static String of(Report report, Paper.Fonts fonts) {
        return TEMPLATE.execute(new ReportHtml(report).facts(fonts));
    }

    private Map<String, Object> facts(Paper.Fonts fonts) {
        Map<String, Object> facts = new HashMap<>();
        facts.put("font", fonts.text());
        facts.put("mono", fonts.mono());
        facts.put("title", TITLE);
        facts.put(
                "spanWords",
                DAY.format(report.span().first()) + " to "
                        + DAY.format(report.span().last()));
        facts.put("cameras", report.cameras() == 1 ? "1 camera" : report.cameras() + " cameras");
        facts.put("select", report.select());
        facts.put("zone", zone.getId());
        facts.put("inTune", percent(report.shares().inTune()));
        facts.put("outOfTune", percent(report.shares().outOfTune()));
        facts.put("notKnown", percent(report.shares().notKnown()));
        facts.put(
                "knownWords",
                report.knownSince()
                        .map(since -> since.isAfter(report.span().begin())
                                ? "Nothing is known before the first audit, which ended on " + time(since) + "."
                                : "")
                        .orElse("Nothing was ever audited, so nothing is known."));
        facts.put("totals", report.totals());
        facts.put(
                "highAtEnd", report.totals().high() == 0 ? "" : report.totals().high());
        facts.put("costWords", costWords());
        facts.put("bars", bars());
        facts.put(
                "groups",
                report.groups().stream().map(p -> part(p, "whole recorders")).toList());
        facts.put(
                "settings",
                report.settings().stream().map(p -> part(p, "other")).toList());
        footage(facts);
        list(facts, "open", "hasOpen", report.open());
        list(facts, "ended", "hasEnded", report.ended());
        list(facts, "accepted", "hasAccepted", report.accepted());
        facts.put("decisions", report.decisions().stream().map(this::decision).toList());
        facts.put("hasDecisions", !report.decisions().isEmpty());
        return facts;
    }

    private void footage(Map<String, Object> facts) {
        var footage = report.footage();
        facts.put(
                "recorded", footage.groups().stream().map(ReportHtml::recorded).toList());
        facts.put("hasRecorded", !footage.groups().isEmpty());
        facts.put("tooMany", footage.tooMany());
        facts.put(
                "stores",
                footage.stores().stream()
                        .limit(MOST_ROWS)
                        .map(ReportHtml::store)
                        .toList());
        facts.put("hasStores", !footage.stores().isEmpty());
        facts.put("waiting", footage.waiting().map(ReportHtml::waiting).orElse(List.of()));
        facts.put("hasWaiting", footage.waiting().isPresent());
    }

    private static Map<String, Object> recorded(ReportedFootage.OfGroup group) {
        boolean known = group.unknown() < group.cameras();
        return Map.of(
                "name", group.name(),
                "cameras", group.cameras(),
                "unknown", group.unknown() == 0 ? "" : group.unknown(),
                "hours", known ? decimal(group.hours(), 1) : "not known",
                "continuous", known ? decimal(group.continuousHours(), 1) : "",
                "motion", known ? decimal(group.motionHours(), 1) : "",
                "events", known ? decimal(group.events(), 0) : "",
                "missing",
                        group.missingHours() == 0
                                ? ""
                                : group.missingHours() < 0.05 ? "under 0.1" : decimal(group.missingHours(), 1));
    }

    /** What waits, a sentence each. */
    private static List<String> waiting(Waiting.Cost cost) {
        var price = cost.price();
        List<String> said = new ArrayList<>();
        said.add(price.settings() + (price.settings() == 1 ? " value" : " values") + " on " + price.cameras()
                + (price.cameras() == 1 ? " camera" : " cameras") + ": recorded "
                + decimal(price.after().hoursAWeek(), 1)
                + " hours a week instead of " + decimal(price.before().hoursAWeek(), 1) + ", "
                + decimal(price.after().bytesADay() / GIGABYTE, 1) + " GB a day instead of "
                + decimal(price.before().bytesADay() / GIGABYTE, 1) + " (" + price.assumed() + ").");
        for (var store : price.stores()) {
            said.add(store.recorder() + (store.store() == null ? "" : " " + store.store()) + ": kept for "
                    + days(store.after()) + " days instead of " + days(store.before())
                    + (store.wanted() == null ? "" : ", of which " + store.wanted() + " are asked") + ".");
        }
        for (var pause : cost.pauses()) {
            said.add(String.join(", ", pause.recorders())
                    + (pause.recorders().size() == 1 ? " does" : " do") + " not record on "
                    + (pause.allChannels() ? "any channel" : "the channel that is written") + " while it is written: "
                    + (pause.last() == null || pause.last().gapSeconds() == null
                            ? "for how long is not known"
                            : decimal(pause.last().gapSeconds(), 1) + " s the last time")
                    + ".");
        }
        return said;
    }

    private static String days(@Nullable RangeView range) {
        return range == null ? "a number that nobody knows" : decimal(range.likely(), 1);
    }

    private static Map<String, Object> store(ExpectedStore store) {
        var days = store.days().filter(d -> Double.isFinite(d.high()));
        return Map.of(
                "recorder",
                store.recorder(),
                "store",
                store.store(),
                "cameras",
                store.cameras(),
                "gigabytes",
                decimal(store.allBytesADay().likely() / GIGABYTE, 1),
                "days",
                days.map(d -> decimal(d.likely(), 1) + " (" + decimal(d.low(), 1) + " to " + decimal(d.high(), 1) + ")")
                        .orElse(store.size().isEmpty() ? "size not known" : "nothing recorded"),
                "wanted",
                store.wanted().isPresent() ? store.wanted().getAsInt() : "",
                "allowed",
                store.allowed().isPresent() ? store.allowed().getAsInt() : "",
                "verdict",
                switch (store.verdict()) {
                    case ENOUGH -> "enough";
                    case CLOSE -> "close";
                    case TOO_SHORT -> "too short";
                    case NOT_KNOWN -> "not known";
                    case NOTHING_WANTED -> "nothing asked";
                });
    }

    private String costWords() {
        if (report.totals().hoursWithoutRecording() == 0) {
            return "No finding of this span meant that a camera could not record.";
        }
        var hours = report.totals().hoursWithoutRecording() < 0.05
                ? "less than 0.1"
                : "at most " + decimal(report.totals().hoursWithoutRecording(), 1);
        return "Differences of this span meant that cameras could not record for " + hours
                + " hours in all, of each camera the worst difference counted.";
    }

    private void list(Map<String, Object> facts, String name, String has, List<Finding> findings) {
        facts.put(name, findings.stream().limit(MOST_ROWS).map(this::row).toList());
        facts.put(has, !findings.isEmpty());
        facts.put(name + "LeftOut", findings.size() > MOST_ROWS ? findings.size() - MOST_ROWS : "");
    }

    private Map<String, Object> row(Finding f) {
        Map<String, Object> row = new HashMap<>();
        row.put("since", time(f.firstSeen()));
        row.put("where", f.where());
        row.put("label", f.label());
        row.put("sentence", f.sentence());
        row.put("severity", f.severity().word());
        row.put("with", f.assignment().map(Finding.Assignment::to).orElse(""));
        row.put(
                "until",
                f.acceptedUntil()
                        .map(DAY::format)
                        .orElseGet(() -> f.end().map(e -> time(e.at())).orElse("")));
        row.put("by", f.end().map(Finding.End::by).orElse(""));
        return row;
    }

    private Map<String, Object> decision(Report.Decision decision) {
        var d = decision.decided();
        return Map.of(
                "at", time(d.at()),
                "who", d.who(),
                "decision",
                        d.decision()
                                + d.assignee().map(to -> " to " + to).orElse("")
                                + d.until()
                                        .map(last -> " until " + DAY.format(last))
                                        .orElse(""),
                "where", decision.finding().where(),
                "what", decision.finding().matter().title(),
                "because", d.because());
    }

    private Map<String, Object> part(Report.Part part, String unnamed) {
        return Map.of(
                "name",
                part.name().isEmpty() ? unnamed : part.name(),
                "opened",
                part.opened(),
                "ended",
                part.ended(),
                "atEnd",
                part.atEnd(),
                "highOrNone",
                part.high() == 0 ? "" : part.high(),
                "hours",
                part.hoursWithoutRecording() < 0.05 ? "" : decimal(part.hoursWithoutRecording(), 1));
    }

    /** Of a long span each bar is the worst day of several, so that they can be seen on paper. */
    private Map<String, Object> bars() {
        var days = report.days();
        int each = Math.max(1, (days.size() + 91) / 92);
        int most = days.stream().mapToInt(ReportHtml::all).max().orElse(0);
        List<Map<String, Object>> bars = new java.util.ArrayList<>();
        for (int i = 0; i < days.size(); i += each) {
            var day = days.subList(i, Math.min(days.size(), i + each)).stream()
                    .max(java.util.Comparator.comparing(ReportHtml::all))
                    .orElseThrow();
            bars.add(Map.of(
                    "words",
                    DAY.format(day.date()) + ": " + all(day) + " open, " + day.high() + " high",
                    "high",
                    height(day.high(), most),
                    "rest",
                    height(all(day) - day.high(), most)));
        }
        return Map.of(
                "days",
                bars,
                "most",
                most,
                "firstDay",
                DAY.format(report.span().first()),
                "lastDay",
                DAY.format(report.span().last()));
    }

    private static int all(Trend.Day day) {
        return day.high() + day.medium() + day.low();
    }

    private static String height(int part, int most) {
        return most == 0 ? "0" : decimal((double) BARS_MM * part / most, 2);
    }

    private String time(Instant at) {
        return TIME.format(at.atZone(zone));
    }

    private static String percent(double share) {
        return decimal(share, 1) + " %";
    }

    private static String decimal(double number, int places) {
        return BigDecimal.valueOf(number).setScale(places, RoundingMode.HALF_UP).toPlainString();
    }
}
