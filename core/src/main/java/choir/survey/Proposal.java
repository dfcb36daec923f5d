package choir.survey;

import choir.area.CellMask;
import choir.document.PolicyWriter;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translator;
import choir.fleet.Node;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Layer;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.policy.Value;
import choir.rollout.Changes;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * A policy that describes cameras as they are: for each group a template with what most of its cameras hold, and
 * overrides for the others. Groups that say the same share a template. Given out, it changes nothing.
 *
 * @param templates by name
 * @param uses the one template of each group
 */
public record Proposal(
        Map<TemplateName, Template> templates, Map<Node, List<TemplateName>> uses, List<PolicyOverride> overrides) {
    /** Settling one setting may move another (a threshold is counted over the areas), but not for long. */
    private static final int MOST_PASSES = 4;

    /** @param taken names of templates that there are, which no proposal may revise */
    public static Proposal describing(
            Collection<Surveyed> surveyed,
            Calendars calendars,
            Set<TemplateName> taken,
            String because,
            String author) {
        Map<Node.Group, List<Surveyed>> byGroup = new TreeMap<>();
        surveyed.forEach(
                s -> byGroup.computeIfAbsent(s.group(), g -> new ArrayList<>()).add(s));
        Map<Layer, TemplateName> names = new LinkedHashMap<>();
        Map<TemplateName, Template> templates = new TreeMap<>();
        Map<Node, List<TemplateName>> uses = new TreeMap<>();
        List<PolicyOverride> overrides = new ArrayList<>();
        byGroup.forEach((group, members) -> {
            var layer = commonest(members, calendars);
            var name = names.computeIfAbsent(layer, l -> freeName(names.values(), taken));
            templates.put(name, new Template(name, 1, "As found", Optional.empty(), layer));
            // A group above hands its template down; what a lower group holds is said there again.
            uses.put(group, List.of(name));
        });
        var book = new PolicyBook(templates, uses, List.of(), LocalDate.EPOCH);
        for (var member : surveyed) {
            var above = book.of(member.group());
            differing(member, above, calendars)
                    .forEach((key, statement) -> overrides.add(new PolicyOverride(
                            overrides.size() + 1L,
                            member.camera(),
                            key,
                            statement,
                            false,
                            because,
                            author,
                            Optional.empty())));
        }
        return new Proposal(templates, uses, overrides);
    }

    private static TemplateName freeName(Collection<TemplateName> proposed, Set<TemplateName> taken) {
        return IntStream.iterate(1, i -> i + 1)
                .mapToObj(i -> new TemplateName("as-found-" + i))
                .filter(name -> !taken.contains(name) && !proposed.contains(name))
                .findFirst()
                .orElseThrow();
    }

    private static Layer commonest(List<Surveyed> members, Calendars calendars) {
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        for (var setting : Catalogue.settings()) {
            Map<Value, Integer> counts = new LinkedHashMap<>();
            members.forEach(m -> new Neutral(m.family(), m.held(), calendars)
                    .of(setting.key())
                    .ifPresent(v -> counts.merge(v, 1, Integer::sum)));
            counts.entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .ifPresent(e -> statements.put(setting.key(), new Statement.Set(e.getKey())));
        }
        return new Layer(statements, Set.of());
    }

    /** What must be said at the camera itself so that nothing would change there. */
    private static Map<SettingKey, Statement> differing(Surveyed member, EffectivePolicy above, Calendars calendars) {
        var neutral = new Neutral(member.family(), member.held(), calendars);
        Map<SettingKey, Statement> own = new LinkedHashMap<>();
        for (int pass = 0; pass < MOST_PASSES; pass++) {
            var translation = translation(member, above, own, calendars);
            Set<SettingKey> wrong = Changes.between(translation, member.held()).keySet();
            var unheard = translation.wishes().entrySet().stream()
                    .filter(e -> e.getValue() instanceof Translation.Wish.Cannot
                            && member.held().get(e.getKey()).isPresent())
                    .map(Map.Entry::getKey)
                    .filter(k -> !own.containsKey(k))
                    .toList();
            if (wrong.isEmpty() && unheard.isEmpty()) {
                return own;
            }
            for (var key : wrong) {
                own.put(key, own.containsKey(key) ? new Statement.Unset() : statement(neutral, key));
            }
            unheard.forEach(key -> own.put(key, statement(neutral, key)));
        }
        return own;
    }

    private static Statement statement(Neutral neutral, SettingKey key) {
        return neutral.of(key).<Statement>map(Statement.Set::new).orElseGet(Statement.Unset::new);
    }

    private static Translation translation(
            Surveyed member, EffectivePolicy above, Map<SettingKey, Statement> own, Calendars calendars) {
        Optional<CellMask> mask = member.held()
                .get(Catalogue.AREAS)
                .filter(NativeValue.Mask.class::isInstance)
                .map(m -> ((NativeValue.Mask) m).mask());
        return Translator.translate(PolicyBook.with(above, member.camera(), own), member.family(), mask, calendars);
    }

    /** In the form of policy files, each document by the name of its file. */
    public Map<String, String> files() {
        Map<String, String> files = new LinkedHashMap<>();
        templates
                .values()
                .forEach(t -> files.put(
                        "templates/" + t.name() + ".yaml",
                        PolicyWriter.template(t.name(), t.title(), t.base(), t.layer())));
        Map<Node, List<PolicyOverride>> byNode = new HashMap<>();
        overrides.forEach(
                o -> byNode.computeIfAbsent(o.node(), n -> new ArrayList<>()).add(o));
        Map<Node, String> documents = new TreeMap<>();
        uses.forEach((node, names) -> documents.put(node, PolicyWriter.node(node, names, List.of())));
        byNode.forEach((node, list) -> documents.put(node, PolicyWriter.node(node, List.of(), list)));
        if (!documents.isEmpty()) {
            files.put("places.yaml", String.join("---\n", documents.values()));
        }
        return files;
    }
}
