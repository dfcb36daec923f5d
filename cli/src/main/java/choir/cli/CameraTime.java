package choir.cli;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;

/** Times at a camera, by the wall clock of its recorder. */
final class CameraTime {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss");
    private static final DateTimeFormatter DAY_AND_TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss");

    private final ZoneId zone;

    private CameraTime(ZoneId zone) {
        this.zone = zone;
    }

    static CameraTime of(Client service, String camera) {
        var row = service.get(Client.camera(camera)).path("row");
        var recorder = service.get("/api/v1/recorders/" + Client.encode(Listing.text(row, "recorder")));
        return new CameraTime(zone(Listing.text(recorder, "zone")));
    }

    /** A recorder whose zone nobody entered is told in this machine's. */
    static ZoneId zone(String text) {
        return text.isEmpty() ? ZoneId.systemDefault() : ZoneId.of(text);
    }

    /** @param day on which a time without a date lies */
    Instant parse(String text, LocalDate day) {
        var trimmed = text.strip().replace(' ', 'T');
        try {
            if (trimmed.matches("\\d{1,2}:\\d{2}(:\\d{2}(\\.\\d{1,3})?)?")) {
                var time = LocalTime.parse(trimmed.indexOf(':') == 1 ? "0" + trimmed : trimmed);
                return day.atTime(time).atZone(zone).toInstant();
            }
            return trimmed.matches(".*(Z|[+-]\\d{2}:\\d{2})$")
                    ? OffsetDateTime.parse(trimmed).toInstant()
                    : LocalDateTime.parse(trimmed).atZone(zone).toInstant();
        } catch (DateTimeException e) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "\"" + text + "\" is no time; expected 14:02, \"2027-01-14 14:02\" or 2027-01-14T14:02:00Z");
        }
    }

    LocalDate day(Instant instant) {
        return instant.atZone(zone).toLocalDate();
    }

    LocalDate today() {
        return LocalDate.now(zone);
    }

    String time(Instant instant) {
        return TIME.format(instant.atZone(zone));
    }

    String dayAndTime(Instant instant) {
        return DAY_AND_TIME.format(instant.atZone(zone));
    }
}
