package choir.drift;

import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.week.WallClock.SpecialDay;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says in a sentence what a comparison found. */
public final class Wording {
    private Wording() {}

    static String sentence(
            SettingKey key, Cause cause, NativeValue desired, Optional<NativeValue> observed, Cost cost) {
        var title = Catalogue.get(key).title();
        return switch (cause) {
            case IN_TUNE -> title + " is in tune.";
            case UNKNOWN -> title + " could not be read.";
            case CANNOT_HONOUR -> title + " cannot be honoured.";
            case DID_NOT_TAKE, NEVER_TUNED, NEVER_GIVEN_OUT, CHANGED_AT_RECORDER, WAITING, CHANGED_ON_BOTH_SIDES ->
                title + " " + amount(desired, observed, cost) + "; " + cause.words() + ".";
        };
    }

    private static String amount(NativeValue desired, Optional<NativeValue> observed, Cost cost) {
        var held = observed.map(NativeValue::text).orElse("unknown");
        return switch (desired) {
            case NativeValue.Flag f -> "is " + held + " and ought to be " + f.text() + without(cost);
            case NativeValue.Item i ->
                number(cost, isMore(held, i.text())) + " (" + held + ", ought to be " + i.text() + ")";
            case NativeValue.Mask m ->
                cost.loss() == 0
                        ? "cover " + cost.waste() + " cells too many"
                        : "miss " + cost.loss() + " cells that ought to be watched"
                                + (cost.waste() > 0 ? " and cover " + cost.waste() + " too many" : "");
            case NativeValue.Zones z ->
                cost.loss() + cost.waste() == 0
                        ? "are named or drawn otherwise than asked, and cover the same cells"
                        : "miss " + count(cost.loss(), "cell") + " that ought to be watched and cover " + cost.waste()
                                + " too many";
            case NativeValue.Levels l ->
                "is " + held + " and ought to be " + l.text() + "; it differs for "
                        + duration(Math.max(cost.loss(), cost.waste())) + " a week";
            case NativeValue.SpecialDays d ->
                specialDays(
                        d.days(),
                        observed.map(o -> ((NativeValue.SpecialDays) o).days()).orElse(List.of()));
            case NativeValue.Hours h -> week(cost);
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

    private static String number(Cost cost, boolean more) {
        int size = Math.max(cost.loss(), cost.waste());
        return switch (cost.unit()) {
            case "steps" ->
                "is " + count(size, "step") + (cost.loss() > 0 ? " less" : " more") + " sensitive than asked";
            case "percent" ->
                "reacts at " + size + " % of the area " + (cost.loss() > 0 ? "more" : "less") + " than asked";
            case "threshold steps" ->
                "reacts " + count(size, "step") + (cost.loss() > 0 ? " later" : " sooner") + " than asked";
            case "pixels" ->
                "reacts " + count(size, "pixel") + (cost.loss() > 0 ? " later" : " sooner") + " than asked";
            case "cells" -> "reacts " + count(size, "cell") + (cost.loss() > 0 ? " later" : " sooner") + " than asked";
            case "" -> "is not as asked";
            case "s", "d", "ms" -> "is " + size + " " + cost.unit() + (more ? " longer" : " shorter") + " than asked";
            default -> "is " + size + " " + cost.unit() + (more ? " higher" : " lower") + " than asked";
        };
    }

    private static boolean isMore(String held, String desired) {
        try {
            return new BigDecimal(held).compareTo(new BigDecimal(desired)) > 0;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static String count(int size, String thing) {
        return size + " " + thing + (size == 1 ? "" : "s");
    }

    private static String week(Cost cost) {
        return switch (cost.direction()) {
            case LOSS ->
                cost.loss() == cost.minutesWithoutRecording()
                        ? "records nothing for " + duration(cost.loss()) + " a week in which it ought to"
                        : "records less for " + duration(cost.loss()) + " a week" + without(cost);
            case WASTE -> "records more than asked for " + duration(cost.waste()) + " a week";
            case BOTH ->
                "records otherwise than asked, less for " + duration(cost.loss()) + " and more for "
                        + duration(cost.waste()) + " a week" + without(cost);
            case NONE -> "is not as asked";
        };
    }

    private static String without(Cost cost) {
        return cost.minutesWithoutRecording() == 0
                ? ""
                : ", " + duration(cost.minutesWithoutRecording()) + " a week without recording";
    }

    /** {@code 45 min}, {@code 24 h} or {@code 26 h 30 min}. */
    public static String duration(int minutes) {
        int hours = minutes / 60;
        int rest = minutes % 60;
        return hours == 0 ? rest + " min" : hours + " h" + (rest == 0 ? "" : " " + rest + " min");
    }
}
