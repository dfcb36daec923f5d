package choir.week;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.Optional;

/** Which time zone a recorder is likely to be meant for, from the rule that its clock goes by. */
public final class ZoneProposal {
    private ZoneProposal() {}

    /**
     * The fleet's own zone if its rule is the same, or when the recorder only leaves out the daylight saving of it, which is
     * then told as a difference; else the first zone with this rule, those of the fleet's own part of the world before others;
     * else the plain offset. A rule without daylight saving names no place at all.
     *
     * @param rule empty when the recorder states none that can be understood
     */
    public static ZoneId of(Optional<PosixZone> rule, ZoneId own, Instant now) {
        if (rule.isEmpty() || agrees(rule.get(), own, now)) {
            return own;
        }
        var offset = rule.get().offset(now);
        if (!rule.get().savesDaylight()) {
            boolean sameWinter = own.getRules().getStandardOffset(now).getTotalSeconds() == offset.toSeconds();
            return sameWinter ? own : plain(ZoneOffset.ofTotalSeconds((int) offset.toSeconds()));
        }
        var here = own.getId().split("/", 2)[0] + "/";
        return ZoneId.getAvailableZoneIds().stream()
                .filter(id ->
                        id.matches("(Africa|America|Antarctica|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.*"))
                .sorted(Comparator.comparing((String id) -> !id.startsWith(here))
                        .thenComparing(Comparator.naturalOrder()))
                .map(ZoneId::of)
                .filter(zone -> agrees(rule.get(), zone, now))
                .findFirst()
                .orElse(own);
    }

    private static ZoneId plain(ZoneOffset offset) {
        return offset.getTotalSeconds() == 0 ? ZoneId.of("UTC") : ZoneId.of("UTC" + offset.getId());
    }

    private static boolean agrees(PosixZone rule, ZoneId zone, Instant now) {
        return rule.firstDifference(zone, now).isEmpty();
    }
}
