package choir.server.fleet;

import choir.server.db.Database;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Passwords on their way to recorders. One that was sent is kept beside the old one until it is known which of the two the
 * recorder takes, so that there is never a recorder whose password nobody knows.
 */
@Component
public class PasswordStore {
    /** Which of two passwords the recorder took. */
    public enum Taken {
        /** There is only one. */
        THE_ONLY,
        OLD,
        NEW
    }

    private final Database database;

    PasswordStore(Database database) {
        this.database = database;
    }

    /** It is meant to be given and was not sent yet; to be called within a transaction. */
    public void plan(String recorder, byte[] secret) {
        database.change("UPDATE recorder SET next_secret = :secret, next_sent = 0 WHERE name = :name AND next_sent = 0")
                .param("secret", secret)
                .param("name", recorder)
                .update();
    }

    /**
     * From here on either may be the right one; to be called within a transaction that ends before anything is sent.
     *
     * @return the new one; empty when none is meant to be given any more
     */
    public Optional<byte[]> sending(String recorder) {
        database.change("UPDATE recorder SET next_sent = 1 WHERE name = :name AND next_secret IS NOT NULL")
                .param("name", recorder)
                .update();
        return next(recorder);
    }

    /**
     * What became of sending it, whatever was said of the recorder's password meanwhile: what the recorder was seen to take
     * counts. To be called within a transaction.
     *
     * @param taken empty when it was not seen, so that either may be the right one
     */
    public void sent(String recorder, byte[] fresh, Optional<Taken> taken) {
        database.change("UPDATE recorder SET next_secret = :fresh, next_sent = 1 WHERE name = :name")
                .param("fresh", fresh)
                .param("name", recorder)
                .update();
        taken.ifPresent(which -> settle(recorder, which));
    }

    /** What was meant to be given and was never sent is forgotten; to be called within a transaction. */
    public void giveUp(String recorder) {
        database.change("UPDATE recorder SET next_secret = NULL WHERE name = :name AND next_sent = 0")
                .param("name", recorder)
                .update();
    }

    /** The password that is on its way, or is meant to be. */
    public Optional<byte[]> next(String recorder) {
        return database.query("SELECT next_secret FROM recorder WHERE name = :name AND next_secret IS NOT NULL")
                .param("name", recorder)
                .query((row, n) -> row.getBytes("next_secret"))
                .optional();
    }

    /** The recorder was seen to take one of the two; to be called within a transaction. */
    public void settle(String recorder, Taken taken) {
        switch (taken) {
            case THE_ONLY -> {
                // There is nothing to settle.
            }
            case OLD ->
                database.change(
                                "UPDATE recorder SET next_secret = NULL, next_sent = 0 WHERE name = :name AND next_sent = 1")
                        .param("name", recorder)
                        .update();
            case NEW -> database.change("""
                                UPDATE recorder SET secret = next_secret, next_secret = NULL, next_sent = 0,
                                  version = version + 1
                                WHERE name = :name AND next_sent = 1 AND next_secret IS NOT NULL
                                """).param("name", recorder).update();
        }
    }
}
