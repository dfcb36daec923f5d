package choir.bench;

import java.nio.file.Path;
import java.sql.DriverManager;
import java.time.Duration;
import java.time.Instant;

/**
 * Reports over a year of audits of a large fleet: {@code FOLDER SERVER-JAR HEAP}, the folder being one that the measurement
 * of the whole service left. Findings of a year are put into its database: as if each camera had been out of tune twice.
 */
public final class ReportAtScale {
    private static final int SERVICE = 7594;
    private static final String FINDINGS = """
            INSERT INTO finding (recorder, camera, channel, label, matter, cause, distance, severity, sentence, desired,
              observed, first_seen, last_seen, audit, ended_at, ended_by)
            SELECT c.recorder, c.id, c.channel, c.label, '{"v":1,"about":"value","key":"motion.sensitivity"}',
              'CHANGED_AT_RECORDER', '{"v":1,"none":true}', CASE c.id % 10 WHEN 0 THEN 'HIGH' ELSE 'LOW' END,
              'It is 40 and should be 60.', '60', '40',
              strftime('%Y-%m-%dT%H:%M:%SZ', 'now', '-' || (30 * n.n + c.id % 25) || ' days'),
              strftime('%Y-%m-%dT%H:%M:%SZ', 'now', '-' || (30 * n.n + c.id % 25 - 2) || ' days'), (SELECT min(id) FROM work),
              strftime('%Y-%m-%dT%H:%M:%SZ', 'now', '-' || (30 * n.n + c.id % 25 - 3) || ' days'), 'given out again'
            FROM camera c, (SELECT 2 AS n UNION ALL SELECT 10) n
            """;

    private ReportAtScale() {}

    public static void main(String[] arguments) throws Exception {
        var data = Path.of(arguments[0]);
        try (var database = DriverManager.getConnection("jdbc:sqlite:" + data.resolve("choir.db"));
                var statement = database.createStatement()) {
            System.out.println("findings put in: " + statement.executeUpdate(FINDINGS));
        }
        try (var service = new RunningService(Path.of(arguments[1]), data, SERVICE, arguments[2])) {
            service.signIn();
            var now = Instant.now();
            var span = "from=" + now.minus(Duration.ofDays(364)).toString().substring(0, 10) + "&to="
                    + now.toString().substring(0, 10);
            for (var path : new String[] {
                "report?" + span,
                "report/file?format=html&" + span,
                "report/file?format=csv&" + span,
                "report/file?format=pdf&" + span
            }) {
                long began = System.nanoTime();
                int length = service.get("/api/v1/" + path).length();
                System.out.printf(
                        "%s: %.1f s, %,d characters%n",
                        path.replaceFirst("[?&]from.*", ""), (System.nanoTime() - began) / 1e9, length);
            }
            System.out.println(service.memory());
        }
    }
}
