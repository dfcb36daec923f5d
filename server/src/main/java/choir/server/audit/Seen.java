package choir.server.audit;

import choir.drift.Cost;
import choir.drift.Deviation;
import choir.drift.Severity;
import choir.family.NativeValue;
import choir.policy.EffectivePolicy.Blocked;
import choir.server.standing.Standing;
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
