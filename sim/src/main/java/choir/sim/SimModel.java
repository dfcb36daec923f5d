package choir.sim;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListMap;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/**
 * What a simulated make can do, with its ranges, habits and authentication, as {@code models.yaml} states it.
 *
 * @param unscheduled its jobs have no schedule: they record, or they are idle
 * @param pause what stops recording at each write, {@code all} channels or the {@code one} that is written, and for how long
 * @param panel what the knobs at the front turn, by their everyday names
 */
record SimModel(
        String make,
        String maker,
        String model,
        int columns,
        int rows,
        List<String> lanes,
        boolean unscheduled,
        SimParameter before,
        SimParameter after,
        int mostFrames,
        Set<String> habits,
        Optional<Pause> pause,
        Map<String, String> panel,
        List<SimPart> modules,
        List<SimPart> rules) {
    private static final Map<String, SimModel> MODELS = new ConcurrentSkipListMap<>();

    static {
        try (var in = SimModel.class.getResourceAsStream("/choir/sim/models.yaml")) {
            load(in);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    record Pause(boolean ofAll, Duration length) {}

    /** The topic whose events start the recording of a lane; the continuous lane has none. */
    static final Map<String, String> TOPICS = Map.of(
            "motion", "tns1:RuleEngine/CellMotionDetector/Motion",
            "alarm", "tns1:Device/Trigger/DigitalInput",
            "analytics", "tns1:RuleEngine/FieldDetector/ObjectsInside");

    static SimModel of(String make) {
        var model = MODELS.get(make);
        if (model == null) {
            throw new IllegalArgumentException("no make \"" + make + "\"; there are " + MODELS.keySet());
        }
        return model;
    }

    int cells() {
        return columns * rows;
    }

    boolean clamps() {
        return habits.contains("clamps");
    }

    /** Whether it has no such service, by the prefix of its namespace. */
    boolean lacks(String service) {
        return habits.contains("no-" + service);
    }

    boolean modest() {
        return habits.contains("modest");
    }

    boolean sleeps() {
        return habits.contains("sleeps");
    }

    boolean halfHours() {
        return habits.contains("half-hours");
    }

    /** The parameter that is called so, such as {@code Motion.MinCount}. */
    Optional<SimParameter> parameter(String name) {
        return java.util.stream.Stream.concat(modules.stream(), rules.stream())
                .flatMap(part ->
                        part.parameters().entrySet().stream().filter(e -> name.equals(part.name() + "." + e.getKey())))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    /** Whether that threshold counts cells of the grid, as the standard's does. */
    boolean inCells(String threshold) {
        return threshold.endsWith(".MinCount");
    }

    /** Whether it counts pixels of a quarter of the picture's size. */
    boolean inPixels(String threshold) {
        return threshold.endsWith(".Pixels");
    }

    /** Says everything as nobody else does. */
    boolean foreign() {
        return habits.contains("foreign");
    }

    /** Sends events when what it holds was changed. */
    boolean tells() {
        return habits.contains("tells");
    }

    boolean specialDays() {
        return habits.contains("special-days");
    }

    /** The part of that name, or a refusal. */
    static SimPart part(List<SimPart> parts, String name) {
        return parts.stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow(
                        () -> new SimSoapFault("Sender", "InvalidArgs", "NameNotExistent", "No such part: " + name));
    }

    /**
     * Makes beside those that ship; one of the same name takes the place of the other.
     *
     * @throws IllegalArgumentException with the make and what is missing, when the file is not like {@code models.yaml}
     */
    static void load(InputStream in) {
        Object loaded;
        try {
            loaded = new Load(LoadSettings.builder().build()).loadFromInputStream(in);
        } catch (YamlEngineException e) {
            throw new IllegalArgumentException("the file of makes is no YAML: " + e.getMessage(), e);
        }
        if (!(loaded instanceof List<?> entries)) {
            throw new IllegalArgumentException("a file of makes is a list, each with a make, a maker and a model");
        }
        for (var entry : entries) {
            var given = entry instanceof Map<?, ?> map ? map : Map.of();
            for (var key : List.of("make", "maker", "model", "grid", "lanes", "before", "after", "frames")) {
                if (!given.containsKey(key)) {
                    throw new IllegalArgumentException("the make " + text(given, "make") + " says no " + key);
                }
            }
            try {
                var model = model(given);
                MODELS.put(model.make(), model);
            } catch (IndexOutOfBoundsException
                    | NumberFormatException
                    | NoSuchElementException
                    | java.time.DateTimeException e) {
                throw new IllegalArgumentException(
                        "the make " + text(given, "make") + " is not written like those of models.yaml: "
                                + e.getMessage(),
                        e);
            }
        }
    }

    private static SimModel model(Map<?, ?> given) {
        var sides = text(given, "grid").split("x");
        return new SimModel(
                text(given, "make"),
                text(given, "maker"),
                text(given, "model"),
                Integer.parseInt(sides[0]),
                Integer.parseInt(sides[1]),
                texts(given, "lanes"),
                given.containsKey("unscheduled"),
                parameter(list(given, "before")),
                parameter(list(given, "after")),
                Integer.parseInt(text(given, "frames")),
                Set.copyOf(texts(given, "habits")),
                pause(texts(given, "pause")),
                panel(map(given, "panel")),
                parts(list(given, "modules")),
                parts(list(given, "rules")));
    }

    private static Optional<Pause> pause(List<String> given) {
        return given.isEmpty()
                ? Optional.empty()
                : Optional.of(new Pause(given.getFirst().equals("all"), Duration.parse(given.getLast())));
    }

    private static Map<String, String> panel(Map<?, ?> given) {
        Map<String, String> panel = new LinkedHashMap<>();
        given.forEach((knob, parameter) -> panel.put(knob.toString(), parameter.toString()));
        return panel;
    }

    private static List<SimPart> parts(List<?> given) {
        List<SimPart> parts = new ArrayList<>();
        for (var entry : given) {
            var part = (Map<?, ?>) entry;
            Map<String, SimParameter> parameters = new LinkedHashMap<>();
            map(part, "holds").forEach((name, rule) -> parameters.put(name.toString(), parameter((List<?>) rule)));
            parts.add(new SimPart(text(part, "name"), text(part, "type"), part.containsKey("layout"), parameters));
        }
        return List.copyOf(parts);
    }

    private static SimParameter parameter(List<?> rule) {
        return new SimParameter(rule.getFirst().toString(), rule.getLast().toString());
    }

    private static String text(Map<?, ?> given, String key) {
        return String.valueOf(given.get(key));
    }

    private static List<String> texts(Map<?, ?> given, String key) {
        return list(given, key).stream().map(Object::toString).toList();
    }

    private static List<?> list(Map<?, ?> given, String key) {
        return given.get(key) instanceof List<?> list ? list : List.of();
    }

    private static Map<?, ?> map(Map<?, ?> given, String key) {
        return given.get(key) instanceof Map<?, ?> map ? map : Map.of();
    }
}
