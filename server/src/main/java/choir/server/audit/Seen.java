package choir.server.audit;

import choir.drift.Cost;
import choir.drift.Deviation;
import choir.drift.Severity;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy.Blocked;
import choir.policy.PolicyOverride;
import choir.server.fleet.StoredRecorder;
import choir.server.standing.Standing;
import choir.week.PosixZone;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What one audit saw to be wrong, before it is compared with what was known.
 *
 * @param camera the camera's row, empty for what is wrong with a whole recorder
 */
record Seen(
        String recorder,
        Optional<Long> camera,
        String key,
        String cause,
        Cost cost,
        Severity severity,
        String sentence,
        Optional<String> desired,
        Optional<String> observed) {
    private static final long CLOCK_TOLERANCE_SECONDS = 30;

    static List<Seen> of(Standing standing) {
        List<Seen> seen = new ArrayList<>();
        for (var d : standing.deviations()) {
            if (d.cause().isDeviation()) {
                seen.add(of(standing, d));
            }
        }
        standing.policy()
                .areas()
                .ifPresent(areas -> areas.byName().forEach((name, area) -> {
                    if (area.shape().isEmpty()) {
                        seen.add(shapeless(standing, name));
                    }
                }));
        for (var blocked : standing.policy().blocked()) {
            seen.add(of(standing, blocked));
        }
        return seen;
    }

    private static Seen of(Standing standing, Deviation d) {
        return new Seen(
                standing.recorder().name(),
                Optional.of(standing.camera().id()),
                d.key().text(),
                d.cause().words(),
                d.cost(),
                d.severity(),
                d.sentence(),
                d.desired().map(NativeValue::text),
                d.observed().map(NativeValue::text));
    }

    private static Seen shapeless(Standing standing, String area) {
        return new Seen(
                standing.recorder().name(),
                Optional.of(standing.camera().id()),
                "shapeless " + Catalogue.AREAS,
                "without a shape",
                Cost.NONE,
                Severity.LOW,
                "The area \"" + area + "\" has no shape in any layer, so nothing follows from it.",
                Optional.empty(),
                Optional.empty());
    }

    private static Seen of(Standing standing, Blocked blocked) {
        return new Seen(
                standing.recorder().name(),
                Optional.of(standing.camera().id()),
                "blocked " + blocked.key().text(),
                "blocked",
                Cost.NONE,
                Severity.LOW,
                "What the " + blocked.origin().text() + " says of " + blocked.key() + " has no effect: the "
                        + blocked.fixedBy().text() + " fixes it.",
                Optional.empty(),
                Optional.empty());
    }

    static Seen expired(Standing standing, PolicyOverride override) {
        return new Seen(
                standing.recorder().name(),
                Optional.of(standing.camera().id()),
                "expired " + override.key(),
                "expired",
                Cost.NONE,
                Severity.LOW,
                "The override of " + override.key() + " ended on "
                        + override.until().map(Object::toString).orElse("") + " and no longer counts (it was for: "
                        + override.because() + ").",
                Optional.empty(),
                Optional.empty());
    }

    /** The device's rule for its wall clock against the zone that was entered. */
    static Optional<Seen> zone(StoredRecorder recorder, String posix, Instant now) {
        var zone = ZoneId.of(recorder.zone());
        return PosixZone.parse(posix)
                .flatMap(rule -> rule.firstDifference(zone, now))
                .map(at -> new Seen(
                        recorder.name(),
                        Optional.empty(),
                        "zone",
                        "wrong zone",
                        Cost.NONE,
                        Severity.MEDIUM,
                        "The recorder goes by " + posix + ", which is not " + recorder.zone()
                                + ": from " + at.atZone(zone).toLocalDateTime().truncatedTo(ChronoUnit.MINUTES)
                                + " every schedule runs at another hour than the policy means.",
                        Optional.of(recorder.zone()),
                        Optional.of(posix)));
    }

    static Seen unread(String recorder, String why) {
        return new Seen(
                recorder,
                Optional.empty(),
                "reading",
                "not read",
                Cost.NONE,
                Severity.MEDIUM,
                why,
                Optional.empty(),
                Optional.empty());
    }

    static Optional<Seen> clock(String recorder, long secondsAhead) {
        if (Math.abs(secondsAhead) <= CLOCK_TOLERANCE_SECONDS) {
            return Optional.empty();
        }
        var amount =
                String.format(Locale.ROOT, "%d min %02d s", Math.abs(secondsAhead) / 60, Math.abs(secondsAhead) % 60);
        var side = secondsAhead > 0 ? "fast" : "slow";
        return Optional.of(new Seen(
                recorder,
                Optional.empty(),
                "clock",
                "clock",
                new Cost(0, 0, "", 0),
                Severity.MEDIUM,
                "The clock is " + amount + " " + side + ", so every schedule of this recorder runs at the wrong time.",
                Optional.empty(),
                Optional.of(amount + " " + side)));
    }
}
