package choir.onvif;

import choir.family.NativeValue;
import choir.family.Zone;
import choir.scale.NativeScalar;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Areas that a device keeps as rules of one type, one rule for each: whether it is used, its title, its corners as {@code
 * x,y x,y x,y}, and values of its own.
 */
final class Zones {
    private static final String USED = "Used";
    private static final String TITLE = "Title";

    private Zones() {}

    static List<Element> rules(Snapshot snapshot, String channel, String type) {
        return snapshot.analyticsOf(channel)
                .flatMap(a -> a.child("RuleEngineConfiguration"))
                .map(e -> e.all("Rule")
                        .filter(r -> ChannelReader.isOfType(r, type))
                        .toList())
                .orElse(List.of());
    }

    /** @throws choir.refusal.Refusal when some area that is used has no corners */
    static List<Zone> used(List<Element> rules) {
        return rules.stream()
                .filter(Zones::isUsed)
                .map(r -> Zone.of(item(r, TITLE).orElse(""), item(r, "Corners").orElse("")))
                .toList();
    }

    /** A parameter of the areas that are used; empty when no rule shows it. */
    static Optional<NativeValue> values(List<Element> rules, String name) {
        var used = rules.stream().filter(Zones::isUsed).toList();
        var values = (used.isEmpty() ? rules.stream().limit(1).toList() : used)
                .stream()
                        .flatMap(r -> item(r, name).stream())
                        .map(NativeScalar::read)
                        .toList();
        return values.isEmpty() ? Optional.empty() : Optional.of(NativeValue.ofAreas(values));
    }

    private static boolean isUsed(Element rule) {
        return item(rule, USED).filter("true"::equals).isPresent();
    }

    private static Optional<String> item(Element rule, String name) {
        return rule.child("Parameters")
                .flatMap(p -> p.all("SimpleItem")
                        .filter(i -> i.attribute("Name").filter(name::equals).isPresent())
                        .findFirst())
                .flatMap(i -> i.attribute("Value"));
    }

    /** The rules as they have to be sent for the device to have these areas; corners of unused ones stay. */
    static Map<String, Element> withAreas(Map<String, Element> rules, String corners, NativeValue.Zones wanted) {
        Map<String, Element> changed = new LinkedHashMap<>();
        int i = 0;
        for (var rule : rules.entrySet()) {
            var config = rule.getValue();
            if (i < wanted.zones().size()) {
                var zone = wanted.zones().get(i);
                config = ChannelWriter.withItem(config, USED, "true");
                config = ChannelWriter.withItem(config, TITLE, zone.title());
                config = ChannelWriter.withItem(config, corners, zone.path());
            } else {
                config = ChannelWriter.withItem(config, USED, "false");
            }
            changed.put(rule.getKey(), config);
            i++;
        }
        return changed;
    }

    /** The rules with one value for all. */
    static Map<String, Element> withValue(Map<String, Element> rules, String name, NativeScalar value) {
        Map<String, Element> changed = new LinkedHashMap<>(rules);
        changed.replaceAll((rule, config) -> ChannelWriter.withItem(config, name, value.toString()));
        return changed;
    }

    /** The rules with one value for each that is used. */
    static Map<String, Element> withValues(Map<String, Element> rules, String name, List<NativeScalar> values) {
        Map<String, Element> changed = new LinkedHashMap<>(rules);
        int i = 0;
        for (var rule : rules.entrySet()) {
            if (i < values.size() && isUsed(rule.getValue())) {
                changed.put(
                        rule.getKey(),
                        ChannelWriter.withItem(
                                rule.getValue(), name, values.get(i++).toString()));
            }
        }
        return changed;
    }
}
