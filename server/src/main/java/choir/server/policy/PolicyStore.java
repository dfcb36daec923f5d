package choir.server.policy;

import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.fleet.Node;
import choir.policy.PolicyBook;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.server.db.Change;
import choir.server.db.Database;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Templates with their revisions, and the book that they make with what is said at groups. */
@Component
public class PolicyStore {
    private record Revision(TemplateName name, int number, String text) {}

    public record StoredRevision(String name, int revision, String text, String author, String at) {}

    private static final long MOST_UNDERSTOOD_CHARACTERS = 32_000_000;

    private final Database database;
    private final NodeStore nodes;
    private final Clock clock;
    /** Each text is understood once. It is part of the key, since a revision that was only tried never came to be. */
    private final Cache<Revision, Template> understood = Caffeine.newBuilder()
            .maximumWeight(MOST_UNDERSTOOD_CHARACTERS)
            .<Revision, Template>weigher((revision, template) -> revision.text().length())
            .build();

    PolicyStore(Database database, NodeStore nodes, Clock clock) {
        this.database = database;
        this.nodes = nodes;
        this.clock = clock;
    }

    /** Everything that was said at groups, as of a day. What is said at cameras is in {@link NodeStore#wordsOfCameras}. */
    public PolicyBook book(LocalDate day) {
        return book(Optional.empty(), day);
    }

    /** The same as if the given template stood in place of the one of its name. */
    public PolicyBook book(Optional<Template> tried, LocalDate day) {
        Map<TemplateName, Template> byName = new HashMap<>();
        templates().forEach(t -> byName.put(t.name(), t));
        tried.ifPresent(t -> byName.put(t.name(), t));
        Map<Node, List<TemplateName>> uses = new HashMap<>();
        nodes.usesAtGroups().forEach(uses::put);
        return new PolicyBook(byName, uses, nodes.overridesAtGroups(), day);
    }

    public Set<TemplateName> names() {
        return latest().stream().map(t -> new TemplateName(t.name())).collect(Collectors.toSet());
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
        database.tell(new Change.TemplateRevised(name));
    }

    /** With all its revisions; it must be used nowhere. */
    void removeTemplate(TemplateName name) {
        database.change("DELETE FROM template WHERE name = :name")
                .param("name", name.text())
                .update();
        database.tell(new Change.TemplateRevised(name));
    }
}
