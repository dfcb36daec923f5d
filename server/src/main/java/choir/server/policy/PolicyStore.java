package choir.server.policy;

import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.fleet.Node;
import choir.policy.NodeWords;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.refusal.Refusal;
import choir.server.db.Change;
import choir.server.db.Database;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Templates with their revisions, and the book that they make with what is said at groups. */
@Component
public class PolicyStore {
    private record Revision(TemplateName name, int number, String text) {}

    public record StoredRevision(String name, int revision, String text, String author, String at) {}

    /** What of a table of the past held then. */
    static final String HELD = " WHERE since <= :then AND (until IS NULL OR until > :then)";

    private static final Logger LOG = LoggerFactory.getLogger(PolicyStore.class);
    private static final long MOST_UNDERSTOOD_CHARACTERS = 32_000_000;

    private final Database database;
    private final NodeStore nodes;
    private final CalendarStore calendars;
    private final Clock clock;
    /** Each text is understood once. It is part of the key, since a revision that was only tried never came to be. */
    private final Cache<Revision, Optional<Template>> understood = Caffeine.newBuilder()
            .maximumWeight(MOST_UNDERSTOOD_CHARACTERS)
            .<Revision, Optional<Template>>weigher(
                    (revision, template) -> revision.text().length())
            .build();

    PolicyStore(Database database, NodeStore nodes, CalendarStore calendars, Clock clock) {
        this.database = database;
        this.calendars = calendars;
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
        return book(byName, nodes.wordsOfGroups(), day);
    }

    private static PolicyBook book(Map<TemplateName, Template> templates, Map<Node, NodeWords> said, LocalDate day) {
        Map<Node, List<TemplateName>> uses = new HashMap<>();
        List<PolicyOverride> overrides = new ArrayList<>();
        said.forEach((node, words) -> {
            uses.put(node, words.uses());
            overrides.addAll(words.overrides());
        });
        return new PolicyBook(templates, uses, overrides, day);
    }

    /** Everything that was said at groups then. */
    PolicyBook bookThen(Instant then, LocalDate day) {
        Map<TemplateName, Template> byName = new HashMap<>();
        database.query("SELECT name, revision, text, author, at FROM template_then" + HELD)
                .param("then", then.toEpochMilli())
                .query(StoredRevision.class)
                .list()
                .forEach(r -> template(r).ifPresent(t -> byName.put(t.name(), t)));
        return book(byName, nodes.wordsOfGroups(then), day);
    }

    /** What is said at groups, and in templates and calendars, that cannot be understood. */
    public NotUnderstood notUnderstood() {
        Map<Node.Group, Set<String>> atGroups = new HashMap<>();
        nodes.wordsOfGroups().forEach((node, words) -> {
            if (node instanceof Node.Group group && !words.notUnderstood().isEmpty()) {
                atGroups.put(group, words.notUnderstood());
            }
        });
        return new NotUnderstood(
                atGroups,
                latest().stream()
                        .filter(t -> template(t).isEmpty())
                        .map(t -> new TemplateName(t.name()))
                        .collect(Collectors.toSet()),
                calendars.notUnderstood());
    }

    public Set<TemplateName> names() {
        return latest().stream().map(t -> new TemplateName(t.name())).collect(Collectors.toSet());
    }

    List<Template> templates() {
        return latest().stream().map(this::template).flatMap(Optional::stream).toList();
    }

    Optional<Template> template(TemplateName name) {
        return latest(name).flatMap(this::template);
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

    /** Empty for a text that cannot be understood. */
    private Optional<Template> template(StoredRevision stored) {
        return understood.get(
                new Revision(new TemplateName(stored.name()), stored.revision(), stored.text()), PolicyStore::read);
    }

    private static Optional<Template> read(Revision revision) {
        try {
            return PolicyReader.read(revision.text()).stream()
                    .filter(PolicyDocument.OfTemplate.class::isInstance)
                    .map(PolicyDocument.OfTemplate.class::cast)
                    .findFirst()
                    .map(d -> new Template(revision.name(), revision.number(), d.title(), d.base(), d.layer()));
        } catch (Refusal e) {
            LOG.error("revision {} of template {} cannot be understood", revision.number(), revision.name(), e);
            return Optional.empty();
        }
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
