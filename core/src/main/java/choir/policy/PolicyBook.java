package choir.policy;

import choir.fleet.Node;
import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Everything that was said about policy: templates, where they are used in which order, and overrides. From it the
 * effective policy of a camera follows as a pure function of the book, the camera's group and the day.
 *
 * <p>A book remembers what each group's chain comes to for one day; cameras without words of their own share that value
 * itself. A book that differs little from another can take over what still holds of it. Books may be read by many threads.
 */
public final class PolicyBook {
    /** A line of templates, each of which extends the next. */
    private static final int MOST_IN_A_LINE = 17;

    private final Map<TemplateName, Template> templates;
    private final Map<Node, List<TemplateName>> uses;
    private final Map<Node, List<PolicyOverride>> overrides;
    private final LocalDate day;
    private final Map<Node.Group, EffectivePolicy> groups = new ConcurrentHashMap<>();

    public PolicyBook(
            Map<TemplateName, Template> templates,
            Map<Node, List<TemplateName>> uses,
            List<PolicyOverride> overrides,
            LocalDate day) {
        this.templates = Map.copyOf(templates);
        this.uses = Map.copyOf(uses);
        this.day = day;
        this.overrides = counting(overrides).stream().collect(Collectors.groupingBy(PolicyOverride::node));
    }

    /** This book, knowing already what an older one worked out for those groups for which nothing has changed. */
    public PolicyBook takingOver(PolicyBook older, Predicate<Node.Group> unchanged) {
        older.groups.forEach((group, policy) -> {
            if (unchanged.test(group)) {
                groups.put(group, policy);
            }
        });
        return this;
    }

    /** What a policy comes to when these things are said at a node as well. */
    public static EffectivePolicy with(EffectivePolicy above, Node node, Map<SettingKey, Layer.Statement> said) {
        var origin = new Origin.FromOverride(node, 0, "proposed", "", Optional.empty());
        return Layering.lay(new Layer(said, Set.of()), origin, above);
    }

    public EffectivePolicy of(Node.Camera camera, Node.Group group) {
        return at(camera, of(group));
    }

    /** What the book knows to be said straight at a node, as far as it counts on the book's day. */
    public NodeWords words(Node node) {
        return new NodeWords(uses.getOrDefault(node, List.of()), overrides.getOrDefault(node, List.of()));
    }

    /** What holds at a camera of which the book itself knows nothing. */
    public EffectivePolicy of(Node.Camera camera, Node.Group group, NodeWords own) {
        return own.isEmpty() ? of(group) : said(camera, of(group), own.uses(), counting(own.overrides()));
    }

    /** What would hold at a camera if nothing were put straight on it for one setting; its own templates count. */
    public EffectivePolicy without(SettingKey key, Node.Camera camera, Node.Group group, NodeWords own) {
        var others = own.overrides().stream().filter(o -> !o.key().equals(key)).toList();
        return said(camera, of(group), own.uses(), counting(others));
    }

    /**
     * What an override does at its node.
     *
     * @param above what comes down to the node: the policy of the group over a group, or of a camera's own
     * @param own all that is said at the node, the override among it
     */
    public OverrideEffect effect(PolicyOverride override, EffectivePolicy above, NodeWords own) {
        var node = override.node();
        var counting = counting(own.overrides());
        var with = said(node, above, own.uses(), counting);
        var others = counting.stream().filter(o -> o.id() != override.id()).toList();
        var otherwise = said(node, above, own.uses(), others).get(override.key());
        return new OverrideEffect(kind(override, with, otherwise, others), otherwise);
    }

    private OverrideEffect.Kind kind(
            PolicyOverride override, EffectivePolicy with, Optional<Effective> otherwise, List<PolicyOverride> others) {
        if (!override.countsOn(day)) {
            return OverrideEffect.Kind.ENDED;
        }
        if (with.blocked().stream()
                .anyMatch(b -> b.origin() instanceof Origin.FromOverride o && o.id() == override.id())) {
            return OverrideEffect.Kind.FIXED_ABOVE;
        }
        boolean changes = !with.get(override.key()).map(Effective::asSaid).equals(otherwise.map(Effective::asSaid));
        if (changes || override.fixed()) {
            return OverrideEffect.Kind.COUNTS;
        }
        return others.stream().anyMatch(o -> o.key().equals(override.key()))
                ? OverrideEffect.Kind.OVERLAID
                : OverrideEffect.Kind.SAYS_THE_SAME;
    }

    public EffectivePolicy of(Node.Group group) {
        var known = groups.get(group);
        if (known == null) {
            known = at(group, group.parent().map(this::of).orElse(EffectivePolicy.EMPTY));
            groups.put(group, known);
        }
        return known;
    }

    /** What a template comes to by itself, its bases below it, whether anything uses it or not. */
    public EffectivePolicy of(TemplateName template) {
        return said(Node.Group.ROOT, EffectivePolicy.EMPTY, List.of(template), List.of());
    }

    private EffectivePolicy at(Node node, EffectivePolicy below) {
        return said(node, below, uses.getOrDefault(node, List.of()), overrides.getOrDefault(node, List.of()));
    }

    /** Templates in their order, then overrides. */
    private EffectivePolicy said(
            Node node, EffectivePolicy below, List<TemplateName> templates, List<PolicyOverride> overrides) {
        var policy = below;
        for (var name : templates) {
            for (var template : flattened(name)) {
                var origin = new Origin.FromTemplate(node, template.name(), template.revision());
                policy = Layering.lay(template.layer(), origin, policy);
            }
        }
        for (var override : overrides) {
            var layer = new Layer(
                    Map.of(override.key(), override.statement()), override.fixed() ? Set.of(override.key()) : Set.of());
            var origin = new Origin.FromOverride(
                    node, override.id(), override.because(), override.author(), override.until());
            policy = Layering.lay(layer, origin, policy);
        }
        return policy;
    }

    /** Those that count on the book's day; for one setting the one with an end date stands over the one without. */
    private List<PolicyOverride> counting(List<PolicyOverride> overrides) {
        return overrides.stream()
                .filter(o -> o.countsOn(day))
                .sorted(Comparator.comparing((PolicyOverride o) -> o.until().isPresent())
                        .thenComparing(PolicyOverride::id))
                .toList();
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
     * @throws Refusal when a template extends itself by way of others, or too many
     */
    public static SequencedSet<TemplateName> line(
            TemplateName name, java.util.function.Function<TemplateName, Optional<Template>> lookup) {
        SequencedSet<TemplateName> line = new LinkedHashSet<>();
        for (Optional<TemplateName> next = Optional.of(name); next.isPresent(); ) {
            if (!line.add(next.get())) {
                throw new Refusal("templates extend each other in a circle: "
                        + line.stream().map(TemplateName::text).collect(Collectors.joining(" extends ")) + " extends "
                        + next.get());
            }
            if (line.size() > MOST_IN_A_LINE) {
                throw new Refusal("\"" + name + "\" extends more than " + (MOST_IN_A_LINE - 1)
                        + " templates one after the other; nobody could say what it says");
            }
            next = lookup.apply(next.get()).flatMap(Template::base);
        }
        return line;
    }

    /** Names of the templates that reach a camera in that group, by any node of its chain. */
    public Set<String> templatesReaching(Node.Camera camera, Node.Group group) {
        return templatesReaching(group, uses.getOrDefault(camera, List.of()));
    }

    /** @param own the templates used at the camera itself */
    public Set<String> templatesReaching(Node.Group group, List<TemplateName> own) {
        Set<String> names = new TreeSet<>();
        for (var node : group.chain()) {
            uses.getOrDefault(node, List.of()).forEach(name -> addLine(name, names));
        }
        own.forEach(name -> addLine(name, names));
        return names;
    }

    private void addLine(TemplateName name, Set<String> names) {
        line(name, this::template).forEach(t -> names.add(t.text()));
    }

    /** The nodes of the book at which the template is used, itself or by one that extends it. */
    public Set<Node> nodesReachedBy(TemplateName template) {
        return uses.entrySet().stream()
                .filter(e -> e.getValue().stream()
                        .anyMatch(name -> line(name, this::template).contains(template)))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    /** True when nothing is said at the camera itself, so that its group's chain is all there is. */
    public boolean statesNothingAt(Node.Camera camera) {
        return !uses.containsKey(camera) && !overrides.containsKey(camera);
    }

    public LocalDate day() {
        return day;
    }
}
