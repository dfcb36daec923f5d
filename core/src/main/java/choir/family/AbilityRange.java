package choir.family;

import choir.scale.CountScale;
import choir.scale.SensitivityScale;

/** What a device takes as a setting, in the words that a family file and a device's own account are compared by. */
public final class AbilityRange {
    private AbilityRange() {}

    public static String of(Ability ability) {
        return switch (ability) {
            case Ability.Sense(var p, SensitivityScale.Numbers n, var a, var e, var f) -> n.min() + " to " + n.max();
            case Ability.Sense(var p, SensitivityScale.Words w, var a, var e, var f) -> String.join(", ", w.words());
            case Ability.Cells c -> range(c.scale());
            case Ability.Pixels p -> range(p.scale());
            case Ability.Percent p -> range(p.scale());
            case Ability.Steps s -> "1 to " + s.percents().size();
            case Ability.Numbers n -> n.min() + " to " + n.max();
            case Ability.Choice c -> String.join(", ", c.choices().values());
            case Ability.Switch s -> "on or off";
            case Ability.OfAreas a -> "areas";
            case Ability.OfTime t -> "values by time";
            case Ability.Text t -> "a text";
        };
    }

    private static String range(CountScale scale) {
        return scale.min() + " to " + scale.max();
    }
}
