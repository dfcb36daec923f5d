package choir.server.rollout;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * Random sequences of what people and recorders do, held after each step against a simple model of what is true: what a
 * recorder showed last, what was seen to be as asked, what was sent and came back otherwise. The model knows nothing of
 * rollouts, steps or snapshots. {@code -Dchoir.sequences=200} runs more, {@code -Dchoir.seed=} begins elsewhere.
 */
class ModelTest {
    private static final SettingKey KEY = Catalogue.SENSITIVITY;
    private static final int FACTORY = 50;
    private static final int LENGTH = 45;

    /** What is true of one camera, by what was to be seen from outside. */
    private static final class Camera {
        Optional<Integer> override = Optional.empty();
        Optional<Integer> shown = Optional.empty();
        Optional<Integer> agreed = Optional.empty();
        Optional<Integer> sent = Optional.empty();
        Optional<Integer> refused = Optional.empty();
        Optional<Integer> cameBack = Optional.empty();

        void sees(int held, int desired) {
            shown = Optional.of(held);
            sent.ifPresent(value -> {
                if (value == held) {
                    agree(held);
                    refused = Optional.empty();
                } else {
                    refused = Optional.of(value);
                    cameBack = Optional.of(held);
                }
            });
            sent = Optional.empty();
            if (held == desired) {
                agree(held);
            }
        }

        private void agree(int held) {
            agreed = Optional.of(held);
            // That it does not take a value is known until it is seen to hold it, or takes another.
            refused = refused.filter(value -> value != held);
        }

        String cause(int desired) {
            if (shown.isEmpty()) {
                return "not read";
            }
            int held = shown.get();
            if (held == desired) {
                return "in tune";
            }
            if (refused.equals(Optional.of(desired)) && cameBack.equals(shown)) {
                return "did not take";
            }
            if (agreed.isEmpty()) {
                return held == FACTORY ? "never tuned" : "never given out";
            }
            if (agreed.get() == desired) {
                return "changed at the recorder";
            }
            return agreed.get() == held ? "waiting to be given out" : "changed on both sides";
        }
    }

    private final Map<String, Camera> cameras = new TreeMap<>();
    private final Map<String, FakeRecorders.Fake> recorders = new TreeMap<>();
    private final Set<String> missed = ConcurrentHashMap.newKeySet();
    private final Map<String, Integer> sentNow = new ConcurrentHashMap<>();
    private final List<Long> rollouts = new ArrayList<>();
    private final List<String> story = new ArrayList<>();
    private TestService service;
    private int house = 70;

    /** Those that once found something, and new ones. */
    private static final long[] FOUND = {20139310638798L, 20139310638829L};

    static LongStream seeds() {
        long first = Long.getLong("choir.seed", System.nanoTime());
        return LongStream.concat(
                LongStream.of(FOUND), LongStream.range(first, first + Integer.getInteger("choir.sequences", 2)));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatChoirSaysIsTrueAfterEachStep(long seed) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
        try (var started = TestService.start()) {
            service = started;
            begin();
            for (int i = 0; i < LENGTH; i++) {
                step(random);
                assertTrue(seed);
            }
        }
    }

    private void begin() {
        loadHouse();
        for (var name : List.of("r1", "r2")) {
            var fake = service.added(name).channel("01", config(FACTORY)).channel("02", config(20));
            recorders.put(name, fake);
            fake.held.keySet().forEach(channel -> cameras.put(name + "/" + channel, new Camera()));
            fake.onShown = shown -> {
                missed.remove(name);
                shown.forEach((channel, config) -> {
                    var camera = name + "/" + channel;
                    cameras.get(camera).sees(number(config), desired(camera));
                });
            };
            fake.onMissed = () -> missed.add(name);
            fake.onSent = (channel, value) -> {
                var camera = name + "/" + channel;
                cameras.get(camera).sent = Optional.of(number(new NativeConfig(Map.of(KEY, value.getValue()))));
                sentNow.merge(camera, 1, Integer::sum);
            };
        }
        service.read();
    }

    private static NativeConfig config(int sensitivity) {
        return new NativeConfig(Map.of(KEY, NativeValue.number(sensitivity)));
    }

    private static int number(NativeConfig config) {
        return IntStream.rangeClosed(0, 100)
                .filter(n -> config.get(KEY).equals(Optional.of(NativeValue.number(n))))
                .findFirst()
                .orElseThrow();
    }

    private int desired(String camera) {
        return cameras.get(camera).override.orElse(house);
    }

    private void loadHouse() {
        service.load("template: house\nmotion: {sensitivity: " + house + "}\n---\ngroup: fleet\nuse: [house]\n");
    }

    private static <T> T pick(RandomGenerator random, List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    /** Few values, so that what was comes again. */
    private static int value(RandomGenerator random) {
        return pick(random, List.of(20, 50, 70, 90));
    }

    private void step(RandomGenerator random) {
        sentNow.clear();
        var camera = pick(random, List.copyOf(cameras.keySet()));
        var fake = pick(random, List.copyOf(recorders.values()));
        switch (random.nextInt(14)) {
            case 0 -> {
                house = value(random);
                tell("the house asks for " + house);
                loadHouse();
            }
            case 1 -> {
                int wanted = value(random);
                tell(camera + " is overridden to " + wanted);
                override(camera, wanted);
            }
            case 2 -> {
                tell(camera + " is no longer overridden");
                takeBack(camera);
            }
            case 3, 4 -> {
                int turned = value(random);
                tell(camera + " is turned to " + turned + " at its recorder");
                recorders.get(camera.substring(0, 2)).turn(camera.substring(3), KEY, NativeValue.number(turned));
            }
            case 5 -> {
                tell(fake.name + " goes away");
                fake.goAway();
            }
            case 6 -> {
                tell("all come back");
                recorders.values().forEach(FakeRecorders.Fake::comeBack);
            }
            case 7 -> {
                boolean forgets = fake.forgetting.isEmpty();
                tell(fake.name + (forgets ? " forgets what is written" : " keeps what is written"));
                if (forgets) {
                    fake.forgetting.add(KEY);
                } else {
                    fake.forgetting.clear();
                }
            }
            case 8 -> {
                boolean breaks = fake.breakingAt.isEmpty();
                tell(fake.name + (breaks ? " goes away when it is written" : " stays when it is written"));
                if (breaks) {
                    fake.breakingAt.add(KEY);
                } else {
                    fake.breakingAt.clear();
                }
            }
            case 9 -> {
                tell("all are read");
                service.read();
            }
            case 10 -> {
                tell("all are audited");
                service.audit();
            }
            case 11 -> {
                tell("all is given out");
                giveOut();
            }
            case 12 -> undo(random);
            default -> {
                tell("the service is started again");
                service.restart();
            }
        }
    }

    private void giveOut() {
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        if (!preview.path("cameras").isEmpty()) {
            var started = service.post(
                    "/api/v1/rollouts",
                    Map.of(
                            "preview",
                            preview.path("id").asLong(),
                            "waves",
                            List.of("100"),
                            "maxFailedPercent",
                            100,
                            "patience",
                            "PT0S"));
            rollouts.add(service.finish(started).path("id").asLong());
        }
    }

    private void undo(RandomGenerator random) {
        if (rollouts.isEmpty()) {
            return;
        }
        long id = pick(random, rollouts);
        tell("rollout " + id + " is undone");
        var answer = service.post(
                "/api/v1/rollouts/" + id + "/undo",
                Map.of("waves", List.of("100"), "maxFailedPercent", 100, "patience", "PT0S"));
        if (answer.status() == 202) {
            service.finish(answer);
        } else {
            assertThat(answer.status()).as(answer.detail()).isIn(400, 409);
        }
    }

    private void tell(String what) {
        story.add(what);
    }

    private void override(String camera, int wanted) {
        var answer = service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:" + camera,
                        "set",
                        Map.of(KEY.text(), Integer.toString(wanted)),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        assertThat(answer.status()).as(answer.detail()).isEqualTo(204);
        cameras.get(camera).override = Optional.of(wanted);
    }

    private void takeBack(String camera) {
        service.send("DELETE", "/api/v1/overrides?node=camera:" + camera + "&key=" + KEY.text(), null, "If-Match", "*");
        cameras.get(camera).override = Optional.empty();
    }

    private void assertTrue(long seed) {
        var told = "seed " + seed + ": " + String.join("; ", story);
        cameras.forEach((name, camera) -> {
            var said = setting(name);
            boolean unread = missed.contains(name.substring(0, 2));
            assertThat(said.path("cause").asString(""))
                    .as("why %s is as it is, after %s", name, told)
                    .isEqualTo(unread ? "not read" : camera.cause(desired(name)));
            assertThat(said.path("observed").asString(""))
                    .as("what %s holds, after %s", name, told)
                    .isEqualTo(unread ? "" : camera.shown.map(String::valueOf).orElse(""));
        });
        sentNow.forEach((camera, times) -> assertThat(times)
                .as("%s is written once, after %s", camera, told)
                .isEqualTo(1));
        rollouts.forEach(id -> service.get("/api/v1/rollouts/" + id)
                .body()
                .path("steps")
                .forEach(s -> assertThat(s.path("state").asString(""))
                        .as("a step of rollout %d, after %s", id, told)
                        .isNotIn("planned", "writing")));
    }

    private JsonNode setting(String camera) {
        return service.get("/api/v1/cameras/" + camera)
                .body()
                .path("settings")
                .valueStream()
                .filter(s -> s.path("key").asString("").equals(KEY.text()))
                .findFirst()
                .orElseThrow();
    }
}
