package choir.policy;

import choir.fleet.Node;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Everything that was said about policy: templates, where they are used in which order, and overrides. From it the
 * effective policy of a camera follows as a pure function of the book, the camera's group and the day.
 *
 * <p>A book remembers what each group's chain comes to for one day; cameras without words of their own share that value
 * itself. A book is made for one piece of work and is not safe for several threads.
 */
public final class PolicyBook {
    private final Map<TemplateName, Template> templates;
    private final Map<Node, List<TemplateName>> uses;
    private final Map<Node, List<PolicyOverride>> overrides;
    private final LocalDate day;
    private final Map<Node.Group, EffectivePolicy> groups = new HashMap<>();

    public PolicyBook(
            Map<TemplateName, Template> templates,
            Map<Node, List<TemplateName>> uses,
            List<PolicyOverride> overrides,
            LocalDate day) {
        this.templates = Map.copyOf(templates);
        this.uses = Map.copyOf(uses);
        this.day = day;
        this.overrides = overrides.stream()
                .filter(o -> o.countsOn(day))
                // For one setting the one with an end date stands over the one without.
                .sorted(java.util.Comparator.comparing(
                                (PolicyOverride o) -> o.until().isPresent())
                        .thenComparing(PolicyOverride::id))
                .collect(Collectors.groupingBy(PolicyOverride::node));
    }

    /** What a policy comes to when these things are said at a node as well. */
    public static EffectivePolicy with(EffectivePolicy above, Node node, Map<SettingKey, Layer.Statement> said) {
        var origin = new Origin.FromOverride(node, 0, "proposed", "");
        return Layering.lay(new Layer(said, java.util.Set.of()), origin, above);
    }

    public EffectivePolicy of(Node.Camera camera, Node.Group group) {
        return at(camera, of(group));
    }

    /** What would hold at a camera if nothing were put straight on it for one setting; its own templates count. */
    public EffectivePolicy without(SettingKey key, Node.Camera camera, Node.Group group) {
        return at(camera, of(group), override -> !override.key().equals(key));
    }

    public EffectivePolicy of(Node.Group group) {
        var known = groups.get(group);
        if (known == null) {
            known = at(group, group.parent().map(this::of).orElse(EffectivePolicy.EMPTY));
            groups.put(group, known);
        }
        return known;
    }

    private EffectivePolicy at(Node node, EffectivePolicy below) {
        return at(node, below, override -> true);
    }

    private EffectivePolicy at(Node node, EffectivePolicy below, Predicate<PolicyOverride> counts) {
        var policy = below;
        for (var name : uses.getOrDefault(node, List.of())) {
            for (var template : flattened(name)) {
                var origin = new Origin.FromTemplate(node, template.name(), template.revision());
                policy = Layering.lay(template.layer(), origin, policy);
            }
        }
        for (var override :
                overrides.getOrDefault(node, List.of()).stream().filter(counts).toList()) {
            var layer = new Layer(
                    Map.of(override.key(), override.statement()),
                    override.fixed() ? java.util.Set.of(override.key()) : java.util.Set.of());
            var origin = new Origin.FromOverride(node, override.id(), override.because(), override.author());
            policy = Layering.lay(layer, origin, policy);
        }
        return policy;
    }

    /** The template's base, that one's base and so on first, the template itself last. */
    private List<Template> flattened(TemplateName name) {
        List<Template> line = new ArrayList<>();
        for (var next : line(name, this::template)) {
            template(next).ifPresent(line::addFirst);
        }
        return line;
    }

    private Optional<Template> template(TemplateName name) {
        return Optional.ofNullable(templates.get(name));
    }

    /**
     * A template's name, its base's and so on.
     *
     * @throws IllegalArgumentException when a template extends itself by way of others
     */
    public static SequencedSet<TemplateName> line(
            TemplateName name, java.util.function.Function<TemplateName, Optional<Template>> lookup) {
        SequencedSet<TemplateName> line = new LinkedHashSet<>();
        for (Optional<TemplateName> next = Optional.of(name); next.isPresent(); ) {
            if (!line.add(next.get())) {
                throw new IllegalArgumentException("templates extend each other in a circle: "
                        + line.stream().map(TemplateName::text).collect(Collectors.joining(" extends ")) + " extends "
                        + next.get());
            }
            next = lookup.apply(next.get()).flatMap(Template::base);
        }
        return line;
    }

    /** Names of the templates that reach a camera in that group, by any node of its chain. */
    public java.util.Set<String> templatesReaching(Node.Camera camera, Node.Group group) {
        java.util.Set<String> names = new java.util.TreeSet<>();
        List<Node> chain = new ArrayList<>(group.chain());
        chain.add(camera);
        for (var node : chain) {
            for (var name : uses.getOrDefault(node, List.of())) {
                line(name, this::template).forEach(t -> names.add(t.text()));
            }
        }
        return names;
    }

    /** True when nothing is said at the camera itself, so that its group's chain is all there is. */
    public boolean statesNothingAt(Node.Camera camera) {
        return !uses.containsKey(camera) && !overrides.containsKey(camera);
    }

    public LocalDate day() {
        return day;
    }
}
