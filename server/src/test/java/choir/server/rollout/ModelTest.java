package choir.server.rollout;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.transaction.CannotCreateTransactionException;
import tools.jackson.databind.JsonNode;

/**
 * Random sequences of what people and recorders do, held after each step against a simple model of what is true: what a
 * recorder showed last, what was seen to be as asked, what was sent and came back otherwise. The model knows nothing of
 * rollouts, steps or snapshots. {@code -Dchoir.sequences=200} runs more, {@code -Dchoir.seed=} begins elsewhere.
 */
class ModelTest {
    private static final int LENGTH = 45;

    /**
     * A setting as policy and recorders speak of it, with few values, so that what was comes again.
     *
     * @param unit behind the number in a policy file
     */
    private record Setting(SettingKey key, int factory, List<Integer> values, String unit) {
        String text(int value) {
            return value + unit;
        }

        Optional<Integer> held(NativeConfig config) {
            return config.get(key)
                    .map(v -> values.stream()
                            .filter(n -> v.equals(NativeValue.number(n)))
                            .findFirst()
                            .orElseThrow());
        }
    }

    private static final List<Setting> SETTINGS = List.of(
            new Setting(Catalogue.SENSITIVITY, 50, List.of(20, 50, 70, 90), ""),
            new Setting(Catalogue.BEFORE_EVENT, 5, List.of(0, 5, 15), "s"),
            new Setting(Catalogue.AFTER_EVENT, 10, List.of(10, 20, 60), "s"));

    /** What is true of one setting of one camera, by what was to be seen from outside. */
    private static final class Fact {
        final Setting setting;
        Optional<Integer> override = Optional.empty();
        Optional<Integer> shown = Optional.empty();
        Optional<Integer> agreed = Optional.empty();
        Optional<Integer> sent = Optional.empty();
        Optional<Integer> refused = Optional.empty();
        Optional<Integer> cameBack = Optional.empty();
        /** What was sent by the work in which the service died, which it may know of or not. */
        Optional<Integer> maybe = Optional.empty();
        /** Such a value that did not take, and what came back. */
        Optional<Integer> perhapsRefused = Optional.empty();

        Optional<Integer> perhapsCameBack = Optional.empty();

        Fact(Setting setting) {
            this.setting = setting;
        }

        void dies() {
            maybe = sent.or(() -> maybe);
            sent = Optional.empty();
        }

        void sees(int held, int desired) {
            shown = Optional.of(held);
            maybe.ifPresent(value -> {
                if (value == held) {
                    agree(held);
                } else {
                    perhapsRefused = maybe;
                    perhapsCameBack = shown;
                }
            });
            maybe = Optional.empty();
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
            perhapsRefused = Optional.empty();
            // That it does not take a value is known until it is seen to hold it, or takes another.
            refused = refused.filter(value -> value != held);
        }

        /** What may be said of why it is as it is: one thing, unless the service died and may know more. */
        Set<String> causes(int desired) {
            boolean perhaps = perhapsRefused.equals(Optional.of(desired))
                    && perhapsCameBack.equals(shown)
                    && !shown.equals(Optional.of(desired));
            var causes = new TreeSet<>(Set.of(cause(desired)));
            if (perhaps) {
                causes.add("did not take");
            }
            return causes;
        }

        private String cause(int desired) {
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
                return held == setting.factory() ? "never tuned" : "never given out";
            }
            if (agreed.get() == desired) {
                return "changed at the recorder";
            }
            return agreed.get() == held ? "waiting to be given out" : "changed on both sides";
        }
    }

    /** By camera and setting, such as {@code r1/01 motion.sensitivity}. */
    private final Map<String, Fact> facts = new TreeMap<>();

    private final Map<Setting, Integer> house = new LinkedHashMap<>();
    private final Map<String, FakeRecorders.Fake> recorders = new TreeMap<>();
    private final Set<String> missed = ConcurrentHashMap.newKeySet();
    private final Map<String, Integer> sentNow = new ConcurrentHashMap<>();
    private final Set<String> sentInThisWork = ConcurrentHashMap.newKeySet();
    private final Set<Long> rollouts = new TreeSet<>();
    private final List<String> story = new ArrayList<>();
    private TestService service;
    private static int deaths;

    /** How many more things happen at recorders before the service dies; none while it is not to. */
    private final AtomicInteger left = new AtomicInteger(Integer.MAX_VALUE);

    /** Those that once found something, and new ones. */
    private static final long[] FOUND = {20139310638798L, 20139310638829L};

    static LongStream seeds() {
        long first = Long.getLong("choir.seed", 88_001);
        return LongStream.concat(
                LongStream.of(FOUND), LongStream.range(first, first + Integer.getInteger("choir.sequences", 1)));
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

    /** Threads of a service that died end as they would with it. */
    @BeforeAll
    static void keepQuietOfTheDead() {
        Thread.setDefaultUncaughtExceptionHandler((thread, e) -> {
            if (!(e instanceof CannotCreateTransactionException)) {
                e.printStackTrace();
            }
        });
    }

    @AfterAll
    static void speakAgain() {
        System.out.println("the service died " + deaths + " times");
        Thread.setDefaultUncaughtExceptionHandler(null);
    }

    private void begin() {
        SETTINGS.forEach(setting -> house.put(setting, setting.values().getLast()));
        loadHouse();
        for (var name : List.of("r1", "r2", "r3")) {
            var fake = service.added(name).channel("01", factory());
            if (!name.equals("r3")) {
                fake.channel("02", factory().with(Map.of(Catalogue.SENSITIVITY, NativeValue.number(20))));
            }
            recorders.put(name, fake);
            for (var channel : fake.held.keySet()) {
                SETTINGS.forEach(setting -> facts.put(name + "/" + channel + " " + setting.key(), new Fact(setting)));
            }
            fake.onShown = shown -> shows(name, shown);
            fake.onMissed = () -> missed.add(name);
            fake.onSent = (channel, value) -> sends(name + "/" + channel + " " + value.getKey(), value);
        }
        service.read();
    }

    private static NativeConfig factory() {
        Map<SettingKey, NativeValue> values = new TreeMap<>();
        SETTINGS.forEach(setting -> values.put(setting.key(), NativeValue.number(setting.factory())));
        return new NativeConfig(values);
    }

    private void shows(String recorder, Map<String, NativeConfig> shown) {
        if (dies()) {
            return;
        }
        missed.remove(recorder);
        shown.forEach((channel, config) -> SETTINGS.forEach(setting -> {
            var fact = recorder + "/" + channel + " " + setting.key();
            facts.get(fact).sees(setting.held(config).orElseThrow(), desired(fact));
        }));
    }

    private void sends(String fact, Map.Entry<SettingKey, NativeValue> value) {
        var known = facts.get(fact);
        known.sent = known.setting.held(new NativeConfig(Map.of(value.getKey(), value.getValue())));
        sentNow.merge(fact, 1, Integer::sum);
        sentInThisWork.add(fact);
        if (dies()) {
            // Whatever it did before, nobody is left to know of it.
            sentNow.clear();
            sentInThisWork.forEach(f -> facts.get(f).dies());
        }
    }

    /** True when the service has just died; the call that is under way still comes to its end at the recorder. */
    private boolean dies() {
        if (left.decrementAndGet() != 0) {
            return false;
        }
        service.die();
        return true;
    }

    private int desired(String fact) {
        return facts.get(fact).override.orElseGet(() -> house.get(facts.get(fact).setting));
    }

    private void loadHouse() {
        Map<String, List<String>> parts = new TreeMap<>();
        house.forEach((setting, value) -> {
            var names = setting.key().text().split("\\.");
            parts.computeIfAbsent(names[0], n -> new ArrayList<>()).add(names[1] + ": " + setting.text(value));
        });
        var lines = parts.entrySet().stream()
                .map(e -> e.getKey() + ": {" + String.join(", ", e.getValue()) + "}")
                .collect(Collectors.joining("\n"));
        service.load("template: house\n" + lines + "\n---\ngroup: fleet\nuse: [house]\n");
    }

    private static <T> T pick(RandomGenerator random, List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private static int value(RandomGenerator random, Setting setting) {
        return pick(random, setting.values());
    }

    private void step(RandomGenerator random) {
        sentNow.clear();
        sentInThisWork.clear();
        var fact = pick(random, List.copyOf(facts.keySet()));
        var setting = facts.get(fact).setting;
        var camera = fact.substring(0, fact.indexOf(' '));
        var fake = pick(random, List.copyOf(recorders.values()));
        boolean dies = random.nextInt(4) == 0;
        left.set(dies ? 1 + random.nextInt(6) : Integer.MAX_VALUE);
        var dying = dies ? ", and the service may die of it" : "";
        switch (random.nextInt(14)) {
            case 0 -> {
                house.put(setting, value(random, setting));
                tell("the house asks for " + house.get(setting) + " as " + setting.key());
                loadHouse();
            }
            case 1 -> {
                int wanted = value(random, setting);
                tell(fact + " is overridden to " + wanted);
                override(fact, wanted);
            }
            case 2 -> {
                tell(fact + " is no longer overridden");
                takeBack(fact);
            }
            case 3, 4 -> {
                int turned = value(random, setting);
                tell(fact + " is turned to " + turned + " at its recorder");
                recorders
                        .get(camera.substring(0, 2))
                        .turn(camera.substring(3), setting.key(), NativeValue.number(turned));
            }
            case 5 -> {
                tell(fake.name + " goes away");
                fake.goAway();
            }
            case 6 -> {
                tell("all come back");
                recorders.values().forEach(FakeRecorders.Fake::comeBack);
            }
            case 7 -> toggle(fake.forgetting, setting.key(), fake.name + " forgets what is written as ");
            case 8 -> toggle(fake.breakingAt, setting.key(), fake.name + " goes away when it is written ");
            case 9 -> {
                tell("all are read" + dying);
                ended(service.post("/api/v1/readings", Map.of()));
            }
            case 10 -> {
                tell("all are audited" + dying);
                ended(service.post("/api/v1/audits", Map.of()));
            }
            case 11 -> {
                tell("all is given out" + dying);
                giveOut();
            }
            case 12 -> undo(random, dying);
            default -> {
                tell("the service is started again");
                service.restart();
            }
        }
        left.set(Integer.MAX_VALUE);
    }

    private void toggle(Set<SettingKey> habit, SettingKey key, String words) {
        boolean begins = habit.isEmpty();
        tell(words + (begins ? key : "nothing"));
        if (begins) {
            habit.add(key);
        } else {
            habit.clear();
        }
    }

    /** Waits for the end of long work, also through the death of the service, which takes it up when it is back. */
    private void ended(TestService.Answer started) {
        boolean died = !service.isThroughOrDead(started);
        if (died) {
            deaths++;
            tell("it dies");
            service.restart();
            service.awaitIdle();
        }
        service.get("/api/v1/rollouts")
                .body()
                .path("items")
                .forEach(r -> rollouts.add(r.path("id").asLong()));
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
            ended(started);
        }
    }

    private void undo(RandomGenerator random, String dying) {
        if (rollouts.isEmpty()) {
            return;
        }
        long id = pick(random, List.copyOf(rollouts));
        tell("rollout " + id + " is undone" + dying);
        var answer = service.post(
                "/api/v1/rollouts/" + id + "/undo",
                Map.of("waves", List.of("100"), "maxFailedPercent", 100, "patience", "PT0S"));
        if (answer.status() == 202) {
            ended(answer);
        } else {
            assertThat(answer.status()).as(answer.detail()).isIn(400, 409);
        }
    }

    private void tell(String what) {
        story.add(what);
    }

    private void override(String fact, int wanted) {
        var known = facts.get(fact);
        var answer = service.send(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:" + fact.substring(0, fact.indexOf(' ')),
                        "set",
                        Map.of(known.setting.key().text(), known.setting.text(wanted)),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        assertThat(answer.status()).as(answer.detail()).isEqualTo(204);
        known.override = Optional.of(wanted);
    }

    private void takeBack(String fact) {
        service.send("DELETE", "/api/v1/overrides?node=camera:" + fact.replace(" ", "&key="), null, "If-Match", "*");
        facts.get(fact).override = Optional.empty();
    }

    private void assertTrue(long seed) {
        var told = "seed " + seed + ": " + String.join("; ", story);
        facts.forEach((name, fact) -> {
            var said = setting(name);
            boolean unread = missed.contains(name.substring(0, 2));
            assertThat(said.path("cause").asString(""))
                    .as("why %s is as it is, after %s", name, told)
                    .isIn(unread ? Set.of("not read") : fact.causes(desired(name)));
            assertThat(said.path("observed").asString(""))
                    .as("what %s holds, after %s", name, told)
                    .isEqualTo(unread ? "" : fact.shown.map(String::valueOf).orElse(""));
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

    private JsonNode setting(String fact) {
        var parts = fact.split(" ");
        return service.get("/api/v1/cameras/" + parts[0])
                .body()
                .path("settings")
                .valueStream()
                .filter(s -> s.path("key").asString("").equals(parts[1]))
                .findFirst()
                .orElseThrow();
    }
}
