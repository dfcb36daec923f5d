package choir.server.standing;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.CameraState;
import choir.fleet.NaturalOrder;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.Strings;
import choir.server.TestService;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.Test;

/**
 * Random sequences of everything that can change where a camera stands. After each change the kept standings are held
 * against standings that are computed from nothing, and what is asked of them against a slow and obvious answer.
 */
class StandingsOracleTest {
    private static final int SEQUENCES = Integer.getInteger("choir.sequences", 2);
    private static final int STEPS = 60;
    private static final List<String> GROUPS = List.of("fleet", "fleet/a", "fleet/a/x", "fleet/a/y", "fleet/b");

    private TestService service;
    private Standings standings;
    private RandomGenerator random;
    private final Map<String, FakeRecorders.Fake> fakes = new LinkedHashMap<>();
    private final List<String> done = new ArrayList<>();
    private int recorders;

    @Test
    void whatIsKeptIsWhatWouldBeComputedFromNothing() {
        for (int seed = 1; seed <= SEQUENCES; seed++) {
            fakes.clear();
            done.clear();
            recorders = 0;
            random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
            try (var running = TestService.start()) {
                service = running;
                standings = service.bean(Standings.class);
                begin();
                for (int step = 0; step < STEPS; step++) {
                    change();
                    check(seed);
                }
            }
        }
    }

    private void begin() {
        GROUPS.stream().skip(1).forEach(g -> service.post("/api/v1/groups", Map.of("path", g)));
        service.load("""
                calendar: feasts
                dates: [12-25 yearly]
                ---
                template: house
                motion: {sensitivity: 50}
                recording: {week: [daily: motion], special-days: {feasts: daily continuous}}
                ---
                template: near
                extends: house
                motion: {threshold: 2%}
                ---
                template: far
                motion: {threshold: 0.3%, detection: on}
                """);
        addRecorder();
        addRecorder();
    }

    private String pick(List<String> from) {
        return from.get(random.nextInt(from.size()));
    }

    private NativeConfig config() {
        Map<choir.policy.SettingKey, NativeValue> values = new TreeMap<>();
        values.put(Catalogue.SENSITIVITY, NativeValue.number(random.nextInt(3) * 25));
        values.put(Catalogue.THRESHOLD, NativeValue.number(1 + random.nextInt(3)));
        values.put(Catalogue.DETECTION, new NativeValue.Flag(random.nextBoolean()));
        values.put(
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of(random.nextBoolean() ? "daily motion" : "daily none"))));
        return new NativeConfig(values);
    }

    private void addRecorder() {
        var name = "r" + ++recorders;
        var fake = service.added(name);
        for (int i = random.nextInt(3) + 1; i > 0; i--) {
            fake.channel(random.nextInt(4) == 0 ? pick(Strings.odd()) : "0" + i, config());
        }
        fakes.put(name, fake);
        service.read(name);
    }

    private List<String> cameras() {
        return standings.all().stream().map(s -> s.camera().text()).toList();
    }

    private String anyNode() {
        var cameras = cameras();
        return cameras.isEmpty() || random.nextBoolean() ? pick(GROUPS) : "camera:" + pick(cameras);
    }

    private void change() {
        int which = random.nextInt(16);
        var node = anyNode();
        var template = pick(List.of("house", "near", "far"));
        done.add(which + " " + node + " " + template);
        switch (which) {
            case 0, 1 -> {
                var said = Map.of(
                        "node",
                        node,
                        "set",
                        Map.of("motion.sensitivity", Integer.toString(random.nextInt(101))),
                        "because",
                        "random",
                        "fixed",
                        random.nextInt(5) == 0);
                service.send("POST", "/api/v1/overrides", said, "If-Match", "*");
            }
            case 2 ->
                service.send(
                        "DELETE",
                        "/api/v1/overrides?node=" + encoded(node) + "&key=motion.sensitivity",
                        null,
                        "If-Match",
                        "*");
            case 3, 4 -> service.post("/api/v1/uses", Map.of("template", template, "node", node));
            case 5 -> service.send("DELETE", "/api/v1/uses?template=" + template + "&node=" + encoded(node), null);
            case 6 -> {
                var base = template.equals("far") && random.nextBoolean() ? "extends: near\n" : "";
                var text = "template: " + template + "\n" + base + "motion: {sensitivity: " + random.nextInt(101)
                        + "}\nrecording: {special-days: {feasts: daily none}}\n";
                service.send("PUT", "/api/v1/templates/" + template, Map.of("text", text), "If-Match", "*");
            }
            case 7 ->
                service.send(
                        "PUT",
                        "/api/v1/calendars/feasts",
                        Map.of("text", "calendar: feasts\ndates: [2027-0" + (1 + random.nextInt(9)) + "-01]\n"),
                        "If-Match",
                        "*");
            case 8 -> {
                var cameras = cameras();
                if (!cameras.isEmpty()) {
                    var line = Map.of(
                            "line",
                            1,
                            "camera",
                            pick(cameras),
                            "group",
                            pick(GROUPS),
                            "tags",
                            List.of("t" + random.nextInt(3)));
                    service.post("/api/v1/placings", Map.of("lines", List.of(line)));
                }
            }
            case 9 -> {
                var from = pick(List.of("fleet/a/x", "fleet/a/y"));
                service.post("/api/v1/groups/move", Map.of("from", from, "to", "fleet/b/moved"));
                check(0);
                service.post("/api/v1/groups/move", Map.of("from", "fleet/b/moved", "to", from));
            }
            case 10, 11 -> {
                var name = pick(List.copyOf(fakes.keySet()));
                var fake = fakes.get(name);
                switch (random.nextInt(4)) {
                    case 0 -> fake.goAway();
                    case 1 -> fake.comeBack();
                    case 2 -> fake.firmware = "1." + random.nextInt(3);
                    default -> List.copyOf(fake.held.keySet()).forEach(token -> fake.channel(token, config()));
                }
                service.read(name);
            }
            case 12 -> giveOut("recorder:" + pick(List.copyOf(fakes.keySet())));
            case 13 -> {
                if (fakes.size() > 1 && random.nextInt(3) == 0) {
                    var name = pick(List.copyOf(fakes.keySet()));
                    service.send("DELETE", "/api/v1/recorders/" + name, null, "If-Match", "*");
                    fakes.remove(name);
                } else {
                    addRecorder();
                }
            }
            case 14 -> {
                if (!cameras().isEmpty()) {
                    service.audit();
                }
            }
            default -> {
                service.restart();
                standings = service.bean(Standings.class);
            }
        }
    }

    private void giveOut(String select) {
        var preview = service.post("/api/v1/previews", Map.of("select", select));
        if (preview.body().path("cameras").size() > 0) {
            service.finish(service.post(
                    "/api/v1/rollouts",
                    Map.of(
                            "preview", preview.body().path("id").asLong(),
                            "waves", List.of("1000"),
                            "maxFailedPercent", 100)));
        }
    }

    private static String encoded(String text) {
        return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8);
    }

    private void check(int seed) {
        var kept = standings.snapshot();
        var fresh = standings.fromNothing(kept.day());
        assertThat(described(kept)).as("sequence %d after %s", seed, done).isEqualTo(described(fresh));
        assertThat(kept.day()).isEqualTo(LocalDate.now(java.time.Clock.systemUTC()));
        var all = kept.select(Selection.ALL);
        assertThat(all).as("sequence %d after %s", seed, done).isEqualTo(fresh.select(Selection.ALL));
        for (var text : List.of(
                "",
                "state:drifted",
                "state:waiting,unknown",
                "group:a",
                "not:group:b",
                "template:near",
                "tag:t1",
                "label:*of*",
                "recorder:r1,r2 not:state:in-tune",
                "bel")) {
            var selection = Selection.parse(text);
            var expected = all.stream().filter(selection).map(Standing::camera).toList();
            assertThat(kept.count(selection)).as(text).isEqualTo(expected.size());
            assertThat(paged(kept, selection)).as(text).isEqualTo(expected);
        }
        for (var text : List.of("label", "-label", "mark", "-states", "camera", "-camera", "tags")) {
            assertThat(ordered(kept, CameraOrder.parse(text))).as(text).isEqualTo(slowlyOrdered(all, text));
        }
        checkTallies(kept, all);
    }

    /** Where the snapshot differs it says so camera by camera. */
    private static List<String> described(Snapshot snapshot) {
        return snapshot.blocks().stream()
                .flatMap(b -> b.cameras().stream())
                .map(s -> s.camera() + " " + s.row() + " " + s.recorder() + " "
                        + s.templates().stream().sorted().toList() + " "
                        + s.policy().settings() + " " + s.comparison())
                .toList();
    }

    private static List<Node.Camera> paged(Snapshot snapshot, Selection selection) {
        List<Node.Camera> found = new ArrayList<>();
        Optional<Node.Camera> after = Optional.empty();
        while (true) {
            var part = snapshot.part(selection, after, 2);
            part.cameras().forEach(c -> found.add(c.camera()));
            if (part.next() == null) {
                return found;
            }
            after = Optional.of(Node.Camera.parse(part.next()));
        }
    }

    private static List<Node.Camera> ordered(Snapshot snapshot, CameraOrder order) {
        List<Node.Camera> found = new ArrayList<>();
        Optional<CameraOrder.Place> after = Optional.empty();
        while (true) {
            var part = snapshot.part(Selection.ALL, order, after, 2);
            part.cameras().forEach(c -> found.add(c.camera()));
            if (part.next() == null) {
                return found;
            }
            after = Optional.of(CameraOrder.Place.parse(part.next()));
        }
    }

    /** By what the rows say, all at once. */
    private static List<Node.Camera> slowlyOrdered(List<Standing> all, String text) {
        boolean isFromTheLast = text.startsWith("-");
        Function<Standing, String> value = switch (text.replaceFirst("-", "")) {
            case "label" -> s -> CameraRow.of(s).label();
            case "camera" -> s -> CameraRow.of(s).camera();
            case "states" -> s -> String.join(" ", CameraRow.of(s).states());
            case "tags" -> s -> String.join(" ", CameraRow.of(s).tags());
            default ->
                s -> {
                    var mark = CameraRow.of(s).mark();
                    var kinds = List.of("loss", "both", "waste", "waiting", "unknown", "in-tune", "cannot");
                    int place = kinds.indexOf(mark.kind());
                    return place < 0 ? "" : "" + (char) ('a' + place) + (3 - mark.size());
                };
        };
        Comparator<Standing> byValue = Comparator.comparing(value, NaturalOrder.BY_NAME);
        return all.stream()
                .sorted(Comparator.comparing((Standing s) -> value.apply(s).isEmpty())
                        .thenComparing(isFromTheLast ? byValue.reversed() : byValue))
                .map(Standing::camera)
                .toList();
    }

    private static void checkTallies(Snapshot snapshot, List<Standing> all) {
        Map<Node.Group, List<Standing>> byGroup = new TreeMap<>();
        all.forEach(
                s -> byGroup.computeIfAbsent(s.group(), g -> new ArrayList<>()).add(s));
        var tallies = snapshot.byGroup();
        assertThat(tallies.keySet()).isEqualTo(byGroup.keySet());
        byGroup.forEach((group, members) -> {
            var tally = tallies.get(group);
            assertThat(tally.cameras()).isEqualTo(members.size());
            for (var state : CameraState.values()) {
                assertThat(tally.in(state)).isEqualTo((int)
                        members.stream().filter(m -> m.states().contains(state)).count());
            }
        });
    }
}
