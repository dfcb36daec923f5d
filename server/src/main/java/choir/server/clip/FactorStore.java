package choir.server.clip;

import choir.server.db.Database;
import choir.server.journal.Journal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** By what factor the levels of recorders of a kind differ from the model's, where somebody had that found and kept it. */
@Component
class FactorStore {
    /**
     * @param before the share of the events of either that both had without it, 0 to 1
     * @param after with it
     * @param events of recorders from which it was found
     */
    record LevelFactor(
            String family,
            String model,
            double factor,
            double before,
            double after,
            int events,
            String who,
            String at) {}

    private final Database database;
    private final Journal journal;
    private final Clock clock;

    FactorStore(Database database, Journal journal, Clock clock) {
        this.database = database;
        this.journal = journal;
        this.clock = clock;
    }

    List<LevelFactor> all() {
        return database.query("SELECT * FROM level_factor ORDER BY family, model")
                .query((row, n) -> new LevelFactor(
                        row.getString("family"),
                        row.getString("model"),
                        row.getDouble("factor"),
                        row.getDouble("share_before"),
                        row.getDouble("share_after"),
                        row.getInt("events"),
                        row.getString("who"),
                        row.getString("at")))
                .list();
    }

    /** 1 where none is known. */
    double of(String family, String model) {
        return find(family, model).orElse(1.0);
    }

    private Optional<Double> find(String family, String model) {
        return database.query("SELECT factor FROM level_factor WHERE family = :family AND model = :model")
                .param("family", family)
                .param("model", model)
                .query(Double.class)
                .optional();
    }

    void keep(String family, String model, choir.motion.Agreement.Factor found, String who) {
        database.write(() -> {
            database.change("""
                            INSERT INTO level_factor (family, model, factor, share_before, share_after, events, who, at)
                            VALUES (:family, :model, :factor, :before, :after, :events, :who, :at)
                            ON CONFLICT (family, model) DO UPDATE SET factor = excluded.factor,
                              share_before = excluded.share_before, share_after = excluded.share_after,
                              events = excluded.events, who = excluded.who, at = excluded.at
                            """)
                    .param("family", family)
                    .param("model", model)
                    .param("factor", found.value())
                    .param("before", found.before())
                    .param("after", found.after())
                    .param("events", found.events())
                    .param("who", who)
                    .param("at", clock.instant().toString())
                    .update();
            journal.add(
                    who,
                    "keeps a factor of the level",
                    "family:" + family,
                    model + ": " + TrialViews.rounded(found.value()) + ", from " + found.events() + " events");
        });
    }

    /** @return whether there was one */
    boolean remove(String family, String model, String who) {
        return database.write(() -> {
            boolean there = database.change("DELETE FROM level_factor WHERE family = :family AND model = :model")
                            .param("family", family)
                            .param("model", model)
                            .update()
                    == 1;
            if (there) {
                journal.add(who, "removes a factor of the level", "family:" + family, model);
            }
            return there;
        });
    }
}
