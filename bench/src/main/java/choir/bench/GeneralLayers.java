package choir.bench;

import choir.fleet.Node;
import choir.policy.Layer;
import choir.policy.Layer.Statement;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.policy.Value;
import com.typesafe.config.Config;
import com.typesafe.config.ConfigFactory;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;

/** The scalar statements of a fleet in a general library for layered configuration: nearest first, the rest falls back. */
final class GeneralLayers {
    private final Map<Node, Config> said = new HashMap<>();

    GeneralLayers(LargeFleet fleet) {
        fleet.uses.forEach((node, names) -> names.forEach(name -> said.merge(
                node, of(Objects.requireNonNull(fleet.templates.get(name)).layer(), name), Config::withFallback)));
        fleet.overrides.forEach(o -> said.merge(
                o.node(),
                of(new Layer(Map.of(o.key(), o.statement()), java.util.Set.of()), new TemplateName("override")),
                Config::withFallback));
    }

    private static Config of(Layer layer, TemplateName origin) {
        Map<String, Object> scalars = new HashMap<>();
        layer.statements().forEach((SettingKey key, Statement statement) -> {
            if (statement instanceof Statement.Set(Value value)
                    && !(value instanceof Value.Hours)
                    && !(value instanceof Value.Levels)
                    && !(value instanceof Value.SpecialDays)
                    && !(value instanceof Value.Areas)) {
                scalars.put(key.text(), value.text());
            }
        });
        return ConfigFactory.parseMap(scalars, origin.text());
    }

    void resolve(List<LargeFleet.Placed> cameras, Consumer<Object> taken) {
        Map<Node.Group, Config> groups = new HashMap<>();
        for (var placed : cameras) {
            var above = groups.computeIfAbsent(placed.group(), this::of);
            var own = said.get(placed.camera());
            var effective = own == null ? above : own.withFallback(above);
            effective.entrySet().forEach(e -> taken.accept(e.getValue().origin()));
        }
    }

    private Config of(Node.Group group) {
        var chain = ConfigFactory.empty();
        for (var node : group.chain()) {
            var here = said.get(node);
            chain = here == null ? chain : here.withFallback(chain);
        }
        return chain;
    }
}
