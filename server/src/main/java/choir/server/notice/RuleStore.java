package choir.server.notice;

import choir.drift.Severity;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

@Component
class RuleStore {
    private static final String RULE = "SELECT id, way, target, severity, quiet_from, quiet_to, who FROM notice_rule";

    private final Database database;
    private final Secrets secrets;
    private final Clock clock;

    RuleStore(Database database, Secrets secrets, Clock clock) {
        this.database = database;
        this.secrets = secrets;
        this.clock = clock;
    }

    List<NoticeRule> all() {
        return database.query(RULE + " ORDER BY id").query(RuleStore::rule).list();
    }

    Optional<NoticeRule> find(long id) {
        return database.query(RULE + " WHERE id = :id")
                .param("id", id)
                .query(RuleStore::rule)
                .optional();
    }

    NoticeRule get(long id) {
        return find(id).orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no notice " + id));
    }

    private static NoticeRule rule(ResultSet row, int number) throws SQLException {
        var from = row.getString("quiet_from");
        return new NoticeRule(
                row.getLong("id"),
                Target.of(row.getString("way"), row.getString("target")),
                Severity.valueOf(row.getString("severity")),
                from == null
                        ? Optional.empty()
                        : Optional.of(new NoticeRule.Quiet(
                                LocalTime.parse(from), LocalTime.parse(row.getString("quiet_to")))),
                row.getString("who"));
    }

    /** @param secret that signs what goes out; empty where nothing is signed */
    long add(Target target, Severity severity, Optional<NoticeRule.Quiet> quiet, Optional<String> secret, String who) {
        return database.change("""
                        INSERT INTO notice_rule (way, target, severity, quiet_from, quiet_to, secret, who, created_at)
                        VALUES (:way, :target, :severity, :from, :to, :secret, :who, :at) RETURNING id
                        """)
                .param("way", target.way())
                .param("target", target.text())
                .param("severity", severity.name())
                .param("from", quiet.map(q -> q.from().toString()).orElse(null))
                .param("to", quiet.map(q -> q.to().toString()).orElse(null))
                .param("secret", secret.map(secrets::encrypt).orElse(null))
                .param("who", who)
                .param("at", clock.instant().toString())
                .query(Long.class)
                .single();
    }

    void remove(long id) {
        database.change("DELETE FROM notice_rule WHERE id = :id")
                .param("id", id)
                .update();
    }

    Optional<String> secret(long id) {
        return database.query("SELECT secret FROM notice_rule WHERE id = :id AND secret IS NOT NULL")
                .param("id", id)
                .query((row, n) -> secrets.decrypt(row.getBytes("secret")))
                .optional();
    }
}
