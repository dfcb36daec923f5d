package choir.server.plan;

import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

@Component
class PlanStore {
    private static final String PLAN = """
            SELECT id, kind, selection, days, mail, cron, who, next_at, last_at, last_work, trouble FROM plan
            """;

    private final Database database;
    private final Clock clock;

    PlanStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    List<Plan> all() {
        return database.query(PLAN + " ORDER BY id").query(PlanStore::plan).list();
    }

    Plan get(long id) {
        return database.query(PLAN + " WHERE id = :id")
                .param("id", id)
                .query(PlanStore::plan)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no plan " + id));
    }

    private static Plan plan(ResultSet row, int number) throws SQLException {
        long work = row.getLong("last_work");
        boolean worked = !row.wasNull();
        var trouble = row.getString("trouble");
        return new Plan(
                row.getLong("id"),
                PlanTask.of(
                        row.getString("kind").toLowerCase(Locale.ROOT),
                        row.getString("selection"),
                        row.getInt("days"),
                        Optional.ofNullable(row.getString("mail"))),
                new Timing(row.getString("cron")),
                row.getString("who"),
                instant(row.getString("next_at")),
                instant(row.getString("last_at")),
                worked ? Optional.of(work) : Optional.empty(),
                trouble.isEmpty() ? Optional.empty() : Optional.of(trouble));
    }

    private static Optional<Instant> instant(@Nullable String text) {
        return Optional.ofNullable(text).map(Instant::parse);
    }

    long add(PlanTask task, Timing timing, String who) {
        return database.change("""
                        INSERT INTO plan (kind, selection, days, mail, cron, who, created_at)
                        VALUES (:kind, :selection, :days, :mail, :cron, :who, :at) RETURNING id
                        """)
                .param("kind", task.word().toUpperCase(Locale.ROOT))
                .param("selection", task.select())
                .param("days", task instanceof PlanTask.Report r ? r.days() : null)
                .param("mail", task instanceof PlanTask.Report r ? r.mail().orElse(null) : null)
                .param("cron", timing.text())
                .param("who", who)
                .param("at", clock.instant().toString())
                .query(Long.class)
                .single();
    }

    void remove(long id) {
        database.change("DELETE FROM plan WHERE id = :id").param("id", id).update();
    }

    /** @return whether it was due then still; of two who see that it is due, one does it */
    boolean moveOn(Plan plan, Optional<Instant> next) {
        return database.change("UPDATE plan SET next_at = :next WHERE id = :id AND next_at IS :due")
                        .param("next", next.map(Instant::toString).orElse(null))
                        .param("id", plan.id())
                        .param("due", plan.next().map(Instant::toString).orElse(null))
                        .update()
                == 1;
    }

    void ran(Plan plan, long work) {
        told(plan, work, "");
    }

    void didNotRun(Plan plan, String why) {
        told(plan, null, why);
    }

    private void told(Plan plan, @Nullable Long work, String trouble) {
        database.change("""
                        UPDATE plan SET last_at = :now, last_work = coalesce(:work, last_work), trouble = :trouble
                        WHERE id = :id
                        """)
                .param("now", clock.instant().toString())
                .param("work", work)
                .param("trouble", trouble)
                .param("id", plan.id())
                .update();
    }
}
