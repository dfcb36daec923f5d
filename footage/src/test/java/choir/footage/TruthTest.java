package choir.footage;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.family.Families;
import choir.family.Family;
import choir.motion.Mark;
import choir.motion.Mark.Kind;
import choir.motion.Pass;
import choir.motion.Picture;
import choir.motion.Step;
import choir.motion.Suggestion;
import choir.motion.Trial;
import choir.motion.Trial.Setting;
import choir.sim.Simulator;
import choir.trial.DeviceChoices;
import choir.trial.DeviceMotion;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Suggestions held against who really was there: a setting and an area are found on one stretch of a camera's footage, and
 * tried on another that was not looked at before. {@code -Dchoir.cameras=N} for more; {@code -Dchoir.keep-document=true}
 * writes docs/trials-truth.md.
 */
class TruthTest {
    private static final List<String> SCENES =
            List.of("quay", "gangway", "hall", "lanes", "deck", "yard", "engine-room");
    private static final int CAMERAS = Integer.getInteger("choir.cameras", 14);
    private static final Duration STRETCH = Duration.ofMinutes(6);
    private static final int SHOWN = 10;
    private static final int WIDTH = 160;
    private static final int HEIGHT = 88;
    private static final Pattern PASSER = Pattern.compile(
            "\"kind\":\"(\\w+)\",\"from\":\"([^\"]+)\",\"until\":\"([^\"]+)\",\"metres\":(\\d+),\"contrast\":(-?\\d+),\"wanted\":(\\w+)");
    private static final Family TERN = Families.shipped().named("tern").orElseThrow();
    private static final CellGrid GRID = DeviceChoices.grid(TERN);

    private record Passer(Instant from, Instant until, int metres, boolean wanted) {}

    /** A stretch with what a person would mark on it. */
    private record Stretch(Pass pass, List<Mark> marks) {}

    /** A camera whose suggestion missed somebody, with what can be seen of why. */
    private record Badly(String scene, boolean night, int missed, int wanted, String why) {}

    /** What a setting comes to over several stretches. */
    private static final class Sum {
        int wanted;
        int caught;
        int falseStarts;
        double unwantedHours;
        double recorded;
        double watched;

        void add(Trial.Report report, double hours) {
            wanted += report.wanted().size();
            caught += report.wanted().size() - report.missed().size();
            falseStarts += report.falseStarts();
            unwantedHours += hours;
            recorded += report.recorded().toSeconds();
            watched += report.watched().toSeconds();
        }

        String cells() {
            return String.format(
                    Locale.ROOT,
                    "%d of %d (%.0f %%) | %.1f | %.0f %%",
                    caught,
                    wanted,
                    100.0 * caught / Math.max(1, wanted),
                    falseStarts / Math.max(1e-9, unwantedHours),
                    100 * recorded / Math.max(1, watched));
        }
    }

    private final HttpClient http = HttpClient.newHttpClient();

    private List<Passer> truth(Simulator simulator, String place, Instant from, Duration length) throws Exception {
        var at = URI.create(
                "http://127.0.0.1:" + simulator.port() + "/truth/truth/" + place + "?" + from + "/" + length);
        var text = http.send(HttpRequest.newBuilder(at).build(), BodyHandlers.ofString())
                .body();
        List<Passer> passers = new ArrayList<>();
        var match = PASSER.matcher(text);
        while (match.find()) {
            passers.add(new Passer(
                    Instant.parse(match.group(2)),
                    Instant.parse(match.group(3)),
                    Integer.parseInt(match.group(4)),
                    match.group(6).equals("true")));
        }
        return passers;
    }

    private Stretch stretch(Simulator simulator, String place, Instant from) throws Exception {
        var until = from.plus(STRETCH);
        var taking = new Pass.Taking(WIDTH, HEIGHT, 1L << 28);
        for (var at = from; at.isBefore(until); at = at.plusMillis(500)) {
            taking.take(at, new Picture(WIDTH, HEIGHT, halved(simulator.picture("truth", place, at))));
        }
        var passers = truth(simulator, place, from, STRETCH);
        List<Mark> marks = new ArrayList<>();
        for (var p : passers) {
            var begin = p.from().isBefore(from) ? from : p.from();
            var end = p.until().isAfter(until) ? until : p.until();
            if (p.wanted() && Duration.between(begin, end).toSeconds() >= 3) {
                marks.add(new Mark(Kind.WANTED, begin, end, p.metres() + " m"));
            }
        }
        // What lies between, with some seconds for what a reference takes to forget.
        var free = from.plusSeconds(8);
        var ordered = new ArrayList<>(passers.stream().filter(Passer::wanted).toList());
        ordered.add(new Passer(until, until, 0, true));
        for (var p : ordered) {
            var end = p.from().minusSeconds(3);
            if (Duration.between(free, end).toSeconds() >= 5) {
                marks.add(new Mark(Kind.UNWANTED, free, end, "nobody"));
            }
            var next = p.until().plusSeconds(12);
            free = next.isAfter(free) ? next : free;
        }
        return new Stretch(taking.taken(), marks);
    }

    /** Each pixel is the mean of four. */
    private static byte[] halved(byte[] whole) {
        byte[] half = new byte[WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int at = 2 * y * 2 * WIDTH + 2 * x;
                half[y * WIDTH + x] = (byte) (((whole[at] & 0xFF)
                                + (whole[at + 1] & 0xFF)
                                + (whole[at + 2 * WIDTH] & 0xFF)
                                + (whole[at + 2 * WIDTH + 1] & 0xFF)
                                + 2)
                        / 4);
            }
        }
        return half;
    }

    private static Setting setting(double sensitivity, double percent) {
        return new Setting(
                Step.Fixed.ofSensitivity(sensitivity),
                percent / 100,
                Duration.ofMillis(500),
                Duration.ofSeconds(2),
                Duration.ofSeconds(5),
                Duration.ofSeconds(10));
    }

    private static Trial.Report add(
            Map<String, Sum> sums, List<String> rows, String setting, Stretch s, Setting with, BitSet watched) {
        var report = Trial.of(with, s.pass().levels(with.step(), watched), s.marks());
        double hours = s.marks().stream()
                        .filter(m -> m.kind() == Kind.UNWANTED)
                        .mapToDouble(m -> Duration.between(m.begin(), m.end()).toSeconds())
                        .sum()
                / 3600;
        for (var row : rows) {
            sums.computeIfAbsent(row + " | " + setting, k -> new Sum()).add(report, hours);
        }
        return report;
    }

    /** What was marked beside what was missed. */
    private static String why(List<Mark> marked, Suggestion suggested, Trial.Report report) {
        int farthest = marked.stream()
                .filter(m -> m.kind() == Kind.WANTED)
                .mapToInt(TruthTest::metres)
                .max()
                .orElse(0);
        var weakest = report.missed().getFirst();
        int missed = metres(weakest.mark());
        double threshold = report.setting().threshold();
        var level =
                String.format(Locale.ROOT, "level %.2f %% under %.2f %%", weakest.strongest() * 100, threshold * 100);
        if (missed > farthest) {
            return "at " + missed + " m, farther than the " + farthest + " m that were marked; " + level;
        }
        if (suggested.best().margin().orElse(0) < 1) {
            return "what is unwanted was as strong as what is wanted already where it was found; " + level;
        }
        return "at " + missed + " m as near as what was marked, with less contrast or for a shorter time; " + level;
    }

    private static int metres(Mark mark) {
        return Integer.parseInt(mark.word().replaceAll("\\D", ""));
    }

    @Test
    void aSettingThatWasFoundOnOneStretchIsTriedOnAnother() throws Exception {
        Map<String, Sum> sums = new LinkedHashMap<>();
        List<Badly> badly = new ArrayList<>();
        var whole = new BitSet();
        whole.set(0, WIDTH * HEIGHT);
        int tried = 0;
        try (var simulator = Simulator.start(0)) {
            simulator.add("truth", "tern", "u", "p", CAMERAS);
            var now = Instant.parse("2027-01-20T00:00:00Z").truncatedTo(ChronoUnit.HOURS);
            for (int camera = 1; camera <= CAMERAS; camera++) {
                var scene = SCENES.get((camera - 1) % SCENES.size());
                var place = String.format(Locale.ROOT, "%02d", camera);
                simulator.turn("truth/" + place + "?scene=" + scene);
                boolean night = camera / SCENES.size() % 2 == 1;
                Stretch found = null;
                Stretch other = null;
                for (int hour = 0; hour < 240 && other == null; hour++) {
                    int wall = now.minus(Duration.ofHours(hour))
                            .atOffset(java.time.ZoneOffset.UTC)
                            .getHour();
                    if ((wall < 7 || wall >= 19) != night) {
                        continue;
                    }
                    var from = now.minus(Duration.ofHours(hour)).plusSeconds(camera * 61L);
                    if (truth(simulator, place, from.plusSeconds(10), STRETCH.minusSeconds(30)).stream()
                                    .filter(Passer::wanted)
                                    .count()
                            < 1) {
                        continue;
                    }
                    if (found == null) {
                        found = stretch(simulator, place, from);
                    } else {
                        other = stretch(simulator, place, from);
                    }
                }
                if (found == null || other == null || found.marks().stream().noneMatch(m -> m.kind() == Kind.WANTED)) {
                    continue;
                }
                tried++;
                var suggested = Suggestion.of(
                                found.pass(),
                                whole,
                                found.marks(),
                                DeviceChoices.of(TERN, GRID.cells()),
                                setting(50, 1),
                                GRID)
                        .orElseThrow();
                var light = night ? "by night" : "by day";
                var rows = List.of("all", light, scene);
                add(sums, rows, "factory: 50, 5 %", other, setting(50, 5), whole);
                add(sums, rows, "one for all: 70, 0.6 %", other, setting(70, 0.6), whole);
                add(sums, rows, "suggested", other, suggested.best().setting(), whole);
                var with = suggested.best().setting();
                var watched = (BitSet) whole.clone();
                if (suggested.ignore().isPresent()) {
                    with = suggested.ignore().get().report().setting();
                    watched.andNot(DeviceMotion.pixels(suggested.ignore().get().cells(), WIDTH, HEIGHT));
                }
                var report = add(sums, rows, "suggested, with its area", other, with, watched);
                if (!report.missed().isEmpty()) {
                    badly.add(new Badly(
                            scene,
                            night,
                            report.missed().size(),
                            report.wanted().size(),
                            why(found.marks(), suggested, report)));
                }
            }
        }
        document(sums, badly, tried);
        assertThat(tried).isGreaterThan(CAMERAS / 2);
        var factory = sums.get("all | factory: 50, 5 %");
        var suggested = sums.get("all | suggested, with its area");
        var same = sums.get("all | one for all: 70, 0.6 %");
        assertThat(suggested.caught).isGreaterThan(factory.caught);
        assertThat((double) suggested.caught / suggested.wanted).isGreaterThan(0.7);
        // What is wanted costs less of the disk than one sensitive setting for all.
        assertThat(suggested.recorded).isLessThan(same.recorded);
    }

    private static void document(Map<String, Sum> sums, List<Badly> badly, int tried) throws IOException {
        var text = new StringBuilder("""
                # Suggestions against truth

                Made by `footage` `TruthTest` (`-Dchoir.keep-document=true -Dchoir.cameras=N`). For each of %d cameras of the simulator
                the setting and the area are found on one stretch of %d minutes, and tried on another that was not looked at
                before; everybody who really was there is wanted, and every time without anybody is not.

                | scene | setting | wanted moments caught | false starts an hour | of the time recorded |
                | --- | --- | --- | --- | --- |
                """.formatted(tried, STRETCH.toMinutes()));
        sums.entrySet().stream()
                .sorted(Map.Entry.comparingByKey((a, b) -> {
                    var scenes = List.of(
                            "all",
                            "by day",
                            "by night",
                            "deck",
                            "engine-room",
                            "gangway",
                            "hall",
                            "lanes",
                            "quay",
                            "yard");
                    return Integer.compare(
                            scenes.indexOf(a.substring(0, a.indexOf(" | "))),
                            scenes.indexOf(b.substring(0, b.indexOf(" | "))));
                }))
                .forEach(e -> text.append("| ")
                        .append(e.getKey())
                        .append(" | ")
                        .append(e.getValue().cells())
                        .append(" |\n"));
        text.append("\n## Where it does badly\n\n")
                .append("Somebody was missed at " + badly.size() + " of " + tried
                        + " cameras. Those that missed the most:\n\n")
                .append("| scene | light | missed | the weakest of them |\n| --- | --- | --- | --- |\n");
        badly.stream()
                .sorted(Comparator.comparingInt(Badly::missed).reversed())
                .limit(SHOWN)
                .forEach(b -> text.append("| " + b.scene() + " | " + (b.night() ? "night" : "day") + " | " + b.missed()
                        + " of " + b.wanted() + " | " + b.why() + " |\n"));
        for (var reason : List.of("farther than", "as strong as", "as near as")) {
            text.append("\n- ")
                    .append(badly.stream().filter(b -> b.why().contains(reason)).count())
                    .append(
                            switch (reason) {
                                case "farther than" ->
                                    " because the one missed was farther away than any that was marked";
                                case "as strong as" ->
                                    " because no setting parted what is wanted from what is not where it was found";
                                default -> " because somebody as near passed with less contrast, or for a shorter time";
                            });
        }
        text.append(".\n\nAll three say the same: mark the weakest that matters, not the next best.\n");
        System.out.print(text);
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(Path.of("../docs/trials-truth.md"), text);
        }
    }
}
