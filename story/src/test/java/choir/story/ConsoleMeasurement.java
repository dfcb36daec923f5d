package choir.story;

import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Not a test: {@code ./bench/run console} prints how long the console takes with a hundred thousand cameras. */
class ConsoleMeasurement {
    private static final String FRAMES = """
            const done = arguments[0];
            const table = [...document.querySelectorAll('[role=table] *')].find(
              (e) => e.scrollHeight > e.clientHeight + 500 && getComputedStyle(e).overflowY !== 'visible');
            const gaps = [];
            let last = performance.now();
            const until = last + 4000;
            const step = (now) => {
              gaps.push(now - last);
              last = now;
              table.scrollTop += 60;
              if (now < until) { requestAnimationFrame(step); } else {
                gaps.sort((a, b) => a - b);
                done([gaps.length, gaps[Math.floor(gaps.length / 2)], gaps[Math.floor(gaps.length * 0.99)],
                  gaps.at(-1), table.scrollTop]);
              }
            };
            requestAnimationFrame(step);
            """;

    @Test
    void aHundredThousandCameras() {
        var choir = new Ensemble();
        choir.execute("WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 6250)"
                + " INSERT INTO recorder (name, family, address, username, secret, zone)"
                + " SELECT printf('site-%04d', i), 'tern', 'http://127.0.0.1:9/r' || i, 'u', x'00', 'UTC' FROM n");
        choir.execute("WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 16)"
                + " INSERT INTO camera (recorder, channel, label, device_name, camera_group)"
                + " SELECT r.name, printf('%02d', i), 'Camera ' || i, r.name || '-' || i, 'fleet' FROM recorder r, n");
        choir.load(
                "template: house\nmotion: {sensitivity: 60, threshold: 1%}\nrecording: {week: [daily: motion]}\n---\n"
                        + "group: fleet\nuse: [house]\n");
        choir.post("/api/v1/groups", Map.of("path", "terminals"));
        try (var browser = new Browser(choir)) {
            browser.signIn();
            for (int i = 0; i < 3; i++) {
                var overview = System.nanoTime();
                browser.open("/");
                browser.see("Is the fleet in tune?");
                browser.awaitTrue("document.querySelector('table') !== null");
                say("overview usable", overview);
                var began = System.nanoTime();
                browser.open("/fleet");
                browser.see("All 100,000 cameras");
                browser.row("site-0001/01");
                say("first rows of 100,000 cameras", began);
            }
            var frames = (java.util.List<?>) browser.runAsync(FRAMES);
            System.out.printf(
                    Locale.ROOT,
                    "scrolling for 4 s: %s frames, median %.1f ms, 99th percentile %.1f ms, worst %.1f ms, %s px%n",
                    frames.get(0),
                    ((Number) frames.get(1)).doubleValue(),
                    ((Number) frames.get(2)).doubleValue(),
                    ((Number) frames.get(3)).doubleValue(),
                    frames.get(4));
        } finally {
            choir.close();
        }
    }

    private static void say(String what, long began) {
        System.out.printf(Locale.ROOT, "%s: %d ms%n", what, (System.nanoTime() - began) / 1_000_000);
    }
}
