package choir.server.policy;

import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.document.PolicyWriter;
import choir.document.SettingReader;
import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.policy.Value;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import choir.server.web.Dates;
import choir.server.web.Problem;
import choir.server.web.Versions;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Changes of policy. Each is checked against all that is there before anything is stored. */
@Component
public class Policies {
    private static final int MOST_HOLDERS = 5;

    private final PolicyStore store;
    private final NodeStore nodes;
    private final CalendarStore calendars;
    private final FleetStore fleet;
    private final Database database;
    private final Journal journal;
    private final Clock clock;

    Policies(
            PolicyStore store,
            NodeStore nodes,
            CalendarStore calendars,
            FleetStore fleet,
            Database database,
            Journal journal,
            Clock clock) {
        this.clock = clock;
        this.store = store;
        this.nodes = nodes;
        this.calendars = calendars;
        this.fleet = fleet;
        this.database = database;
        this.journal = journal;
    }

    /** Reads a text that holds exactly one template. */
    private static PolicyDocument.OfTemplate one(String text) {
        var documents = PolicyReader.read(text);
        if (documents.size() == 1 && documents.getFirst() instanceof PolicyDocument.OfTemplate template) {
            return template;
        }
        throw new Problem(Problem.Kind.INVALID, "expected one document that starts with \"template:\"");
    }

    String create(String text, String who) {
        var template = one(text);
        database.write(() -> {
            if (current(template.name()).isPresent()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "there is a template \"" + template.name() + "\" already; change it with: choir template edit "
                                + template.name());
            }
            put(template, 1, who);
        });
        return template.name().text();
    }

    void revise(TemplateName name, String text, Optional<String> ifMatch, String who) {
        var template = one(text);
        if (!template.name().equals(name)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "the text is of template \"" + template.name() + "\", not of \"" + name + "\"");
        }
        database.write(() -> {
            var current = require(name);
            Versions.check(ifMatch, current.revision(), "template " + name);
            put(template, current.revision() + 1, who);
        });
    }

    /** Only what nothing stands on goes. */
    void remove(TemplateName name, Optional<String> ifMatch, String who) {
        database.write(() -> {
            Versions.check(ifMatch, require(name).revision(), "template " + name);
            var holders = Stream.concat(
                            nodes.uses().entrySet().stream()
                                    .filter(e -> e.getValue().contains(name))
                                    .map(e -> "used at " + e.getKey().text()),
                            store.templates().stream()
                                    .filter(t -> t.base().filter(name::equals).isPresent())
                                    .map(t -> "extended by template " + t.name()))
                    .toList();
            if (!holders.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "template \"" + name + "\" is "
                                + holders.stream().limit(MOST_HOLDERS).collect(Collectors.joining(", "))
                                + (holders.size() > MOST_HOLDERS
                                        ? " and in " + (holders.size() - MOST_HOLDERS) + " more places"
                                        : "")
                                + "; take it out there first");
            }
            store.removeTemplate(name);
            journal.add(who, "removed a template", name.text(), "");
        });
    }

    Optional<PolicyStore.StoredRevision> current(TemplateName name) {
        return store.latest(name);
    }

    PolicyStore.StoredRevision require(TemplateName name) {
        return current(name)
                .orElseThrow(() -> Problem.notFound(
                        "template",
                        name.text(),
                        store.latest().stream().map(t -> t.name()).toList()));
    }

    /** Stores a revision; to be called within a transaction. */
    void put(PolicyDocument.OfTemplate template, int revision, String who) {
        template.base().ifPresent(base -> {
            if (!base.equals(template.name())) {
                require(base);
            }
        });
        template.layer().statements().values().forEach(this::requireCalendars);
        var fresh = new Template(template.name(), revision, template.title(), template.base(), template.layer());
        PolicyBook.line(template.name(), name -> name.equals(fresh.name()) ? Optional.of(fresh) : store.template(name));
        var text = PolicyWriter.template(template.name(), template.title(), template.base(), template.layer());
        store.addRevision(template.name(), revision, text, who);
        journal.add(who, "wrote a template", template.name().text(), "revision " + revision);
    }

    /** Uses the template at the node, after those that are there already. */
    void use(TemplateName template, Node node, String who) {
        fleet.require(node);
        if (use(template, List.of(node), who) == 0) {
            throw new Problem(Problem.Kind.CONFLICT, node.text() + " uses \"" + template + "\" already");
        }
    }

    /**
     * Uses the template at each node, after those that are there already.
     *
     * @return at how many of them it was not used before
     */
    public int use(TemplateName template, Collection<? extends Node> places, String who) {
        return database.write(() -> {
            require(template);
            int fresh = 0;
            for (var node : places) {
                List<TemplateName> there = new ArrayList<>(nodes.usesAt(node));
                if (!there.contains(template)) {
                    there.add(template);
                    nodes.use(node, there);
                    journal.add(who, "used a template", node.text(), template.text());
                    fresh++;
                }
            }
            return fresh;
        });
    }

    /** Uses these templates at the node and no others, in this order. */
    void useThese(Node node, List<TemplateName> templates, Optional<String> ifMatch, String who) {
        if (templates.stream().distinct().count() < templates.size()) {
            throw new Problem(Problem.Kind.INVALID, "each template is used once at a node");
        }
        database.write(() -> {
            fleet.require(node);
            templates.forEach(this::require);
            checkVersion(node, ifMatch);
            nodes.use(node, templates);
            journal.add(
                    who,
                    "put templates in order",
                    node.text(),
                    templates.isEmpty()
                            ? "none"
                            : templates.stream().map(TemplateName::text).collect(Collectors.joining(", ")));
        });
    }

    private void checkVersion(Node node, Optional<String> ifMatch) {
        Versions.check(ifMatch, nodes.versionOf(node), "what is said at " + node.text());
    }

    void stopUsing(TemplateName template, Node node, String who) {
        database.write(() -> {
            List<TemplateName> there = new ArrayList<>(nodes.usesAt(node));
            if (!there.remove(template)) {
                throw new Problem(Problem.Kind.NOT_FOUND, node.text() + " does not use \"" + template + "\"");
            }
            nodes.use(node, there);
            journal.add(who, "stopped using a template", node.text(), template.text());
        });
    }

    /** Puts settings straight on a node, which is one that is there and was not spoken to since it was looked at. */
    void say(Node node, Saying saying, Optional<String> ifMatch) {
        database.write(() -> {
            fleet.require(node);
            checkVersion(node, ifMatch);
            say(List.of(node), saying);
        });
    }

    /** Puts the same settings straight on many nodes, all or none. */
    public void say(Collection<? extends Node> nodes, Saying saying) {
        saying.until().ifPresent(last -> Dates.requireToCome(last, clock));
        database.write(() ->
                nodes.forEach(node -> saying.statements().keySet().forEach(key -> put(saying.at(node, key)))));
    }

    /** What is said in words, every value checked; there is at least one. */
    public static Map<SettingKey, Statement> statements(Map<String, String> set, List<String> unset) {
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        set.forEach((key, text) -> statements.put(new SettingKey(key), value(key, text)));
        unset.forEach(key -> statements.put(Catalogue.named(key).key(), new Statement.Unset()));
        if (statements.isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID, "nothing to set; expected KEY=VALUE, such as motion.threshold=0.25%");
        }
        return statements;
    }

    void takeBack(Node node, SettingKey key, Optional<String> ifMatch, String who) {
        database.write(() -> {
            fleet.require(node);
            checkVersion(node, ifMatch);
            if (nodes.removeOverrides(node, key) == 0) {
                throw new Problem(Problem.Kind.NOT_FOUND, node.text() + " does not override " + key);
            }
            journal.add(who, "took an override back", node.text(), key.text());
        });
    }

    /** A fault in a value tells the setting it was meant for; its line and column are of no use on a command line. */
    private static Statement value(String key, String text) {
        try {
            return new Statement.Set(SettingReader.read(key, text));
        } catch (choir.document.DocumentException e) {
            throw new Problem(
                    Problem.Kind.INVALID, key + ": " + e.faults().getFirst().problem());
        }
    }

    private void requireCalendars(Statement statement) {
        if (statement instanceof Statement.Set(Value.SpecialDays days)) {
            days.plans().keySet().stream()
                    .filter(c -> !Calendars.isDate(c))
                    .filter(c -> calendars.find(new CalendarName(c)).isEmpty())
                    .findFirst()
                    .ifPresent(c -> {
                        throw Problem.notFound(
                                "calendar",
                                c,
                                calendars.all().stream()
                                        .map(k -> k.name().text())
                                        .toList());
                    });
        }
    }

    /** Stores an override; to be called within a transaction. */
    void put(PolicyOverride override) {
        requireCalendars(override.statement());
        nodes.put(override);
        var text = override.statement() instanceof Statement.Set(var value) ? "=" + PolicyWriter.value(value) : "";
        journal.add(
                override.author(),
                text.isEmpty() ? "unset" : "set",
                override.node().text(),
                override.key() + text + " because " + override.because());
    }
}
