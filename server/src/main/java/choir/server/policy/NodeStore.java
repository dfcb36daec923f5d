package choir.server.policy;

import choir.document.PolicyWriter;
import choir.document.SettingReader;
import choir.fleet.Node;
import choir.policy.Layer.Statement;
import choir.policy.NodeWords;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.refusal.Refusal;
import choir.server.db.Change;
import choir.server.db.Database;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** What is said at nodes: the templates used there, in their order, and overrides. */
@Component
public class NodeStore {
    /** Whether a node is a group or a camera, as its column holds it. */
    private enum Kind {
        GROUP,
        CAMERA;

        static Kind of(Node node) {
            return switch (node) {
                case Node.Group g -> GROUP;
                case Node.Camera c -> CAMERA;
            };
        }

        Node node(String text) {
            return switch (this) {
                case GROUP -> new Node.Group(text);
                case CAMERA -> Node.Camera.parse(text);
            };
        }
    }

    /** A part of what is said at nodes. */
    private record Which(String condition, Map<String, String> parameters) {
        static Which ofRecorder(String recorder) {
            // Names of recorders have no slash, and '0' is the character after it.
            return new Which(
                    " WHERE node_kind = 'CAMERA' AND node >= :from AND node < :to",
                    Map.of("from", recorder + "/", "to", recorder + "0"));
        }

        static final Which PAST_AT_GROUPS = new Which(" WHERE node_kind = 'GROUP' AND until IS NOT NULL", Map.of());

        static Which ofKind(Kind kind) {
            return new Which(" WHERE node_kind = :kind", Map.of("kind", kind.name()));
        }

        static Which of(Node node) {
            return new Which(
                    " WHERE node_kind = :kind AND node = :node",
                    Map.of("kind", Kind.of(node).name(), "node", node.text()));
        }
    }

    /** The tables in which it stands what was said. */
    private record Tables(String uses, String overrides, Map<String, Long> parameters) {
        static final Tables NOW = new Tables("template_use", "policy_override", Map.of());

        static Tables then(Instant at) {
            return new Tables(
                    "(SELECT node_kind, node, position, template FROM template_use_then" + PolicyStore.HELD + ")",
                    "(SELECT id, node_kind, node, key, value, fixed, because, author, until_day AS until"
                            + " FROM policy_override_then" + PolicyStore.HELD + ")",
                    Map.of("then", at.toEpochMilli()));
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(NodeStore.class);
    private static final Which ALL = new Which("", Map.of());

    private final Database database;
    private final Clock clock;

    NodeStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** What is said straight at groups. */
    Map<Node, NodeWords> wordsOfGroups() {
        return words(Which.ofKind(Kind.GROUP), Tables.NOW);
    }

    /** What was said straight at groups then. */
    Map<Node, NodeWords> wordsOfGroups(Instant then) {
        return words(Which.ofKind(Kind.GROUP), Tables.then(then));
    }

    /** What was said straight at the cameras of a recorder then. */
    Map<Node, NodeWords> wordsOfCameras(String recorder, Instant then) {
        return words(Which.ofRecorder(recorder), Tables.then(then));
    }

    /**
     * What is said straight at cameras.
     *
     * @param recorder of which alone it is wanted; empty for all
     */
    public Map<Node.Camera, NodeWords> wordsOfCameras(Optional<String> recorder) {
        Map<Node.Camera, NodeWords> words = new HashMap<>();
        words(recorder.map(Which::ofRecorder).orElseGet(() -> Which.ofKind(Kind.CAMERA)), Tables.NOW)
                .forEach((node, said) -> {
                    if (node instanceof Node.Camera camera) {
                        words.put(camera, said);
                    }
                });
        return words;
    }

    private Map<Node, NodeWords> words(Which which, Tables tables) {
        var uses = uses(which, tables);
        var overrides = read(which, tables);
        Set<Node> nodes = new HashSet<>(uses.keySet());
        nodes.addAll(overrides.understood().keySet());
        nodes.addAll(overrides.not().keySet());
        Map<Node, NodeWords> words = HashMap.newHashMap(nodes.size());
        for (var node : nodes) {
            words.put(
                    node,
                    new NodeWords(
                            uses.getOrDefault(node, List.of()),
                            overrides.understood().getOrDefault(node, List.of()),
                            overrides.not().getOrDefault(node, Set.of())));
        }
        return words;
    }

    Map<Node, List<TemplateName>> uses() {
        return uses(ALL, Tables.NOW);
    }

    List<TemplateName> usesAt(Node node) {
        return uses(Which.of(node), Tables.NOW).getOrDefault(node, List.of());
    }

    private Map<Node, List<TemplateName>> uses(Which which, Tables tables) {
        Map<Node, List<TemplateName>> uses = new LinkedHashMap<>();
        database.query("SELECT node_kind, node, template FROM " + tables.uses() + which.condition()
                        + " ORDER BY node_kind DESC, node, position")
                .params(which.parameters())
                .params(tables.parameters())
                .query(row -> {
                    uses.computeIfAbsent(node(row), k -> new ArrayList<>())
                            .add(new TemplateName(row.getString("template")));
                });
        return uses;
    }

    private static Node node(ResultSet row) throws SQLException {
        return Kind.valueOf(row.getString("node_kind")).node(row.getString("node"));
    }

    public List<PolicyOverride> overrides() {
        return overrides(ALL);
    }

    List<PolicyOverride> overridesAt(Node node) {
        return overrides(Which.of(node));
    }

    /** Those that are past their last day on the date, at the recorder's cameras and at groups. */
    public List<PolicyOverride> overridesPast(LocalDate day, String recorder) {
        return Stream.concat(overrides(Which.ofRecorder(recorder)).stream(), overrides(Which.PAST_AT_GROUPS).stream())
                .filter(o -> !o.countsOn(day))
                .toList();
    }

    /** Settings of which an override is stored that cannot be understood. */
    Map<Node, Set<String>> notUnderstood() {
        return read(ALL, Tables.NOW).not();
    }

    private List<PolicyOverride> overrides(Which which) {
        return read(which, Tables.NOW).understood().values().stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparing(PolicyOverride::id))
                .toList();
    }

    private record Overrides(Map<Node, List<PolicyOverride>> understood, Map<Node, Set<String>> not) {}

    private Overrides read(Which which, Tables tables) {
        var read = new Overrides(new HashMap<>(), new HashMap<>());
        database.query("SELECT id, node_kind, node, key, value, fixed, because, author, until FROM "
                        + tables.overrides() + which.condition() + " ORDER BY id")
                .params(which.parameters())
                .params(tables.parameters())
                .query(row -> {
                    var node = node(row);
                    try {
                        read.understood()
                                .computeIfAbsent(node, n -> new ArrayList<>())
                                .add(override(node, row));
                    } catch (Refusal | DateTimeParseException e) {
                        LOG.error(
                                "override {} at {} cannot be understood: {}", row.getLong("id"), node, e.getMessage());
                        read.not().computeIfAbsent(node, n -> new TreeSet<>()).add(row.getString("key"));
                    }
                });
        return read;
    }

    private static PolicyOverride override(Node node, ResultSet row) throws SQLException {
        var key = row.getString("key");
        var value = row.getString("value");
        return new PolicyOverride(
                row.getLong("id"),
                node,
                new SettingKey(key),
                value == null ? new Statement.Unset() : new Statement.Set(SettingReader.read(key, value)),
                row.getBoolean("fixed"),
                row.getString("because"),
                row.getString("author"),
                Optional.ofNullable(row.getString("until")).map(LocalDate::parse));
    }

    /** Counts the changes of what is said at a node. */
    long versionOf(Node node) {
        return database.query("SELECT version FROM node_version WHERE node_kind = :kind AND node = :node")
                .param("kind", Kind.of(node).name())
                .param("node", node.text())
                .query(Long.class)
                .optional()
                .orElse(0L);
    }

    private void spoken(Node node) {
        database.change("""
                        INSERT INTO node_version (node_kind, node, version) VALUES (:kind, :node, 1)
                        ON CONFLICT (node_kind, node) DO UPDATE SET version = version + 1
                        """)
                .param("kind", Kind.of(node).name())
                .param("node", node.text())
                .update();
        database.tell(new Change.NodeSpoken(node));
    }

    void use(Node node, List<TemplateName> templates) {
        database.change("DELETE FROM template_use WHERE node_kind = :kind AND node = :node")
                .param("kind", Kind.of(node).name())
                .param("node", node.text())
                .update();
        for (int i = 0; i < templates.size(); i++) {
            database.change("""
                            INSERT INTO template_use (node_kind, node, position, template)
                            VALUES (:kind, :node, :position, :template)
                            """)
                    .param("kind", Kind.of(node).name())
                    .param("node", node.text())
                    .param("position", i)
                    .param("template", templates.get(i).text())
                    .update();
        }
        spoken(node);
    }

    /** Setting again replaces the override of the same kind, with or without an end date. */
    void put(PolicyOverride override) {
        database.change("""
                        DELETE FROM policy_override
                        WHERE node_kind = :kind AND node = :node AND key = :key AND (until IS NULL) = :undated
                        """)
                .param("kind", Kind.of(override.node()).name())
                .param("node", override.node().text())
                .param("key", override.key().text())
                .param("undated", override.until().isEmpty() ? 1 : 0)
                .update();
        database.change("""
                        INSERT INTO policy_override
                          (node_kind, node, key, value, fixed, because, author, until, created_at)
                        VALUES (:kind, :node, :key, :value, :fixed, :because, :author, :until, :at)
                        """)
                .param("kind", Kind.of(override.node()).name())
                .param("node", override.node().text())
                .param("key", override.key().text())
                .param(
                        "value",
                        override.statement() instanceof Statement.Set(var value) ? PolicyWriter.value(value) : null)
                .param("fixed", override.fixed() ? 1 : 0)
                .param("because", override.because())
                .param("author", override.author())
                .param("until", override.until().map(LocalDate::toString).orElse(null))
                .param("at", clock.instant().toString())
                .update();
        spoken(override.node());
    }

    /** How many were taken away. */
    int removeOverrides(Node node, SettingKey key) {
        int gone = database.change(
                        "DELETE FROM policy_override WHERE node_kind = :kind AND node = :node AND key = :key")
                .param("kind", Kind.of(node).name())
                .param("node", node.text())
                .param("key", key.text())
                .update();
        spoken(node);
        return gone;
    }

    void removeOverride(PolicyOverride override) {
        database.change("DELETE FROM policy_override WHERE id = :id")
                .param("id", override.id())
                .update();
        spoken(override.node());
    }
}
