package choir.server.clip;

import choir.motion.Agreement;
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
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** What trials and suggestions come to, as the interface tells it. Levels and thresholds are percent of what is watched. */
final class TrialViews {
    /**
     * @param sensitivity 0 to 100, or {@code auto}
     * @param step of luminance; missing where it follows the noise
     * @param threshold percent
     * @param assumed in words, what the device does not hold or did not tell
     */
    public record TriedSetting(
            String name,
            String sensitivity,
            @Nullable Integer step,
            double threshold,
            boolean detection,
            double onDelaySeconds,
            double offDelaySeconds,
            double beforeSeconds,
            double afterSeconds,
            List<String> assumed) {}

    /**
     * @param level the strongest that lasted for on-delay; a threshold above it loses the moment
     * @param at when that was; missing when there is no picture of it
     * @param over whether it begins motion
     */
    public record SeenMark(
            String word,
            String from,
            String until,
            double level,
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
        var s = motion.setting();
        return new TriedSetting(
                name,
                motion.sensitivity().map(BigDecimal::toPlainString).orElse("auto"),
                s.step() instanceof Step.Fixed fixed ? fixed.luminance() : null,
                percent(s.threshold()),
                motion.detects(),
                seconds(s.onDelay()),
                seconds(s.offDelay()),
                seconds(s.before()),
                seconds(s.after()),
                motion.assumed());
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
                percent(seen.strongest()),
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

    static String words(double share) {
        return Decimals.plain(BigDecimal.valueOf(percent(share))).toPlainString() + " %";
    }

    /** Three digits are enough for a share. */
    static double percent(double share) {
        return new BigDecimal(share * 100).round(new MathContext(3)).doubleValue();
    }

    private static @Nullable Double rounded(OptionalDouble number) {
        return number.isEmpty() || Double.isInfinite(number.getAsDouble())
                ? null
                : new BigDecimal(number.getAsDouble()).round(new MathContext(3)).doubleValue();
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    static Optional<String> optional(@Nullable String text) {
        return Optional.ofNullable(text).filter(t -> !t.isBlank());
    }
}
