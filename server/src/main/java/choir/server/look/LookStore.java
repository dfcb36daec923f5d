package choir.server.look;

import choir.server.db.Database;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** How far each person has seen; of nobody but themselves. */
@Component
class LookStore {
    private final Database database;
    private final Clock clock;

    LookStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    Moment now() {
        return database.query("""
                        SELECT ifnull((SELECT max(id) FROM finding), 0) AS finding,
                               ifnull((SELECT max(id) FROM journal), 0) AS entry
                        """)
                .query((row, n) -> new Moment(clock.instant(), row.getLong("finding"), row.getLong("entry")))
                .single();
    }

    Optional<Look> of(String person) {
        return database.query("SELECT * FROM look WHERE person = :person")
                .param("person", person)
                .query((row, n) -> new Look(moment(row, "since"), moment(row, "seen")))
                .optional();
    }

    /** What they have seen from now on. */
    Look look(String person) {
        return database.write(() -> {
            var now = now();
            var look = of(person).map(l -> l.again(now)).orElseGet(() -> Look.first(now));
            database.change("""
                            INSERT INTO look (person, since_at, since_finding, since_entry, seen_at, seen_finding, seen_entry)
                            VALUES (:person, :sinceAt, :sinceFinding, :sinceEntry, :seenAt, :seenFinding, :seenEntry)
                            ON CONFLICT (person) DO UPDATE SET
                              since_at = excluded.since_at, since_finding = excluded.since_finding,
                              since_entry = excluded.since_entry, seen_at = excluded.seen_at,
                              seen_finding = excluded.seen_finding, seen_entry = excluded.seen_entry
                            """)
                    .param("person", person)
                    .param("sinceAt", look.since().at().toString())
                    .param("sinceFinding", look.since().finding())
                    .param("sinceEntry", look.since().entry())
                    .param("seenAt", look.seen().at().toString())
                    .param("seenFinding", look.seen().finding())
                    .param("seenEntry", look.seen().entry())
                    .update();
            return look;
        });
    }

    private static Moment moment(ResultSet row, String which) throws SQLException {
        return new Moment(
                Instant.parse(row.getString(which + "_at")),
                row.getLong(which + "_finding"),
                row.getLong(which + "_entry"));
    }
}
