package choir.cli;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "history",
        description = "What its recorder recorded of a camera on a day, and when its detection saw motion.")
final class CameraHistory extends Act {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);

    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(
            names = "--day",
            paramLabel = "DATE",
            description = "by the recorder's own calendar, such as 2027-01-14; today when not said")
    private @Nullable String day;

    @Mixin
    private Listing listing = new Listing();

    private record Line(Instant from, Instant until, String what) {
        Duration length() {
            return Duration.between(from, until);
        }
    }

    @Override
    int run(Client service) {
        var row = service.get(Client.camera(camera)).path("row");
        var recorder = service.get("/api/v1/recorders/" + Client.encode(Listing.text(row, "recorder")));
        var zone = CameraTime.zone(Listing.text(recorder, "zone"));
        var date = date(zone);
        var from = date.atStartOfDay(zone).toInstant();
        var end = date.plusDays(1).atStartOfDay(zone).toInstant();
        var until = end.isAfter(Instant.now()) ? Instant.now() : end;
        if (!from.isBefore(until)) {
            throw new Failure(Failure.FAILED, date + " has not begun at " + camera);
        }
        var view = service.get(Client.camera(camera) + "/history?from=" + Client.encode(from.toString()) + "&until="
                + Client.encode(until.toString()));
        if (listing.isForPrograms(out(), view, () -> Records.kinds(view, "recorded", "motion"))) {
            return Failure.DONE;
        }
        say(Listing.text(row, "camera") + "  " + Listing.text(row, "label") + ", " + date.format(DAY) + " (" + zone
                + ")");
        var recorded = lines(view, "recorded");
        var motion = lines(view, "motion");
        say("recorded  "
                + (view.has("recorded")
                        ? total(recorded) + " of "
                                + words(Duration.between(from, Instant.parse(Listing.text(view, "until"))))
                        : "not known"));
        say("motion    "
                + (view.has("motion") ? Texts.count(motion.size(), "time") + ", " + total(motion) : "not known"));
        var all = new ArrayList<>(recorded);
        all.addAll(motion);
        all.sort(Comparator.comparing(Line::from).thenComparing(Line::what, Comparator.reverseOrder()));
        if (!all.isEmpty()) {
            say("");
            var table = new Table("from", "until", "length", "what");
            all.forEach(l -> table.row(
                    TIME.format(l.from().atZone(zone)),
                    l.until().equals(end) ? "24:00:00" : TIME.format(l.until().atZone(zone)),
                    words(l.length()),
                    l.what()));
            table.print(out(), Table.terminalWidth());
        }
        return Failure.DONE;
    }

    private LocalDate date(ZoneId zone) {
        try {
            return day == null ? LocalDate.now(zone) : LocalDate.parse(day);
        } catch (DateTimeException e) {
            throw new Failure(Failure.FAILED, "\"" + day + "\" is no date; expected a form like 2027-01-14");
        }
    }

    private static List<Line> lines(JsonNode view, String what) {
        List<Line> lines = new ArrayList<>();
        for (var span : view.path(what)) {
            lines.add(new Line(
                    Instant.parse(Listing.text(span, "from")), Instant.parse(Listing.text(span, "until")), what));
        }
        return lines;
    }

    private static String total(List<Line> lines) {
        return words(lines.stream().map(Line::length).reduce(Duration.ZERO, Duration::plus));
    }

    /** To two units, as people say it. */
    private static String words(Duration length) {
        if (length.toHours() > 0) {
            return length.toHours() + " h" + (length.toMinutesPart() > 0 ? " " + length.toMinutesPart() + " min" : "");
        }
        if (length.toMinutes() > 0) {
            return length.toMinutes() + " min"
                    + (length.toSecondsPart() > 0 ? " " + length.toSecondsPart() + " s" : "");
        }
        return length.toSeconds() + " s";
    }
}
