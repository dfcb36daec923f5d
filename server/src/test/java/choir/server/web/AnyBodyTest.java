package choir.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.TestService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Bodies of all shapes at every address that takes one, made from the interface document: what fits it, what nearly does, and what
 * does not. None is answered by a failure of the service, and it goes on working. {@code -Dchoir.bodies=2000 -Dchoir.seed=7} for more.
 */
class AnyBodyTest {
    private static final int BODIES = Integer.getInteger("choir.bodies", 12);
    private static final long SEED = Long.getLong("choir.seed", 4711);
    private static final int DEEPEST = 6;

    /** Known words, so that what is made gets past the first check often. */
    private static final List<String> WORDS = List.of(
            "r1",
            "r1/01",
            "camera:r1/01",
            "fleet/north",
            "north",
            "house",
            "motion.sensitivity",
            "recording.week",
            "2099-01-01",
            "2026-02-30",
            "2026-01-01T00:00:00Z",
            "PT2H",
            "-PT1S",
            "50%",
            "viewer",
            "adopt",
            "accept",
            "template: house\nmotion: {sensitivity: 3}\n",
            "template: [",
            "0,0 1,1",
            "[{name: a, kind: watch, outline: [[0,0],[1,0],[1,1]]}]",
            "22:00-05:00",
            "0 0 3 * * *",
            "",
            " ",
            "\u0000",
            "\ud83d\ude00\u202e\u001b[31m",
            "'; DROP TABLE camera; --",
            "../../etc/passwd",
            "http://127.0.0.1:1/x",
            "\ufffe");

    private final Random random = new Random(SEED);
    private TestService service;
    private JsonNode document;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.added("r1").channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(40))));
        service.read();
        service.post("/api/v1/groups", Map.of("path", "north"));
        service.load("template: house\nmotion: {sensitivity: 70}\n");
        document = service.get("/api/v1/openapi").body();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private record Door(String method, String path, JsonNode schema) {}

    private List<Door> doors() {
        List<Door> doors = new ArrayList<>();
        document.path("paths")
                .forEachEntry((path, methods) -> methods.forEachEntry((method, operation) -> {
                    var schema = operation
                            .path("requestBody")
                            .path("content")
                            .path("application/json")
                            .path("schema");
                    // Whoever signs out, or waits for a device that is not there, tells nothing more.
                    if (!schema.isMissingNode() && !path.contains("recorder-searches")) {
                        doors.add(new Door(method.toUpperCase(Locale.ROOT), path, schema));
                    }
                }));
        assertThat(doors).hasSizeGreaterThan(50);
        return doors;
    }

    @Test
    void noBodyMakesTheServiceFail() {
        var failed = new TreeSet<String>();
        for (var door : doors()) {
            for (int i = 0; i < BODIES; i++) {
                var body = made(door.schema(), 0);
                var path = filled(door.path());
                var answer = service.send(door.method(), path, body, "If-Match", random.nextBoolean() ? "\"1\"" : "*");
                if (answer.status() >= 500 && answer.status() != 502
                        || answer.whole().body().contains("Exception")) {
                    failed.add(door.method() + " " + path + " of " + body + ": "
                            + answer.whole().body());
                }
            }
        }
        assertThat(failed).isEmpty();
        assertThat(service.get("/api/v1/overview").status()).isEqualTo(200);
        assertThat(service.get("/api/v1/cameras?limit=1").body().path("total").asInt())
                .isEqualTo(1);
    }

    private String filled(String path) {
        return path.replace("{recorder}/{channel}", random.nextInt(4) == 0 ? "r9/~AA" : "r1/01")
                .replace("/recorders/{name}", random.nextInt(4) == 0 ? "/recorders/none" : "/recorders/r1")
                .replaceAll("\\{name}", random.nextBoolean() ? "house" : "eve")
                .replaceAll("\\{[^}]*}", Integer.toString(1 + random.nextInt(3)));
    }

    /** A value of that schema, or one that is none. */
    private @Nullable Object made(JsonNode schema, int depth) {
        if (random.nextInt(9) == 0) {
            return odd(depth);
        }
        var reference = schema.path("$ref").asString("");
        if (!reference.isEmpty()) {
            return made(
                    document.path("components")
                            .path("schemas")
                            .path(reference.substring(reference.lastIndexOf('/') + 1)),
                    depth);
        }
        return switch (schema.path("type").asString("object")) {
            case "string" -> word();
            case "boolean" -> random.nextBoolean();
            case "integer" -> random.nextInt(4) == 0 ? random.nextLong() : (Object) random.nextInt(5);
            case "number" -> random.nextInt(4) == 0 ? 1e300 : (Object) random.nextDouble();
            case "array" -> list(schema, depth);
            default -> object(schema, depth);
        };
    }

    private String word() {
        return random.nextInt(60) == 0 ? "x".repeat(70_000) : WORDS.get(random.nextInt(WORDS.size()));
    }

    private List<@Nullable Object> list(JsonNode schema, int depth) {
        List<@Nullable Object> items = new ArrayList<>();
        int size = depth > DEEPEST ? 0 : random.nextInt(4);
        for (int i = 0; i < size; i++) {
            items.add(made(schema.path("items"), depth + 1));
        }
        return items;
    }

    private Map<String, @Nullable Object> object(JsonNode schema, int depth) {
        Map<String, @Nullable Object> body = new LinkedHashMap<>();
        if (depth > DEEPEST) {
            return body;
        }
        schema.path("properties").forEachEntry((name, property) -> {
            if (random.nextInt(8) != 0) {
                body.put(name, made(property, depth + 1));
            }
        });
        var more = schema.path("additionalProperties");
        for (int i = random.nextInt(3); more.isObject() && i > 0; i--) {
            body.put(word(), made(more, depth + 1));
        }
        if (random.nextInt(20) == 0) {
            body.put("somethingElse", odd(depth + 1));
        }
        return body;
    }

    private @Nullable Object odd(int depth) {
        return switch (random.nextInt(9)) {
            case 0 -> null;
            case 1 -> -1;
            case 2 -> Long.MIN_VALUE;
            case 3 -> 1e-300;
            case 4 -> word();
            case 5 -> List.of();
            case 6 -> Map.of();
            case 7 -> depth > DEEPEST ? List.of() : List.of(Map.of("x", List.of(odd0(depth))));
            default -> random.nextBoolean();
        };
    }

    private Object odd0(int depth) {
        var deeper = odd(depth + 1);
        return deeper == null ? 0 : deeper;
    }
}
