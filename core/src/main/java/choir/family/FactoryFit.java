package choir.family;

import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import java.util.stream.Collectors;

/** Whether a device can hold what its family file says that it left the factory with. */
final class FactoryFit {
    private FactoryFit() {}

    /** @throws Refusal with what the device takes, when that is something else */
    static Ability required(Ability ability) {
        ability.factory().ifPresent(value -> {
            if (value instanceof NativeValue.Single(var scalar) && !takes(ability, scalar)) {
                throw new Refusal(
                        "the factory value " + scalar + " is none that the device takes (" + words(ability) + ")");
            }
        });
        return ability;
    }

    private static boolean takes(Ability ability, NativeScalar value) {
        return switch (ability) {
            case Ability.Sense s -> s.scale().contains(value) || s.adapts() && value.equals(Ability.Sense.AUTO);
            case Ability.Cells c -> isBetween(value, c.scale().min(), c.scale().max());
            case Ability.Pixels p -> isBetween(value, p.scale().min(), p.scale().max());
            case Ability.Percent p ->
                isBetween(value, p.scale().min(), p.scale().max());
            case Ability.Steps s -> isBetween(value, 1, s.percents().size());
            case Ability.Numbers n ->
                n.allowed().isEmpty()
                        ? isBetween(value, n.min(), n.max())
                        : n.allowed().stream().map(NativeScalar::of).anyMatch(value::equals);
            case Ability.Choice c -> c.choices().containsValue(value.toString());
            case Ability.Switch s -> true;
            case Ability.OfAreas a -> true;
            case Ability.OfTime t -> true;
            case Ability.Text t -> true;
        };
    }

    private static boolean isBetween(NativeScalar value, int min, int max) {
        return value instanceof NativeScalar.Number(var number)
                && number.compareTo(java.math.BigDecimal.valueOf(min)) >= 0
                && number.compareTo(java.math.BigDecimal.valueOf(max)) <= 0;
    }

    private static String words(Ability ability) {
        return ability instanceof Ability.Numbers n && !n.allowed().isEmpty()
                ? n.allowed().stream().map(String::valueOf).collect(Collectors.joining(", "))
                : AbilityRange.of(ability);
    }
}
