package choir.server.clip;

import choir.footage.Look;
import choir.motion.Agreement;
import choir.motion.Oddity;
import choir.motion.Step;
import choir.motion.Suggestion;
import choir.motion.Trial.Report;
import choir.motion.Trial.Seen;
import choir.scale.Decimals;
import choir.trial.DeviceMotion;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** What trials and suggestions come to, as the interface tells it. Levels and thresholds are percent of what is watched. */
final class TrialViews {
    /**
     * @param sensitivity 0 to 100, or {@code auto}; of the first area where they have values of their own
     * @param step of luminance; missing where it follows the noise
     * @param threshold percent
     * @param areas of a device whose areas have values of their own; missing where the picture is one
     * @param picturesPerSecond that were looked at, of that size
     * @param effort how many times the pixels that are usually looked at; missing where it is as usual
     * @param assumed in words, what the device does not hold or did not tell
     */
    public record TriedSetting(
            String name,
            String sensitivity,
            @Nullable Integer step,
            double threshold,
            @Nullable List<TriedArea> areas,
            double picturesPerSecond,
            String size,
            @Nullable Double effort,
            boolean detection,
            double onDelaySeconds,
            double offDelaySeconds,
            double beforeSeconds,
            double afterSeconds,
            List<String> assumed) {}

    /** One area of a device, as {@link TriedSetting}. */
    public record TriedArea(
            String name, String sensitivity, @Nullable Integer step, double threshold) {}

    /**
     * @param area in which it is seen best; missing where the picture is one
     * @param level the strongest that lasted for on-delay; a threshold above it loses the moment
     * @param threshold of that area, percent
     * @param at when that was; missing when there is no picture of it
     * @param over whether it begins motion
     */
    public record SeenMark(
            String word,
            String from,
            String until,
            @Nullable String area,
            double level,
            double threshold,
            @Nullable String at,
            boolean over) {}

    /**
     * @param wanted weakest first
     * @param unwanted strongest first
     * @param falseStartsAnHour missing when nothing is marked as unwanted
     * @param margin by what factor it is from its first mistake; missing without marks
     * @param decisive the moment by which it stands or falls
     */
    public record TrialReport(
            TriedSetting setting,
            List<SeenMark> wanted,
            List<SeenMark> unwanted,
            int missed,
            int falseStarts,
            @Nullable Double falseStartsAnHour,
            int events,
            double recordedSeconds,
            double watchedSeconds,
            @Nullable Double margin,
            @Nullable SeenMark decisive) {}

    /**
     * @param share percent of the events of either that both have
     * @param judge {@code model}, or {@code recorder} when the two see things too differently
     * @param delaySeconds by how much the recorder was usually later
     */
    public record AgreementView(
            int recorderEvents,
            int modelEvents,
            int recorderOnly,
            int modelOnly,
            @Nullable Double share,
            String judge,
            @Nullable Double delaySeconds) {}

    /** @param ignore rows of {@code #} and {@code .}, where # is left out */
    public record Ignored(List<String> ignore, TrialReport report) {}

    /**
     * @param best missing when no moment is marked as wanted
     * @param against in words, which unwanted mark no setting parts from which wanted one
     */
    public record SuggestionView(
            String camera,
            List<Long> clips,
            @Nullable TrialReport now,
            @Nullable TrialReport best,
            @Nullable String against,
            @Nullable Ignored area,
            String said) {}

    private TrialViews() {}

    static TriedSetting setting(String name, DeviceMotion motion) {
        return setting(name, motion, Passes.USUAL);
    }

    static TriedSetting setting(String name, DeviceMotion motion, Look look) {
        var s = motion.setting();
        var first = motion.areas().getFirst();
        double effort = look.pixels() * look.perSecond() / (Passes.USUAL.pixels() * Passes.USUAL.perSecond());
        return new TriedSetting(
                name,
                sensitivity(first),
                step(first),
                percent(first.threshold()),
                motion.byArea()
                        ? motion.areas().stream()
                                .map(a -> new TriedArea(a.name(), sensitivity(a), step(a), percent(a.threshold())))
                                .toList()
                        : null,
                look.perSecond(),
                look.width() + "x" + look.height(),
                effort == 1 ? null : effort,
                motion.detects(),
                seconds(s.onDelay()),
                seconds(s.offDelay()),
                seconds(s.before()),
                seconds(s.after()),
                motion.assumed());
    }

    private static String sensitivity(DeviceMotion.Area area) {
        return area.sensitivity().map(BigDecimal::toPlainString).orElse("auto");
    }

    private static @Nullable Integer step(DeviceMotion.Area area) {
        return area.step() instanceof Step.Fixed fixed ? fixed.luminance() : null;
    }

    static TrialReport report(TriedSetting setting, Report r) {
        return new TrialReport(
                setting,
                r.wanted().stream().map(TrialViews::seen).toList(),
                r.unwanted().stream().map(TrialViews::seen).toList(),
                r.missed().size(),
                r.falseStarts(),
                rounded(r.falseStartsAnHour()),
                r.events().size(),
                seconds(r.recorded()),
                seconds(r.watched()),
                rounded(r.margin()),
                r.decisive().map(TrialViews::seen).orElse(null));
    }

    private static SeenMark seen(Seen seen) {
        return new SeenMark(
                seen.mark().word(),
                seen.mark().from().toString(),
                seen.mark().until().toString(),
                optional(seen.area()).orElse(null),
                percent(seen.strongest()),
                percent(seen.threshold()),
                seen.at().map(Instant::toString).orElse(null),
                seen.over());
    }

    static AgreementView agreement(Agreement a) {
        var share = a.share();
        return new AgreementView(
                a.recorder(),
                a.model(),
                a.recorder() - a.recorderSeen(),
                a.model() - a.modelSeen(),
                share.isPresent() ? percent(share.getAsDouble()) : null,
                share.orElse(1) < Agreement.ENOUGH ? "recorder" : "model",
                a.delay().map(TrialViews::seconds).orElse(null));
    }

    static String against(Suggestion.Against a) {
        return "\"" + a.unwanted().mark().word() + "\" (unwanted, "
                + words(a.unwanted().strongest())
                + ") is stronger than \"" + a.wanted().mark().word() + "\" (wanted, "
                + words(a.wanted().strongest())
                + ")";
    }

    /** What somebody who judges by this footage has to know. */
    static String said(Oddity oddity, ZoneId zone) {
        var from = clock(oddity.from(), zone);
        var until = clock(oddity.until(), zone);
        return switch (oddity.kind()) {
            case BLACK ->
                "the pictures are black from " + from + " to " + until + "; nobody is seen there at any setting";
            case STILL ->
                "nothing changes in any picture from " + from + " to " + until
                        + "; the camera may be stuck, and no setting is tried by it";
            case MOVED ->
                "the whole picture is another from " + from
                        + " on: the camera was moved, or a light switched; what counts before and after are two scenes";
            case GAP -> "there are no pictures from " + from + " to " + until + "; what happened there is not known";
        };
    }

    private static String clock(Instant at, ZoneId zone) {
        return DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT).format(at.atZone(zone));
    }

    static String words(double share) {
        return Decimals.plain(BigDecimal.valueOf(percent(share))).toPlainString() + " %";
    }

    /** Three digits are enough for a share. */
    static double percent(double share) {
        return rounded(share * 100);
    }

    static double rounded(double number) {
        return new BigDecimal(number).round(new MathContext(3)).doubleValue();
    }

    private static @Nullable Double rounded(OptionalDouble number) {
        return number.isEmpty() || Double.isInfinite(number.getAsDouble()) ? null : rounded(number.getAsDouble());
    }

    static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    static Optional<String> optional(@Nullable String text) {
        return Optional.ofNullable(text).filter(t -> !t.isBlank());
    }
}
