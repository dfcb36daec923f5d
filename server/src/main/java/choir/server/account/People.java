package choir.server.account;

import choir.server.account.PeopleApi.PersonView;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;

/**
 * Looks after who there is. One administrator with a password here is always left, for the day on which the organisation's
 * accounts cannot be asked.
 */
@Component
class People {
    private static final Pattern NAME = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}._@-]{0,63}");

    private final Accounts accounts;
    private final Database database;
    private final Journal journal;
    private final Clock clock;

    People(Accounts accounts, Database database, Journal journal, Clock clock) {
        this.clock = clock;
        this.accounts = accounts;
        this.database = database;
        this.journal = journal;
    }

    List<PersonView> all() {
        return database.query("""
                        SELECT name, one_time, one_time_until, created_at, subject,
                        """ + Grants.COLUMNS + """
                        ,
                               EXISTS (SELECT 1 FROM second_factor WHERE account = name AND since IS NOT NULL) AS second_factor,
                               (SELECT count(*) FROM token WHERE account = name) AS tokens
                        FROM account ORDER BY name
                        """)
                .query((row, n) ->
                        view(row, accounts.require(row.getString("name")).grants()))
                .list();
    }

    private static PersonView view(ResultSet row, Grants grants) throws SQLException {
        return new PersonView(
                row.getString("name"),
                grants.texts(),
                grants.footage().orElse(null),
                grants.decides().orElse(null),
                row.getBoolean("one_time"),
                row.getString("one_time_until"),
                row.getString("created_at"),
                row.getString("subject") != null,
                row.getBoolean("second_factor"),
                row.getInt("tokens"));
    }

    static boolean isName(String name) {
        return NAME.matcher(name).matches();
    }

    /** What the organisation decides is not decided here. */
    private void mustBeLocal(String name, String what) {
        if (accounts.require(name).subject().isPresent()) {
            throw new Problem(
                    Problem.Kind.CONFLICT, name + " comes by the organisation's accounts, which decide " + what);
        }
    }

    Grants grants(String name) {
        return accounts.require(name).grants();
    }

    /** @return the one-time password */
    String add(String name, Grants grants, String who) {
        if (!isName(name)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "\"" + name
                            + "\" is no name to sign in with; expected 1 to 64 letters, digits, points, dashes and @");
        }
        return database.write(() -> {
            if (accounts.find(name).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "there is a person " + name + " already");
            }
            var password = accounts.add(name, grants, who);
            accounts.invitedUntil(name, invitedUntil());
            return password;
        });
    }

    void give(String name, Grants grants, String who) {
        database.write(() -> {
            mustBeLocal(name, "what they may do");
            var before = accounts.require(name).grants();
            if (before.equals(grants)) {
                return;
            }
            accounts.give(name, grants);
            keepAnAdministrator();
            journal.add(who, "gave a person another role", name, before + " -> " + grants);
        });
    }

    /** @return the new one-time password; the old one and all tokens hold no more */
    String renew(String name, String who) {
        return database.write(() -> {
            mustBeLocal(name, "how they are let in");
            journal.add(who, "gave a person a one-time password", name, "");
            var password = accounts.renew(name);
            accounts.invitedUntil(name, invitedUntil());
            return password;
        });
    }

    private Instant invitedUntil() {
        return clock.instant().plus(Accounts.INVITED_FOR).truncatedTo(ChronoUnit.MINUTES);
    }

    void remove(String name, String who) {
        database.write(() -> {
            accounts.require(name);
            database.change("DELETE FROM account WHERE name = :name")
                    .param("name", name)
                    .update();
            keepAnAdministrator();
            journal.add(who, "removed a person", name, "");
        });
    }

    private void keepAnAdministrator() {
        int left = database.query("""
                        SELECT count(*) FROM account WHERE subject IS NULL AND EXISTS (
                          SELECT 1 FROM account_grant
                          WHERE account = name AND role = 'ADMINISTRATOR' AND place = 'fleet')
                        """).query(Integer.class).single();
        if (left == 0) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "nobody would be left to look after the service; make another administrator first");
        }
    }
}
