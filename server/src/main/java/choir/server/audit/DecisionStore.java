package choir.server.audit;

import choir.server.db.Database;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Who decided what about findings, when and why. Rows are only ever added. */
@Component
public class DecisionStore {
    /** @param decision one word, such as {@code adopted} */
    public record Decided(
            long finding,
            Instant at,
            String who,
            String decision,
            String because,
            Optional<LocalDate> until,
            Optional<String> assignee) {}

    private static final String DECIDED =
            "SELECT finding, at, who, decision, because, until, assignee FROM finding_decision";

    private final Database database;
    private final Clock clock;

    DecisionStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** To be called within the transaction that does what was decided. */
    void add(long finding, Decision decision, String who) {
        database.change("""
                        INSERT INTO finding_decision (finding, at, who, decision, because, until, assignee)
                        VALUES (:finding, :at, :who, :decision, :because, :until, :assignee)
                        """)
                .param("finding", finding)
                .param("at", clock.instant().toString())
                .param("who", who)
                .param("decision", decision.word())
                .param("because", decision.because())
                .param("until", decision.until().map(LocalDate::toString).orElse(null))
                .param("assignee", decision.assignee().orElse(null))
                .update();
    }

    /** In the order in which they were taken. */
    List<Decided> of(long finding) {
        return database.query(DECIDED + " WHERE finding = :finding ORDER BY id")
                .param("finding", finding)
                .query(DecisionStore::decided)
                .list();
    }

    public List<Decided> within(Instant from, Instant to) {
        return database.query(DECIDED + " WHERE at >= :from AND at < :to ORDER BY id")
                .param("from", from.toString())
                .param("to", to.toString())
                .query(DecisionStore::decided)
                .list();
    }

    private static Decided decided(ResultSet row, int number) throws SQLException {
        return new Decided(
                row.getLong("finding"),
                Instant.parse(row.getString("at")),
                row.getString("who"),
                row.getString("decision"),
                row.getString("because"),
                Optional.ofNullable(row.getString("until")).map(LocalDate::parse),
                Optional.ofNullable(row.getString("assignee")));
    }
}
