package choir.server.policy;

import choir.document.KnownNames;
import choir.document.PolicyDocument;
import choir.document.PolicyDocument.OfCalendar;
import choir.document.PolicyDocument.OfNode;
import choir.document.PolicyDocument.OfTemplate;
import choir.document.PolicyWriter;
import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.Layer.Statement;
import choir.policy.NodeWords;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Takes a set of policy files: all of them, or none. What the files do not name is left alone, or removed when that is
 * asked for. What would change can be told without changing it, by the same way up to the end.
 */
@Component
public class PolicyLoad {
    /** @param kind {@code template}, {@code calendar}, {@code use} or {@code override} */
    record Change(String kind, String subject, String what) {}

    /** @param warnings policies that defeat themselves, as they are with the files */
    record Outcome(List<Change> changes, List<String> warnings) {}

    /**
     * How files are taken.
     *
     * @param prune also removes templates, uses and overrides that they do not name
     * @param onlyTry tells what would change and changes nothing
     * @param newGroups makes groups that they name and that are not there; otherwise such a name is a fault
     * @param since what they say has been in force since then; empty for from now on
     */
    record How(boolean prune, boolean onlyTry, boolean newGroups, Optional<Instant> since) {}

    /** Unwinds the transaction of a load that is only tried. */
    private static final class OnlyTried extends RuntimeException {}

    private final Policies policies;
    private final PastPolicies past;
    private final PolicyStore store;
    private final NodeStore nodes;
    private final CalendarStore calendars;
    private final FleetStore fleet;
    private final Warnings warnings;
    private final Journal journal;
    private final Database database;

    PolicyLoad(
            Policies policies,
            PastPolicies past,
            PolicyStore store,
            NodeStore nodes,
            CalendarStore calendars,
            FleetStore fleet,
            Warnings warnings,
            Journal journal,
            Database database) {
        this.past = past;
        this.warnings = warnings;
        this.calendars = calendars;
        this.policies = policies;
        this.store = store;
        this.nodes = nodes;
        this.fleet = fleet;
        this.journal = journal;
        this.database = database;
    }

    /** Takes the files, all or none. */
    Outcome load(List<PolicyFile> files, How how, String who) {
        // Reading may take long, and there is one connection that writes; what is spoken of is looked for again there.
        var documents = PolicyDocuments.read(files, known(how.prune()), how.newGroups());
        List<Change> changes = new ArrayList<>();
        List<String> doubts = new ArrayList<>();
        Runnable taking = () -> {
            var before = Set.copyOf(warnings.at(fleet.groups()));
            how.since()
                    .ifPresentOrElse(
                            since -> {
                                past.inForceSince(
                                        since,
                                        () -> changes.addAll(
                                                new Taking(documents, how.prune(), how.newGroups(), who).run()));
                                journal.add(who, "said that policy was in force before", "policy", "since " + since);
                            },
                            () -> changes.addAll(new Taking(documents, how.prune(), how.newGroups(), who).run()));
            doubts.addAll(doubts(documents, before));
        };
        if (how.onlyTry()) {
            takingBack(taking);
        } else {
            database.write(taking);
        }
        return new Outcome(changes, doubts);
    }

    /** What somebody sees who looks while the files are in force, before they are taken back. */
    public <T> T tried(List<PolicyFile> files, Supplier<T> look) {
        return tried(files, false, false, look);
    }

    /**
     * @param prune without what the files do not name
     * @param newGroups with groups that they name and that are not there
     */
    public <T> T tried(List<PolicyFile> files, boolean prune, boolean newGroups, Supplier<T> look) {
        var documents = PolicyDocuments.read(files, known(prune), newGroups);
        List<T> seen = new ArrayList<>(1);
        takingBack(() -> {
            new Taking(documents, prune, newGroups, "").run();
            seen.add(look.get());
        });
        return seen.getFirst();
    }

    private void takingBack(Runnable act) {
        try {
            database.write(() -> {
                act.run();
                throw new OnlyTried();
            });
        } catch (OnlyTried tried) {
            // So it is meant.
        }
    }

    /** What is wrong where the files speak, and elsewhere what was not before. */
    private List<String> doubts(List<PolicyDocument> documents, Set<String> before) {
        var templates = documents.stream()
                .filter(OfTemplate.class::isInstance)
                .map(d -> ((OfTemplate) d).name())
                .toList();
        var named = documents.stream()
                .filter(OfNode.class::isInstance)
                .map(d -> ((OfNode) d).node())
                .collect(Collectors.toSet());
        var said = nodes.wordsOfGroups();
        List<String> doubts = new ArrayList<>();
        warnings.byNode(fleet.groups()).forEach((group, lines) -> {
            var uses = said.getOrDefault(group, NodeWords.NONE).uses();
            boolean isMeant = named.contains(group) || uses.stream().anyMatch(templates::contains);
            lines.stream().filter(w -> isMeant || !before.contains(w)).forEach(doubts::add);
        });
        doubts.addAll(warnings.at(camerasOf(documents)));
        warnings.of(templates).stream()
                .filter(w -> doubts.stream().noneMatch(d -> d.endsWith(w.substring(w.indexOf(": ")))))
                .forEach(doubts::add);
        return doubts;
    }

    private static Set<Node.Camera> camerasOf(List<PolicyDocument> documents) {
        return documents.stream()
                .filter(OfNode.class::isInstance)
                .map(d -> ((OfNode) d).node())
                .filter(Node.Camera.class::isInstance)
                .map(Node.Camera.class::cast)
                .collect(Collectors.toSet());
    }

    /** Everything that there is to speak of, beside what the files bring. */
    private KnownNames known(boolean prune) {
        return new KnownNames(
                prune ? Set.of() : store.latest().stream().map(t -> t.name()).collect(Collectors.toSet()),
                prune
                        ? Set.of()
                        : calendars.all().stream().map(c -> c.name().text()).collect(Collectors.toSet()),
                fleet.groups().stream().map(Node.Group::text).collect(Collectors.toSet()),
                fleet.cameras().stream().map(c -> c.camera().text()).collect(Collectors.toSet()));
    }

    private final class Taking {
        private final List<PolicyDocument> documents;
        private final boolean prune;
        private final boolean newGroups;
        private final String who;
        private final List<Change> changes = new ArrayList<>();

        Taking(List<PolicyDocument> documents, boolean prune, boolean newGroups, String who) {
            this.newGroups = newGroups;
            this.documents = documents;
            this.prune = prune;
            this.who = who;
        }

        List<Change> run() {
            documents.forEach(d -> {
                if (d instanceof OfCalendar c) {
                    calendar(c);
                }
            });
            templates().forEach(this::template);
            if (newGroups) {
                groups();
            }
            requireNodes();
            nodes().forEach(this::use);
            overrides();
            if (prune) {
                prune();
            }
            return changes;
        }

        private void groups() {
            Set<Node.Group> there = new HashSet<>(fleet.groups());
            for (var n : nodes()) {
                if (n.node() instanceof Node.Group group && there.add(group)) {
                    fleet.addGroup(group);
                    there.addAll(group.chain());
                    journal.add(who, "added a group", group.text(), "");
                    changes.add(new Change("group", group.text(), "new"));
                }
            }
        }

        /** They were there when the files were read, and may have gone since. */
        private void requireNodes() {
            Set<Node> groups = new HashSet<>(fleet.groups());
            nodes().stream().map(OfNode::node).filter(n -> !groups.contains(n)).forEach(fleet::require);
        }

        private List<OfNode> nodes() {
            return documents.stream()
                    .filter(OfNode.class::isInstance)
                    .map(OfNode.class::cast)
                    .toList();
        }

        /** A template stands behind those that it extends, however the files order them. */
        private List<OfTemplate> templates() {
            Map<TemplateName, OfTemplate> left = new LinkedHashMap<>();
            documents.forEach(d -> {
                if (d instanceof OfTemplate t) {
                    left.put(t.name(), t);
                }
            });
            List<OfTemplate> ordered = new ArrayList<>();
            while (!left.isEmpty()) {
                var next = left.values().stream()
                        .filter(t -> t.base().filter(left::containsKey).isEmpty())
                        .findFirst()
                        .orElseGet(() -> left.values().iterator().next());
                ordered.add(next);
                left.remove(next.name());
            }
            return ordered;
        }

        private void calendar(OfCalendar c) {
            var current = calendars.find(c.name());
            if (current.filter(s -> s.dates().equals(c.dates()) && s.title().equals(c.title()))
                    .isEmpty()) {
                calendars.put(c.name(), c.title(), c.dates());
                journal.add(who, "wrote a calendar", c.name().text(), c.dates().toString());
                changes.add(new Change(
                        "calendar",
                        c.name().text(),
                        c.dates() + current.map(s -> ", before " + s.dates()).orElse("")));
            }
        }

        private void template(OfTemplate t) {
            var current = policies.current(t.name());
            var text = PolicyWriter.template(t.name(), t.title(), t.base(), t.layer());
            if (current.isEmpty()) {
                policies.put(t, 1, who);
                changes.add(new Change("template", t.name().text(), "new"));
            } else if (!current.get().text().equals(text)) {
                int revision = current.get().revision() + 1;
                policies.put(t, revision, who);
                changes.add(new Change("template", t.name().text(), "revision " + revision));
            }
        }

        private void use(OfNode n) {
            n.use().ifPresent(wanted -> use(n.node(), wanted));
        }

        private void use(Node node, List<TemplateName> wanted) {
            var before = nodes.usesAt(node);
            if (before.equals(wanted)) {
                return;
            }
            wanted.forEach(policies::require);
            nodes.use(node, wanted);
            journal.add(who, "set the templates of", node.text(), names(wanted));
            changes.add(new Change("use", node.text(), "uses " + names(wanted) + ", before " + names(before)));
        }

        private static String names(List<TemplateName> names) {
            return names.isEmpty()
                    ? "none"
                    : names.stream().map(TemplateName::text).collect(Collectors.joining(", "));
        }

        private record Slot(Node node, SettingKey key, boolean dated) {
            static Slot of(PolicyOverride o) {
                return new Slot(o.node(), o.key(), o.until().isPresent());
            }
        }

        private void overrides() {
            Map<Slot, PolicyOverride> there = new HashMap<>();
            nodes.overrides().forEach(o -> there.put(Slot.of(o), o));
            for (var wanted : wantedOverrides()) {
                var before = Optional.ofNullable(there.get(Slot.of(wanted)));
                if (before.filter(b -> same(b, wanted)).isEmpty()) {
                    policies.put(wanted);
                    changes.add(new Change(
                            "override",
                            wanted.node().text(),
                            wanted.key() + " " + words(wanted)
                                    + before.map(b -> ", before " + words(b)).orElse("")));
                }
            }
        }

        private List<PolicyOverride> wantedOverrides() {
            List<PolicyOverride> wanted = new ArrayList<>();
            for (var n : nodes()) {
                n.overrides()
                        .statements()
                        .forEach((key, statement) -> wanted.add(new PolicyOverride(
                                0,
                                n.node(),
                                key,
                                statement,
                                n.overrides().fixed().contains(key),
                                n.because().orElse(""),
                                who,
                                n.until())));
            }
            return wanted;
        }

        private static boolean same(PolicyOverride a, PolicyOverride b) {
            return a.statement().equals(b.statement())
                    && a.fixed() == b.fixed()
                    && a.because().equals(b.because())
                    && a.until().equals(b.until());
        }

        private static String words(PolicyOverride override) {
            return override.statement() instanceof Statement.Set(var value) ? PolicyWriter.value(value) : "unset";
        }

        private void prune() {
            Set<Node> using = nodes().stream()
                    .filter(n -> n.use().isPresent())
                    .map(OfNode::node)
                    .collect(Collectors.toSet());
            nodes.uses().keySet().stream()
                    .filter(n -> !using.contains(n))
                    .toList()
                    .forEach(n -> use(n, List.of()));
            Set<Slot> wanted = wantedOverrides().stream().map(Slot::of).collect(Collectors.toSet());
            for (var o : nodes.overrides()) {
                if (!wanted.contains(Slot.of(o))) {
                    nodes.removeOverride(o);
                    journal.add(
                            who,
                            "took an override back",
                            o.node().text(),
                            o.key().text());
                    changes.add(new Change("override", o.node().text(), o.key() + " removed, before " + words(o)));
                }
            }
            Set<TemplateName> named = templates().stream().map(OfTemplate::name).collect(Collectors.toSet());
            pruneCalendars();
            for (var t : store.latest()) {
                if (!named.contains(new TemplateName(t.name()))) {
                    store.removeTemplate(new TemplateName(t.name()));
                    journal.add(who, "removed a template", t.name(), "revision " + t.revision());
                    changes.add(new Change("template", t.name(), "removed"));
                }
            }
        }

        private void pruneCalendars() {
            Set<CalendarName> named = documents.stream()
                    .filter(OfCalendar.class::isInstance)
                    .map(d -> ((OfCalendar) d).name())
                    .collect(Collectors.toSet());
            for (var c : calendars.all()) {
                if (!named.contains(c.name())) {
                    calendars.remove(c.name());
                    journal.add(who, "removed a calendar", c.name().text(), "");
                    changes.add(new Change("calendar", c.name().text(), "removed, before " + c.dates()));
                }
            }
        }
    }

    /** Everything in the canonical form: the calendars, a file for each template, and one for what stands at groups and cameras. */
    List<PolicyFile> save() {
        refuseWhatIsNotUnderstood();
        List<PolicyFile> files = new ArrayList<>();
        var dates = calendars.all().stream().map(StoredCalendar::text).collect(Collectors.joining("---\n"));
        if (!dates.isEmpty()) {
            files.add(new PolicyFile("calendars.yaml", dates));
        }
        store.latest().forEach(t -> files.add(new PolicyFile("templates/" + t.name() + ".yaml", t.text())));
        var uses = nodes.uses();
        Map<Node, List<PolicyOverride>> overrides =
                nodes.overrides().stream().collect(Collectors.groupingBy(PolicyOverride::node));
        Set<Node> nodes = new java.util.TreeSet<>(uses.keySet());
        nodes.addAll(fleet.groups());
        nodes.addAll(overrides.keySet());
        var text = nodes.stream()
                .map(n -> PolicyWriter.node(n, uses.getOrDefault(n, List.of()), overrides.getOrDefault(n, List.of())))
                .collect(Collectors.joining("---\n"));
        if (!text.isEmpty()) {
            files.add(new PolicyFile("places.yaml", text));
        }
        return files;
    }

    /** A folder that leaves something out without a word would be taken for everything. */
    private void refuseWhatIsNotUnderstood() {
        nodes.notUnderstood().forEach((node, keys) -> {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "the override of " + keys.iterator().next() + " that is stored at " + node.text()
                            + " cannot be understood; set it again or take it back with: choir unset " + node.text()
                            + " " + keys.iterator().next());
        });
        calendars.notUnderstood().stream().findFirst().ifPresent(name -> {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "the calendar " + name + " that is stored cannot be understood; write it again with:"
                            + " choir calendar edit " + name);
        });
    }
}
