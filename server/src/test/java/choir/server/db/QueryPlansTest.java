package choir.server.db;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * What is done for one recorder must not cost more when there are more of them, or more of the past: the database itself
 * says of each statement that is sent meanwhile whether it goes through a whole table.
 */
class QueryPlansTest {
    private static final Set<String> GROWING = Set.of(
            "recorder",
            "camera",
            "observation",
            "baseline",
            "attempt",
            "content",
            "finding",
            "rollout_step",
            "preview_step",
            "sweep_part",
            "policy_override",
            "template_use",
            "node_version",
            "standing",
            "work",
            "journal");
    private static final Pattern STATEMENT = Pattern.compile("(?s).*SQL (?:statement|query) \\[(.*)]");
    private static final Pattern SCAN = Pattern.compile("SCAN (\\w+)");
    private static final Pattern ALIAS =
            Pattern.compile("(?i)(?:FROM|JOIN|UPDATE|INTO)\\s+(\\w+)(?:\\s+(?!SET|WHERE|ON)(\\w))?\\b");

    private final Logger logger = (Logger) LoggerFactory.getLogger(JdbcTemplate.class);
    private final ListAppender<ILoggingEvent> heard = new ListAppender<>();
    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
        fake = service.added("r1").channel("01", config).channel("02", config);
        service.added("r2").channel("01", config);
        service.read();
        service.audit();
    }

    @AfterEach
    void stop() {
        logger.detachAppender(heard);
        logger.setLevel(null);
        logger.setAdditive(true);
        service.close();
    }

    private void listen() {
        logger.setLevel(Level.DEBUG);
        logger.setAdditive(false);
        heard.start();
        logger.addAppender(heard);
    }

    @Test
    void whatIsDoneForOneRecorderGoesThroughNoTableThatGrows() throws SQLException {
        listen();
        service.read("r1");
        service.finish(service.post("/api/v1/audits", Map.of("select", "recorder:r1")));
        var work = service.giveOut("recorder:r1");
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        service.finish(service.post("/api/v1/audits", Map.of("select", "recorder:r1")));
        service.finish(
                service.post("/api/v1/rollouts/" + work.path("id").asLong() + "/undo", Map.of("patience", "PT0S")));
        service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:r1/01",
                        "set",
                        Map.of("motion.sensitivity", "33"),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        var statements = statements();
        assertThat(statements).hasSizeGreaterThan(40);
        Set<String> scans = new TreeSet<>();
        try (var connection =
                DriverManager.getConnection("jdbc:sqlite:" + service.folder().resolve("choir.db"))) {
            for (var sql : statements) {
                try (var plan = connection.createStatement().executeQuery("EXPLAIN QUERY PLAN " + sql)) {
                    while (plan.next()) {
                        var scan = SCAN.matcher(plan.getString("detail"));
                        if (scan.find() && GROWING.contains(table(sql, scan.group(1)))) {
                            scans.add(plan.getString("detail") + " in: " + sql.replaceAll("\\s+", " "));
                        }
                    }
                }
            }
        }
        assertThat(scans).isEmpty();
    }

    private Set<String> statements() {
        Set<String> statements = new TreeSet<>();
        for (var event : List.copyOf(heard.list)) {
            var match = STATEMENT.matcher(event.getFormattedMessage());
            if (match.matches()) {
                statements.add(match.group(1));
            }
        }
        return statements;
    }

    /** The plan names tables by their aliases. */
    private static String table(String sql, String name) {
        var alias = ALIAS.matcher(sql);
        while (alias.find()) {
            if (name.equals(alias.group(2))) {
                return alias.group(1);
            }
        }
        return name;
    }
}
