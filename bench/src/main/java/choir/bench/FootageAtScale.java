package choir.bench;

import static choir.bench.RunningService.number;
import static choir.bench.RunningService.selecting;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Map;

/**
 * What was recorded of a large fleet over 30 days: {@code FOLDER SERVER-JAR HEAP}, the folder being one that the measurement
 * of the whole service left. What was read there of ten recorders is put into its database for all others as well.
 */
public final class FootageAtScale {
    private static final int SERVICE = 7595;
    private static final String SOME = "SELECT camera FROM activity_day GROUP BY camera";
    private static final String DAYS = """
            INSERT OR IGNORE INTO activity_day
            SELECT c.id, d.day, d.begins, d.ends, d.taken_at, d.clock_ahead, d.known, d.continuous, d.motion, d.alarm,
              d.analytics, d.motion_and_alarm, d.unexplained, d.motion_known, d.moved, d.events, d.missing, d.body
            FROM camera c JOIN (SELECT camera, row_number() OVER (ORDER BY camera) - 1 AS n FROM (%s)) AS s
              ON s.n = c.id %% (SELECT count(*) FROM (%s))
            JOIN activity_day d ON d.camera = s.camera
            """.formatted(SOME, SOME);
    private static final String MEASURES = """
            INSERT OR IGNORE INTO camera_measure
            SELECT c.id, m.movement, m.recorded_share, m.average_bits, m.most_bits, m.taken_at
            FROM camera c JOIN (SELECT *, row_number() OVER (ORDER BY camera) - 1 AS n FROM camera_measure) AS m
              ON m.n = c.id % (SELECT count(*) FROM camera_measure)
            """;
    private static final String KEPT = """
            INSERT OR IGNORE INTO footage_kept (camera, oldest, taken_at, deletes)
            SELECT c.id, k.oldest, k.taken_at, k.deletes FROM camera c
            JOIN (SELECT *, row_number() OVER (ORDER BY camera) - 1 AS n FROM footage_kept) AS k
              ON k.n = c.id % (SELECT count(*) FROM footage_kept)
            """;

    private FootageAtScale() {}

    public static void main(String[] arguments) throws Exception {
        var data = Path.of(arguments[0]);
        var file = data.resolve("choir.db");
        long before = Files.size(file);
        long began = System.nanoTime();
        try (var database = DriverManager.getConnection("jdbc:sqlite:" + file);
                var statement = database.createStatement()) {
            for (var entry : Map.of("days", DAYS, "measures", MEASURES, "oldest footage", KEPT)
                    .entrySet()) {
                System.out.println(entry.getKey() + " put in: " + statement.executeUpdate(entry.getValue()));
            }
            try (var sums = statement.executeQuery(
                    "SELECT count(*), sum(events) * 1.0 / count(*), avg(length(body)) FROM activity_day")) {
                sums.next();
                System.out.printf(
                        "%,d days of cameras, %.0f events a day, %.0f bytes of stretches each%n",
                        sums.getLong(1), sums.getDouble(2), sums.getDouble(3));
            }
            statement.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        }
        System.out.printf(
                "file: %,d MiB before, %,d MiB after, in %.1f s%n",
                before >> 20, Files.size(file) >> 20, (System.nanoTime() - began) / 1e9);
        try (var service = new RunningService(Path.of(arguments[1]), data, SERVICE, arguments[2])) {
            service.signIn();
            while (number(service.get("/api/v1/overview"), "cameras") == 0) {
                Thread.sleep(50);
            }
            ask(service);
            System.out.println(service.memory());
        }
    }

    private static void ask(RunningService service) throws Exception {
        var today = LocalDate.now(ZoneOffset.UTC);
        var month = "from=" + today.minusDays(30) + "&until=" + today.minusDays(1);
        timed(service, "a month of 100 cameras", "/api/v1/activity/calendar?limit=100&" + month);
        timed(service, "what was not recorded of 100 cameras in a month", "/api/v1/recorded?limit=100&" + month);
        timed(
                service,
                "a month of one to the second",
                "/api/v1/cameras/" + PlayedFleet.name(20) + "/01/activity?" + month);
        var two = "before=" + today.minusDays(30) + ".." + today.minusDays(16) + "&after=" + today.minusDays(15) + ".."
                + today.minusDays(1);
        timed(
                service,
                "two spans of two weeks of 1,000 cameras beside each other",
                "/api/v1/activity/comparison?" + selecting("group:used") + "&" + two);
        once(service, "forecast of all", "/api/v1/forecast?select=", null);
        once(
                service,
                "the same with a change for all",
                "/api/v1/forecasts",
                "{\"select\":\"\",\"files\":[{\"name\":\"a.yaml\",\"text\":\"template: house\\nmotion: {sensitivity: 60}\\nrecording:"
                        + " {week: [daily: continuous]}\\n\"}]}");
        once(service, "a day of all as CSV", "/api/v1/exports/activity?form=csv&day=" + today.minusDays(2), null);
        once(service, "the same as Parquet", "/api/v1/exports/activity?form=parquet&day=" + today.minusDays(2), null);
        long began = System.nanoTime();
        service.call("POST", "/api/v1/backups", "{}");
        System.out.printf("a backup: %.1f s%n", (System.nanoTime() - began) / 1e9);
    }

    private static void once(
            RunningService service, String what, String path, @org.jspecify.annotations.Nullable String body)
            throws Exception {
        long began = System.nanoTime();
        int length = (body == null ? service.get(path) : service.call("POST", path, body)).length();
        System.out.printf("%s: %.1f s, %,d characters%n", what, (System.nanoTime() - began) / 1e9, length);
    }

    private static void timed(RunningService service, String what, String path) throws Exception {
        var times = new long[50];
        for (int i = -5; i < times.length; i++) {
            long began = System.nanoTime();
            service.get(path);
            if (i >= 0) {
                times[i] = System.nanoTime() - began;
            }
        }
        Arrays.sort(times);
        System.out.printf("%s: median %.0f ms, the slowest %.0f ms%n", what, times[25] / 1e6, times[49] / 1e6);
    }
}
