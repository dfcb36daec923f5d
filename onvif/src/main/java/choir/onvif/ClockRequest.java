package choir.onvif;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The request that sets a device's clock. */
final class ClockRequest {
    private ClockRequest() {}

    /**
     * Zone and daylight saving are sent as they were told, since the call sets them as well.
     *
     * @param said what the device tells of its clock
     */
    static Element byHand(Optional<Element> said, Instant moment) {
        List<Element> parts = new ArrayList<>();
        parts.add(Element.of(Namespaces.DEVICE, "DateTimeType", "Manual"));
        parts.add(Element.of(
                Namespaces.DEVICE,
                "DaylightSavings",
                said.flatMap(s -> s.textAt("DaylightSavings")).orElse("false")));
        said.flatMap(s -> s.child("TimeZone"))
                .ifPresent(zone -> parts.add(zone.renamed(Namespaces.DEVICE, "TimeZone")));
        parts.add(utc(moment));
        return Element.of(Namespaces.DEVICE, "SetSystemDateAndTime", parts.toArray(Element[]::new));
    }

    private static Element utc(Instant moment) {
        var now = moment.atOffset(ZoneOffset.UTC);
        return Element.of(
                Namespaces.DEVICE,
                "UTCDateTime",
                Element.of(
                        Namespaces.SCHEMA,
                        "Time",
                        part("Hour", now.getHour()),
                        part("Minute", now.getMinute()),
                        part("Second", now.getSecond())),
                Element.of(
                        Namespaces.SCHEMA,
                        "Date",
                        part("Year", now.getYear()),
                        part("Month", now.getMonthValue()),
                        part("Day", now.getDayOfMonth())));
    }

    private static Element part(String name, int number) {
        return Element.of(Namespaces.SCHEMA, name, Integer.toString(number));
    }
}
