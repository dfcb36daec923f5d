package choir.drift;

import choir.family.NativeText;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.week.WallClock.SpecialDay;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says in a sentence what a comparison found. */
public final class Wording {
    private Wording() {}

    static String sentence(
            SettingKey key, Cause cause, NativeValue desired, Optional<NativeValue> observed, Distance distance) {
        var title = Catalogue.get(key).title();
        return switch (cause) {
            case IN_TUNE -> title + " is in tune.";
            case UNKNOWN -> title + " could not be read.";
            case CANNOT_HONOUR -> title + " cannot be honoured.";
            case DID_NOT_TAKE, NEVER_TUNED, NEVER_GIVEN_OUT, CHANGED_AT_RECORDER, WAITING, CHANGED_ON_BOTH_SIDES ->
                title + " " + amount(desired, observed, distance) + "; " + cause.words() + ".";
        };
    }

    private static String amount(NativeValue desired, Optional<NativeValue> observed, Distance distance) {
        var held = observed.map(NativeText::of).orElse("unknown");
        var asked = NativeText.of(desired);
        return switch (desired) {
            case NativeValue.Flag f -> "is " + held + " and ought to be " + asked + without(distance);
            case NativeValue.Single s ->
                number(distance, isMore(observed, s)) + " (" + held + ", ought to be " + asked + ")";
            case NativeValue.PerArea p -> number(distance, false) + " (" + held + ", ought to be " + asked + ")";
            case NativeValue.Mask m -> cells(distance);
            case NativeValue.Zones z ->
                distance.direction() == Distance.Direction.NONE
                        ? "are named or drawn otherwise than asked, and cover the same cells"
                        : cells(distance);
            case NativeValue.Levels l ->
                "is " + held + " and ought to be " + asked + "; it differs for "
                        + duration(distance.loss().max(distance.waste()).intValue()) + " a week";
            case NativeValue.SpecialDays(var want) ->
                specialDays(
                        want, observed.orElse(null) instanceof NativeValue.SpecialDays(var have) ? have : List.of());
            case NativeValue.Hours h -> week(distance);
        };
    }

    private static String cells(Distance distance) {
        var lost = count(distance.loss(), "cell");
        var gained = count(distance.waste(), "cell");
        return switch (distance.direction()) {
            case NONE -> "are on another grid than asked";
            case WASTE -> "cover " + gained + " too many";
            case LOSS -> "miss " + lost + " that ought to be watched";
            case BOTH -> "miss " + lost + " that ought to be watched and cover " + gained + " too many";
        };
    }

    private static String specialDays(List<SpecialDay> want, List<SpecialDay> have) {
        List<String> words = new ArrayList<>();
        var held = have.stream().map(SpecialDay::calendar).toList();
        var asked = want.stream().map(SpecialDay::calendar).toList();
        list("lack ", asked.stream().filter(c -> !held.contains(c)).toList(), words);
        list("have beside ", held.stream().filter(c -> !asked.contains(c)).toList(), words);
        list(
                "have other dates or another plan for ",
                want.stream()
                        .filter(w -> held.contains(w.calendar()) && !have.contains(w))
                        .map(SpecialDay::calendar)
                        .toList(),
                words);
        return words.isEmpty() ? "stand in another order than asked" : String.join(" and ", words);
    }

    private static void list(String words, List<String> calendars, List<String> to) {
        if (!calendars.isEmpty()) {
            to.add(words + String.join(", ", calendars));
        }
    }

    private static boolean isMore(Optional<NativeValue> held, NativeValue.Single desired) {
        return held.orElse(null) instanceof NativeValue.Single(NativeScalar.Number(var have))
                && desired.scalar() instanceof NativeScalar.Number(var want)
                && have.compareTo(want) > 0;
    }

    private static String number(Distance distance, boolean more) {
        return distance instanceof Distance.Counted counted && counted.direction() != Distance.Direction.NONE
                ? counted(counted, more)
                : "is not as asked";
    }

    private static String counted(Distance.Counted distance, boolean more) {
        boolean loses = distance.loses();
        var size = distance.loss().max(distance.waste());
        return switch (distance.measure()) {
            case STEPS -> "is " + count(size, "step") + (loses ? " less" : " more") + " sensitive than asked";
            case PERCENT ->
                "reacts at " + size.toPlainString() + " % of the area " + (loses ? "more" : "less") + " than asked";
            case THRESHOLD_STEPS -> "reacts " + count(size, "step") + (loses ? " later" : " sooner") + " than asked";
            case PIXELS -> "reacts " + count(size, "pixel") + (loses ? " later" : " sooner") + " than asked";
            case CELLS -> "reacts " + count(size, "cell") + (loses ? " later" : " sooner") + " than asked";
            case SECONDS, DAYS, MILLISECONDS ->
                "is " + size.toPlainString() + " " + distance.measure().word() + (more ? " longer" : " shorter")
                        + " than asked";
            case FRAMES_A_SECOND, ANALYSES_A_SECOND ->
                "is " + size.toPlainString() + " " + distance.measure().word() + (more ? " higher" : " lower")
                        + " than asked";
            case WATCHED_CELLS, CALENDARS, SWITCHES -> "is not as asked";
        };
    }

    private static String count(BigDecimal size, String thing) {
        return size.toPlainString() + " " + thing + (size.compareTo(BigDecimal.ONE) == 0 ? "" : "s");
    }

    private static String week(Distance distance) {
        int loss = distance.loss().intValue();
        int waste = distance.waste().intValue();
        return switch (distance.direction()) {
            case LOSS ->
                loss == distance.minutesWithoutRecording()
                        ? "records nothing for " + duration(loss) + " a week in which it ought to"
                        : "records less for " + duration(loss) + " a week" + without(distance);
            case WASTE -> "records more than asked for " + duration(waste) + " a week";
            case BOTH ->
                "records otherwise than asked, less for " + duration(loss) + " and more for " + duration(waste)
                        + " a week" + without(distance);
            case NONE -> "is not as asked";
        };
    }

    private static String without(Distance distance) {
        return distance.minutesWithoutRecording() == 0
                ? ""
                : ", " + duration(distance.minutesWithoutRecording()) + " a week without recording";
    }

    /** {@code 45 min}, {@code 24 h} or {@code 26 h 30 min}. */
    public static String duration(int minutes) {
        int hours = minutes / 60;
        int rest = minutes % 60;
        return hours == 0 ? rest + " min" : hours + " h" + (rest == 0 ? "" : " " + rest + " min");
    }
}
