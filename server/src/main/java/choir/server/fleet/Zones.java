package choir.server.fleet;

import choir.fleet.Nearest;
import choir.server.web.Problem;
import java.time.DateTimeException;
import java.time.ZoneId;

/** Zones as people name them. */
public final class Zones {
    private Zones() {}

    public static ZoneId parse(String text) {
        try {
            return ZoneId.of(text.strip());
        } catch (DateTimeException e) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "\"" + text + "\" is no time zone; expected one such as Atlantic/Faroe"
                            + Nearest.hint(text, ZoneId.getAvailableZoneIds()));
        }
    }
}
