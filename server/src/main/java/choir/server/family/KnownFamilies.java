package choir.server.family;

import choir.family.Families;
import choir.family.Family;
import choir.family.FamilyReader;
import choir.refusal.Refusal;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The families that Choir ships with, and those that were added here or made from what a recorder said of itself. */
@Component
public class KnownFamilies {
    record Stored(String name, String text, String author, String at) {}

    private static final Families SHIPPED = Families.shipped();

    private static final Logger LOG = LoggerFactory.getLogger(KnownFamilies.class);

    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private volatile Families families;

    KnownFamilies(Database database, Journal journal, Clock clock) {
        this.journal = journal;
        this.database = database;
        this.clock = clock;
        this.families = load();
    }

    /** A stored file that cannot be understood any more is left out, which is trouble of its recorders alone. */
    private Families load() {
        List<Family> further = new ArrayList<>();
        for (var stored : stored()) {
            try {
                further.add(FamilyReader.read(stored.text()));
            } catch (Refusal e) {
                LOG.error("the family {} cannot be understood: {}", stored.name(), e.getMessage());
            }
        }
        return SHIPPED.with(further);
    }

    List<Stored> stored() {
        return database.query("SELECT name, text, author, at FROM family ORDER BY name")
                .query(Stored.class)
                .list();
    }

    public Optional<Family> named(String name) {
        return families.named(name);
    }

    public Family require(String name) {
        return named(name)
                .orElseThrow(() -> Problem.notFound(
                        "family",
                        name,
                        families.all().stream().map(Family::name).toList()));
    }

    public Optional<Family> recognise(String manufacturer, String model) {
        return families.recognise(manufacturer, model);
    }

    public List<Family> all() {
        return List.copyOf(families.all());
    }

    /**
     * Adds a family, or replaces one that was added before.
     *
     * @throws choir.document.DocumentException with the place of each fault
     */
    public Family put(String text, String author) {
        var family = FamilyReader.read(text);
        if (SHIPPED.named(family.name()).isPresent()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "\"" + family.name() + "\" is a family that Choir ships with; give yours another name");
        }
        families.rival(family).ifPresent(other -> {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "\"" + other.name() + "\" recognises the very same recorders (maker " + family.maker() + ", model "
                            + family.model() + "), so nobody could say which of the two is meant");
        });
        database.write(() -> {
            database.change("""
                            INSERT INTO family (name, text, author, at) VALUES (:name, :text, :author, :at)
                            ON CONFLICT (name) DO UPDATE SET text = :text, author = :author, at = :at
                            """)
                    .param("name", family.name())
                    .param("text", text)
                    .param("author", author)
                    .param("at", clock.instant().toString())
                    .update();
            // What its recorders tell of themselves is held against the new one when they are read next.
            database.change("UPDATE recorder SET other_ranges = NULL WHERE family = :name")
                    .param("name", family.name())
                    .update();
            journal.add(author, "wrote a family", family.name(), "");
            database.tell(new Change.FamilyWritten(family.name()));
            // Before the change is told, so that whoever hears of it finds the family as it is now.
            families = load();
        });
        return family;
    }

    /** @throws Problem when it comes with Choir, or recorders are of it */
    void remove(String name, String who) {
        require(name);
        if (SHIPPED.named(name).isPresent()) {
            throw new Problem(Problem.Kind.CONFLICT, "\"" + name + "\" is a family that Choir ships with; it stays");
        }
        database.write(() -> {
            var recorders = database.query("SELECT name FROM recorder WHERE family = :name ORDER BY name LIMIT 4")
                    .param("name", name)
                    .query(String.class)
                    .list();
            if (!recorders.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        String.join(", ", recorders.subList(0, Math.min(3, recorders.size())))
                                + (recorders.size() > 3 ? " and others are" : recorders.size() == 1 ? " is" : " are")
                                + " of family \"" + name + "\", so it stays");
            }
            database.change("DELETE FROM family WHERE name = :name")
                    .param("name", name)
                    .update();
            journal.add(who, "removed a family", name, "");
            database.tell(new Change.FamilyWritten(name));
            families = load();
        });
    }
}
