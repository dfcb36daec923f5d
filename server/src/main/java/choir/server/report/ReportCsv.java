package choir.server.report;

import choir.policy.SettingKey;
import choir.server.audit.Finding;
import choir.server.paper.CsvCells;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Every finding of a report on a line of its own (RFC 4180), with instants, keys and units. */
final class ReportCsv {
    private static final CSVFormat FORM = CSVFormat.RFC4180
            .builder()
            .setHeader(
                    "id",
                    "recorder",
                    "camera",
                    "label",
                    "group",
                    "about",
                    "setting",
                    "cause",
                    "severity",
                    "direction",
                    "loss",
                    "waste",
                    "minutes_a_week_without_recording",
                    "sentence",
                    "ought_to_hold",
                    "holds",
                    "first_seen",
                    "last_seen",
                    "ended_at",
                    "ended_by",
                    "accepted_until",
                    "assigned_to",
                    "returns")
            .get();

    private ReportCsv() {}

    static String of(Report report) {
        var text = new StringBuilder();
        try (var csv = new CSVPrinter(text, FORM)) {
            for (var f : Stream.concat(report.open().stream(), report.ended().stream())
                    .toList()) {
                csv.printRecord(row(f).stream().map(CsvCells::harmless).toList());
            }
            return text.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> row(Finding f) {
        return List.of(
                Long.toString(f.id()),
                f.recorder(),
                f.camera().map(c -> c.text()).orElse(""),
                f.label(),
                f.group().map(g -> g.text()).orElse(""),
                f.matter().about(),
                f.matter().setting().map(SettingKey::text).orElse(""),
                f.why(),
                f.severity().word(),
                f.costs().name().toLowerCase(java.util.Locale.ROOT),
                f.distance().loss().toPlainString(),
                f.distance().waste().toPlainString(),
                Integer.toString(f.distance().minutesWithoutRecording()),
                f.sentence(),
                f.desired().orElse(""),
                f.observed().orElse(""),
                f.firstSeen().toString(),
                f.lastSeen().toString(),
                f.end().map(e -> e.at().toString()).orElse(""),
                f.end().map(Finding.End::by).orElse(""),
                f.acceptedUntil().map(LocalDate::toString).orElse(""),
                f.assignment().map(Finding.Assignment::to).orElse(""),
                f.returns().map(String::valueOf).orElse(""));
    }
}
