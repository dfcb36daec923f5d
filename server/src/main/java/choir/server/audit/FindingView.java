package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.fleet.Node;
import choir.policy.SettingKey;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A finding as it is shown.
 *
 * @param camera as {@code haldr-1/07}; missing for what is wrong with a whole recorder
 * @param about what kind of thing: {@code value}, {@code area-without-shape}, {@code blocked}, {@code expired}, {@code
 *     not-read}, {@code clock} or {@code zone}
 * @param key the setting that it is about; missing when it is about none
 * @param acts what can be decided about it: {@code reapply}, {@code adopt}, {@code accept}
 * @param unit what loss and waste are counted in; missing when nothing is counted
 * @param desired in the recorder's own units
 * @param observed in the recorder's own units
 * @param endedBy {@code in tune again} or the decision that ended it
 * @param returns the earlier finding of the same thing, if there was one
 * @param acceptedUntil the last day on which an accepted one stays quiet
 * @param assignedTo who sees to it
 */
record FindingView(
        long id,
        String recorder,
        @Nullable String camera,
        String label,
        @Nullable String group,
        String about,
        @Nullable String key,
        String title,
        List<String> acts,
        String cause,
        String direction,
        BigDecimal loss,
        BigDecimal waste,
        @Nullable String unit,
        int minutesWithoutRecording,
        String severity,
        String sentence,
        @Nullable String desired,
        @Nullable String observed,
        String firstSeen,
        String lastSeen,
        long audit,
        @Nullable String endedAt,
        @Nullable String endedBy,
        @Nullable Long returns,
        @Nullable String acceptedUntil,
        @Nullable String assignedTo,
        @Nullable String assignedNote) {
    static FindingView of(Finding f) {
        return new FindingView(
                f.id(),
                f.recorder(),
                f.camera().map(Node.Camera::text).orElse(null),
                f.label(),
                f.group().map(Node.Group::text).orElse(null),
                f.matter().about(),
                f.matter().setting().map(SettingKey::text).orElse(null),
                f.matter().title(),
                f.end().isPresent()
                        ? List.of()
                        : f.matter().acts().stream()
                                .map(a -> a.name().toLowerCase(Locale.ROOT))
                                .toList(),
                cause(f),
                f.costs().name(),
                f.distance().loss(),
                f.distance().waste(),
                unit(f.distance()),
                f.distance().minutesWithoutRecording(),
                f.severity().name(),
                f.sentence(),
                f.desired().orElse(null),
                f.observed().orElse(null),
                f.firstSeen().toString(),
                f.lastSeen().toString(),
                f.audit(),
                f.end().map(e -> e.at().toString()).orElse(null),
                f.end().map(Finding.End::by).orElse(null),
                f.returns().orElse(null),
                f.acceptedUntil().map(LocalDate::toString).orElse(null),
                f.assignment().map(Finding.Assignment::to).orElse(null),
                f.assignment().map(Finding.Assignment::note).orElse(null));
    }

    /** Why it is as it is, in a word or two. */
    static String cause(Finding f) {
        return f.cause().map(Cause::words).orElseGet(() -> causeOf(f.matter()));
    }

    private static @Nullable String unit(Distance distance) {
        return switch (distance) {
            case Distance.None n -> null;
            case Distance.Counted c -> c.measure().word();
            case Distance.OfWeek w -> "minutes a week";
        };
    }

    private static String causeOf(Matter matter) {
        return switch (matter) {
            case Matter.Value v -> "out of tune";
            case Matter.AreaWithoutShape a -> "without a shape";
            case Matter.Blocked b -> "blocked";
            case Matter.Expired e -> "expired";
            case Matter.Unsound u -> u.check().words();
            case Matter.Gone g -> "gone";
            case Matter.OddAnswer a -> "not understood";
            case Matter.AnotherDevice d -> "another device";
            case Matter.OtherCertificate c -> "other certificate";
            case Matter.Outlier o -> "far from its peers";
            case Matter.NotRecorded n -> "not recorded";
            case Matter.KeptShort k -> "kept too short";
            case Matter.NeverTriggers n -> "never triggers";
            case Matter.NoPicture p -> "no picture";
            case Matter.AlwaysTriggers a -> "always triggers";
            case Matter.Reset r -> "reset";
            case Matter.OtherOrder o -> "other channels";
            case Matter.Firmware f -> "firmware changed";
            case Matter.NotRead n -> "not read";
            case Matter.OtherRanges o -> "other ranges";
            case Matter.Clock c -> "clock";
            case Matter.Zone z -> "wrong zone";
            case Matter.NotUnderstood n -> "not understood";
        };
    }
}
