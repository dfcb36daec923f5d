package choir.server.audit;

import choir.activity.NotRecorded;
import choir.activity.Triggering;
import choir.drift.Cause;
import choir.drift.Deviation;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Peers;
import choir.drift.Severity;
import choir.drift.Soundness;
import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.fleet.Node;
import choir.policy.EffectivePolicy.Blocked;
import choir.policy.Origin;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.server.activity.Then;
import choir.server.standing.Standing;
import java.time.Duration;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What one audit saw to be wrong, before it is compared with what was known.
 *
 * @param cause why a value is as it is; empty when it is about something else
 * @param sentence what there is to say about it at this moment
 * @param desired as people read it
 * @param observed as people read it
 */
record Seen(
        Matter matter,
        Optional<Cause> cause,
        Distance distance,
        Severity severity,
        String sentence,
        Optional<String> desired,
        Optional<String> observed) {
    /** What the recorder was seen to hold otherwise than asked, or in a way that defeats itself. */
    static List<Seen> held(Standing standing, NativeConfig held, boolean reset) {
        List<Seen> seen = new ArrayList<>();
        for (var d : standing.deviations()) {
            // That a whole recorder was reset is said once, of the recorder.
            if (d.cause().isDeviation() && !reset) {
                seen.add(of(d));
            }
        }
        Soundness.of(held, standing.translation().wishes().keySet()).forEach(u -> seen.add(of(u, false)));
        if (!standing.row().notes().isEmpty()) {
            seen.add(about(
                    new Matter.OddAnswer(),
                    Severity.MEDIUM,
                    "The recorder said something that cannot be understood: "
                            + String.join("; ", standing.row().notes()) + "."));
        }
        return seen;
    }

    private static Seen of(Soundness.Unsound unsound, boolean asked) {
        return about(new Matter.Unsound(unsound.check(), asked), unsound.check().severity(), unsound.sentence() + ".");
    }

    /** What is wrong with what is asked, whether the recorder could be read or not. */
    static List<Seen> asked(Standing standing) {
        List<Seen> seen = new ArrayList<>();
        Soundness.of(standing.policy()).forEach(u -> seen.add(of(u, true)));
        Soundness.of(standing.policy(), standing.translation()).forEach(u -> seen.add(of(u, true)));
        standing.policy()
                .areas()
                .ifPresent(areas -> areas.byName().forEach((name, area) -> {
                    if (area.shape().isEmpty()) {
                        seen.add(shapeless(name));
                    }
                }));
        standing.policy().blocked().forEach(b -> seen.add(of(b)));
        return seen;
    }

    private static Seen of(Deviation d) {
        return new Seen(
                new Matter.Value(d.key()),
                Optional.of(d.cause()),
                d.distance(),
                d.severity(),
                d.sentence(),
                d.desired().map(v -> NativeText.beside(v, d.observed())),
                d.observed().map(v -> NativeText.beside(v, d.desired())));
    }

    private static Seen about(Matter matter, Severity severity, String sentence) {
        return new Seen(
                matter, Optional.empty(), Distance.none(), severity, sentence, Optional.empty(), Optional.empty());
    }

    private static Seen shapeless(String area) {
        return about(
                new Matter.AreaWithoutShape(area),
                Severity.LOW,
                "The area \"" + area + "\" has no shape in any layer, so nothing follows from it.");
    }

    private static Seen of(Blocked blocked) {
        return about(
                switch (blocked.origin()) {
                    case Origin.FromTemplate t ->
                        new Matter.Blocked(blocked.key(), t.node(), Optional.of(t.template()));
                    case Origin.FromOverride o -> new Matter.Blocked(blocked.key(), o.node(), Optional.empty());
                },
                Severity.LOW,
                "What the " + blocked.origin().text() + " says of " + blocked.key() + " has no effect: the "
                        + blocked.fixedBy().text() + " fixes it.");
    }

    /** @param perhaps another camera of the recorder with the same picture */
    static Seen gone(Node.Camera gone, Optional<Node.Camera> perhaps) {
        return about(
                new Matter.Gone(),
                Severity.HIGH,
                "The channel is no longer on the recorder; what it held before is not compared."
                        + perhaps.map(to -> " A picture of the same name is at " + to.text()
                                        + "; if it is this one, say so with: choir camera move-channel " + gone.text()
                                        + " " + to.text())
                                .orElse(""));
    }

    static Seen reset(String recorder, int cameras) {
        return about(
                new Matter.Reset(),
                Severity.HIGH,
                "All " + cameras
                        + " cameras of the recorder hold factory values again, at once: it was reset. Nothing of"
                        + " the policy is left on it; see: choir preview recorder:" + recorder);
    }

    static Seen otherOrder(String why) {
        return about(new Matter.OtherOrder(), Severity.HIGH, capital(why) + ".");
    }

    static Seen outlier(SettingKey key, Peers.Outlier outlier) {
        return new Seen(
                new Matter.Outlier(key),
                Optional.empty(),
                Distance.none(),
                Severity.LOW,
                "It is " + outlier.value().toPlainString() + " here, and "
                        + outlier.median().stripTrailingZeros().toPlainString() + " in the middle of its "
                        + outlier.members() + " peers (same group and family); no policy says why.",
                Optional.empty(),
                Optional.of(outlier.value().toPlainString()));
    }

    /**
     * @param seconds that are missing over the last days
     * @param days on so many of them
     * @param longest of all gaps
     * @param together other cameras of the recorder that have nothing at that time either
     */
    static Seen notRecorded(long seconds, int days, int gaps, NotRecorded.Gap longest, int together, ZoneId zone) {
        var begin = longest.span().begin().atZone(zone);
        var end = longest.span().end().atZone(zone);
        return about(
                new Matter.NotRecorded(),
                seconds >= 60 ? Severity.HIGH : Severity.MEDIUM,
                length(seconds) + " that had to be recorded " + (seconds == 1 ? "is" : "are") + " missing on " + days
                        + " of the last " + RecordedCheck.DAYS + " days"
                        + (gaps == 1
                                ? ": "
                                : ", in " + gaps + " gaps; the longest "
                                        + length(longest.span().seconds()) + ", ")
                        + begin.format(WHEN)
                        + (begin.format(TIME).equals(end.format(TIME)) ? "" : " to " + end.format(TIME)) + " ("
                        + longest.demanded().text() + "); " + Then.inWords(longest.cause()) + "."
                        + (together == 0
                                ? ""
                                : " " + together
                                        + (together == 1 ? " other camera has" : " other cameras have")
                                        + " nothing then either, so look at the recorder and its disks."));
    }

    static Seen keptShort(Then.Kept kept) {
        return about(
                new Matter.KeptShort(),
                Severity.HIGH,
                "The oldest footage is of " + kept.oldest().atZone(kept.zone()).format(WHEN) + ", " + kept.days()
                        + " days ago; the policy demands " + kept.demanded() + " days.");
    }

    /** @param hours recorded in the last days */
    static Seen noPicture(long hours) {
        return about(
                new Matter.NoPicture(),
                Severity.MEDIUM,
                "It recorded for " + hours + (hours == 1 ? " hour" : " hours") + " in the last " + RecordedCheck.DAYS
                        + " days, in which its detection saw nothing, and its picture shows nothing: no camera, a broken"
                        + " one, or a covered lens.");
    }

    /** @param alike in what its peers are like it */
    static Seen triggering(Triggering.Odd odd, String alike) {
        return switch (odd) {
            case Triggering.Odd.Never(double median, int peers) ->
                about(
                        new Matter.NeverTriggers(),
                        Severity.HIGH,
                        "Its detection saw nothing in the last " + RecordedCheck.DAYS + " days; in the middle of its "
                                + peers + " peers (" + alike + ") it saw "
                                + Math.round(median) + " movements a day.");
            case Triggering.Odd.Always(double share, double median, int peers) ->
                about(
                        new Matter.AlwaysTriggers(),
                        Severity.LOW,
                        "It recorded by motion for " + Math.round(100 * share) + " % of the time in the last "
                                + RecordedCheck.DAYS + " days; in the middle of its " + peers
                                + " peers (" + alike + ") " + Math.round(100 * median) + " %.");
        };
    }

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("EEE d MMM HH:mm", java.util.Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");

    private static String length(long seconds) {
        long minutes = Math.round(seconds / 60.0);
        if (seconds < 100) {
            return seconds + " s";
        }
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h " + minutes % 60 + " min";
    }

    static Seen otherCertificate(String why) {
        return about(new Matter.OtherCertificate(), Severity.HIGH, capital(why) + ".");
    }

    static Seen anotherDevice(String why) {
        return about(new Matter.AnotherDevice(), Severity.HIGH, capital(why) + ".");
    }

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + text.substring(1);
    }

    static Seen firmware(String before, String now) {
        return about(
                new Matter.Firmware(),
                Severity.LOW,
                "The firmware was " + before + " and is " + now + " now, so nothing that was verified before is trusted"
                        + " until it is seen to be in tune.");
    }

    static Seen otherRanges(String family, List<String> others) {
        return about(
                new Matter.OtherRanges(),
                Severity.MEDIUM,
                "It takes other values than its family " + family + " says: " + String.join("; ", others)
                        + ". What is given out may be refused or held otherwise until the family file is right.");
    }

    static Seen expired(PolicyOverride override) {
        return about(
                new Matter.Expired(override.key(), override.node()),
                Severity.LOW,
                "The override of " + override.key() + " ended on "
                        + override.until().map(Object::toString).orElse("") + " and no longer counts (it was for: "
                        + override.because() + ").");
    }

    static Seen unread(String why) {
        return about(new Matter.NotRead(), Severity.MEDIUM, "The recorder could not be read: " + why + ".");
    }

    static Seen zone(String zone, String posix, String from) {
        return new Seen(
                new Matter.Zone(),
                Optional.empty(),
                Distance.none(),
                Severity.MEDIUM,
                "The recorder goes by " + posix + ", which is not " + zone + ": from " + from
                        + " every schedule runs at another hour than the policy means.",
                Optional.of(zone),
                Optional.of(posix));
    }

    static Seen clock(Duration ahead) {
        var words = minutes(ahead.abs()) + (ahead.isNegative() ? " slow" : " fast");
        return new Seen(
                new Matter.Clock(),
                Optional.empty(),
                Distance.none(),
                Severity.MEDIUM,
                "The clock is " + words + ", so every schedule of this recorder runs at the wrong time.",
                Optional.empty(),
                Optional.of(words));
    }

    private static String minutes(Duration amount) {
        return "%d min %02d s".formatted(amount.toMinutes(), amount.toSecondsPart());
    }
}
