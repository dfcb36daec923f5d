package choir.server.policy;

import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.document.SettingReader;
import choir.fleet.Node;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.server.db.Database;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Templates with their revisions, where they are used, and overrides. */
@Component
public class PolicyStore {
    private record Revision(TemplateName name, int number, String text) {}

    public record StoredRevision(String name, int revision, String text, String author, String at) {}

    private static final long MOST_UNDERSTOOD_CHARACTERS = 32_000_000;

    private final Database database;
    private final Clock clock;
    /** Each text is understood once. It is part of the key, since a revision that was only tried never came to be. */
    private final Cache<Revision, Template> understood = Caffeine.newBuilder()
            .maximumWeight(MOST_UNDERSTOOD_CHARACTERS)
            .<Revision, Template>weigher((revision, template) -> revision.text().length())
            .build();

    PolicyStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Everything that was said, as of today. */
    public PolicyBook book() {
        return book(Optional.empty());
    }

    /** The same as if the given template stood in place of the one of its name. */
    public PolicyBook book(Optional<Template> tried) {
        Map<TemplateName, Template> byName = new HashMap<>();
        templates().forEach(t -> byName.put(t.name(), t));
        tried.ifPresent(t -> byName.put(t.name(), t));
        Map<Node, List<TemplateName>> uses = new HashMap<>();
        uses().forEach((node, names) -> uses.put(node, names));
        return new PolicyBook(byName, uses, overrides(), LocalDate.now(clock));
    }

    List<Template> templates() {
        return latest().stream().map(this::template).toList();
    }

    Optional<Template> template(TemplateName name) {
        return latest(name).map(this::template);
    }

    Optional<StoredRevision> latest(TemplateName name) {
        return database.query("""
                        SELECT r.name, r.revision, r.text, r.author, r.at
                        FROM template t JOIN template_revision r ON r.name = t.name AND r.revision = t.revision
                        WHERE t.name = :name
                        """)
                .param("name", name.text())
                .query(StoredRevision.class)
                .optional();
    }

    List<StoredRevision> latest() {
        return database.query("""
                        SELECT r.name, r.revision, r.text, r.author, r.at
                        FROM template t JOIN template_revision r ON r.name = t.name AND r.revision = t.revision
                        ORDER BY r.name
                        """).query(StoredRevision.class).list();
    }

    List<StoredRevision> revisions(TemplateName name) {
        return database.query("""
                        SELECT name, revision, text, author, at FROM template_revision WHERE name = :name
                        ORDER BY revision DESC
                        """)
                .param("name", name.text())
                .query(StoredRevision.class)
                .list();
    }

    private Template template(StoredRevision stored) {
        return understood.get(
                new Revision(new TemplateName(stored.name()), stored.revision(), stored.text()), revision -> {
                    var document = (PolicyDocument.OfTemplate)
                            PolicyReader.read(stored.text()).getFirst();
                    return new Template(
                            revision.name(), revision.number(), document.title(), document.base(), document.layer());
                });
    }

    Map<Node, List<TemplateName>> uses() {
        Map<Node, List<TemplateName>> uses = new LinkedHashMap<>();
        database.query("SELECT node, template FROM template_use ORDER BY node, position")
                .query((row, n) -> Map.entry(row.getString("node"), row.getString("template")))
                .list()
                .forEach(e -> uses.computeIfAbsent(Node.parse(e.getKey()), k -> new ArrayList<>())
                        .add(new TemplateName(e.getValue())));
        return uses;
    }

    public List<PolicyOverride> overrides() {
        return database.query(
                        "SELECT id, node, key, value, fixed, because, author, until FROM policy_override ORDER BY id")
                .query(PolicyStore::override)
                .list();
    }

    private static PolicyOverride override(ResultSet row, int number) throws SQLException {
        var key = row.getString("key");
        var value = row.getString("value");
        return new PolicyOverride(
                row.getLong("id"),
                Node.parse(row.getString("node")),
                new SettingKey(key),
                value == null ? new Statement.Unset() : new Statement.Set(SettingReader.read(key, value)),
                row.getBoolean("fixed"),
                row.getString("because"),
                row.getString("author"),
                Optional.ofNullable(row.getString("until")).map(LocalDate::parse));
    }

    void addRevision(TemplateName name, int revision, String text, String author) {
        database.change("""
                        INSERT INTO template (name, revision) VALUES (:name, :revision)
                        ON CONFLICT (name) DO UPDATE SET revision = :revision
                        """)
                .param("name", name.text())
                .param("revision", revision)
                .update();
        database.change("""
                        INSERT INTO template_revision (name, revision, text, author, at)
                        VALUES (:name, :revision, :text, :author, :at)
                        """)
                .param("name", name.text())
                .param("revision", revision)
                .param("text", text)
                .param("author", author)
                .param("at", clock.instant().toString())
                .update();
    }

    void use(Node node, List<TemplateName> templates) {
        database.change("DELETE FROM template_use WHERE node = :node")
                .param("node", stored(node))
                .update();
        for (int i = 0; i < templates.size(); i++) {
            database.change("INSERT INTO template_use (node, position, template) VALUES (:node, :position, :template)")
                    .param("node", stored(node))
                    .param("position", i)
                    .param("template", templates.get(i).text())
                    .update();
        }
    }

    /** Setting again replaces the override of the same kind, with or without an end date. */
    void override(
            Node node,
            SettingKey key,
            @Nullable String value,
            boolean fixed,
            String because,
            String author,
            Optional<LocalDate> until) {
        database.change("""
                        DELETE FROM policy_override WHERE node = :node AND key = :key AND (until IS NULL) = :undated
                        """)
                .param("node", stored(node))
                .param("key", key.text())
                .param("undated", until.isEmpty() ? 1 : 0)
                .update();
        database.change("""
                        INSERT INTO policy_override (node, key, value, fixed, because, author, until, created_at)
                        VALUES (:node, :key, :value, :fixed, :because, :author, :until, :at)
                        """)
                .param("node", stored(node))
                .param("key", key.text())
                .param("value", value)
                .param("fixed", fixed ? 1 : 0)
                .param("because", because)
                .param("author", author)
                .param("until", until.map(LocalDate::toString).orElse(null))
                .param("at", clock.instant().toString())
                .update();
    }

    /** How many were taken away. */
    int removeOverrides(Node node, SettingKey key) {
        return database.change("DELETE FROM policy_override WHERE node = :node AND key = :key")
                .param("node", stored(node))
                .param("key", key.text())
                .update();
    }

    void removeOverride(long id) {
        database.change("DELETE FROM policy_override WHERE id = :id")
                .param("id", id)
                .update();
    }

    /** With all its revisions; it must be used nowhere. */
    void removeTemplate(TemplateName name) {
        database.change("DELETE FROM template WHERE name = :name")
                .param("name", name.text())
                .update();
    }

    static String stored(Node node) {
        return switch (node) {
            case Node.Group g -> g.text();
            case Node.Camera c -> "camera:" + c.text();
        };
    }
}
