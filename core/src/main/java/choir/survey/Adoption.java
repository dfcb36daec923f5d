package choir.survey;

import choir.area.CellMask;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.Translator;
import choir.fleet.Node;
import choir.policy.AreaStatement;
import choir.policy.Calendars;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.rollout.Changes;
import choir.week.DayPlan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a camera's own override has to say so that its policy asks for what the recorder holds. Whatever farther layers say is
 * replaced, and what comes out is held against what is there before it is believed.
 */
public sealed interface Adoption {
    record Possible(Statement statement) implements Adoption {}

    /** @param why in words that go on after "cannot be adopted: " */
    record Impossible(String why) implements Adoption {}

    /**
     * @param policy as it is now
     * @param held what the recorder was read to hold
     * @param mask the cells over which a threshold is counted when areas are not governed
     */
    static Adoption of(
            SettingKey key,
            Node.Camera camera,
            EffectivePolicy policy,
            Family family,
            NativeConfig held,
            Optional<CellMask> mask,
            Calendars calendars) {
        var value = new Neutral(family, held, calendars).of(key).map(v -> inPlaceOf(v, policy));
        if (value.isEmpty()) {
            return new Impossible("no policy can say what the recorder holds");
        }
        var statement = new Statement.Set(value.get());
        var adopted = PolicyBook.with(policy, camera, Map.of(key, statement));
        var fixed = adopted.blocked().stream()
                .filter(b -> b.key().equals(key) && !policy.blocked().contains(b))
                .findFirst();
        if (fixed.isPresent()) {
            return new Impossible("the " + fixed.get().fixedBy().text() + " fixes it");
        }
        var translation = Translator.translate(adopted, family, mask, calendars);
        return Changes.between(translation, held).containsKey(key)
                ? new Impossible("what farther layers say of it would still count beside it")
                : new Possible(statement);
    }

    private static Value inPlaceOf(Value found, EffectivePolicy policy) {
        return switch (found) {
            case Value.Hours hours -> new Value.Hours(hours.week(), true);
            case Value.Levels levels -> new Value.Levels(levels.week(), true);
            case Value.Areas(var areas) -> new Value.Areas(inPlaceOf(areas, policy));
            case Value.SpecialDays(var plans) -> new Value.SpecialDays(inPlaceOf(plans, policy));
            case Value.Flag f -> f;
            case Value.Sense s -> s;
            case Value.Share s -> s;
            case Value.Word w -> w;
            case Value.Amount a -> a;
        };
    }

    private static List<AreaStatement> inPlaceOf(List<AreaStatement> found, EffectivePolicy policy) {
        Set<String> names = found.stream().map(AreaStatement::name).collect(Collectors.toSet());
        List<AreaStatement> all = new ArrayList<>();
        policy.areas().map(Effective.Areas::byName).orElse(Map.of()).keySet().stream()
                .filter(name -> !names.contains(name))
                .forEach(name -> all.add(AreaStatement.removal(name)));
        all.addAll(found);
        return all;
    }

    private static Map<String, Optional<DayPlan>> inPlaceOf(
            Map<String, Optional<DayPlan>> found, EffectivePolicy policy) {
        Map<String, Optional<DayPlan>> all = new LinkedHashMap<>();
        policy.specialDays()
                .ifPresent(said -> said.byCalendar().keySet().forEach(calendar -> all.put(calendar, Optional.empty())));
        all.putAll(found);
        return all;
    }
}
