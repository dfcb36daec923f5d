package choir.sim;

import java.util.List;
import java.util.Map;

/** What a simulated make can do, with its ranges, habits and authentication. */
enum SimModel {
    TERN(
            "Tern",
            "TN-16",
            22,
            18,
            0,
            100,
            50,
            List.of(),
            List.of(),
            30,
            false,
            List.of("continuous", "motion", "alarm", "analytics")),
    GANNET(
            "Gannet",
            "GD-8",
            16,
            12,
            1,
            6,
            3,
            List.of(0, 3, 6),
            List.of(10, 30, 60),
            25,
            true,
            List.of("continuous", "motion", "alarm")),
    /** Takes what is out of range and holds the nearest it can, without a word. */
    PETREL("Petrel", "PX-32", 32, 24, 0, 255, 0, List.of(), List.of(), 30, false, List.of("continuous", "motion"));

    /**
     * Further parameters by their module, each with its factory value and what it takes: words with bars between, {@code
     * 1..60} for whole numbers, or {@code *} for any text.
     */
    Map<String, Map<String, List<String>>> further() {
        return switch (this) {
            case TERN ->
                Map.of(
                        "Storage",
                        Map.of(
                                "Stream", List.of("Main", "Main|Sub"),
                                "Store", List.of("Disk1", "Disk1|Disk2"),
                                "WhenFull", List.of("Overwrite", "Overwrite|Stop")),
                        "Response",
                        Map.of(
                                "Log", List.of("true", "true|false"),
                                "Mail", List.of("off", "*"),
                                "Still", List.of("false", "true|false"),
                                "Sound", List.of("off", "*"),
                                "Upload", List.of("off", "*")));
            case PETREL ->
                Map.of(
                        "Motion",
                        Map.of(
                                "Enabled", List.of("true", "true|false"),
                                "Sensitivity", List.of("auto", "auto|0..255"),
                                "Pixels", List.of("900", "1..20000"),
                                "PerSecond", List.of("2", "1|2|5"),
                                "Size", List.of("Quarter", "Full|Half|Quarter|Eighth"),
                                "Pictures", List.of("All", "All|Key")),
                        "Storage",
                        Map.of(
                                "Log", List.of("true", "true|false"),
                                "Stream", List.of("Main", "Main|Sub"),
                                "WhenFull", List.of("Overwrite", "Overwrite|Stop"),
                                "Clip", List.of("off", "*")),
                        "Response",
                        Map.of(
                                "Mail", List.of("off", "*"),
                                "Still", List.of("false", "true|false"),
                                "Sound", List.of("off", "*"),
                                "Program", List.of("off", "*"),
                                "Upload", List.of("off", "*")));
            case GANNET ->
                Map.of(
                        "Recording",
                        Map.of(
                                "Log", List.of("true", "true|false"),
                                "WhenFull", List.of("loop", "loop|halt"),
                                "Buzzer", List.of("off", "*")));
        };
    }

    /** The topic whose events start the recording of a lane; the continuous lane has none. */
    static final Map<String, String> TOPICS = Map.of(
            "motion", "tns1:RuleEngine/CellMotionDetector/Motion",
            "alarm", "tns1:Device/Trigger/DigitalInput",
            "analytics", "tns1:RuleEngine/FieldDetector/ObjectsInside");

    final String maker;
    final String model;
    final int columns;
    final int rows;
    final int leastSensitivity;
    final int mostSensitivity;
    final int factorySensitivity;
    /** Allowed seconds before an event; empty means 0 to 30. */
    final List<Integer> before;
    /** Allowed seconds after an event; empty means 0 to 600. */
    final List<Integer> after;

    final int mostFrames;
    /** One connection at a time, authentication by the challenge of HTTP, all channels pause at each write. */
    final boolean modest;

    final List<String> lanes;

    SimModel(
            String maker,
            String model,
            int columns,
            int rows,
            int leastSensitivity,
            int mostSensitivity,
            int factorySensitivity,
            List<Integer> before,
            List<Integer> after,
            int mostFrames,
            boolean modest,
            List<String> lanes) {
        this.maker = maker;
        this.model = model;
        this.columns = columns;
        this.rows = rows;
        this.leastSensitivity = leastSensitivity;
        this.mostSensitivity = mostSensitivity;
        this.factorySensitivity = factorySensitivity;
        this.before = before;
        this.after = after;
        this.mostFrames = mostFrames;
        this.modest = modest;
        this.lanes = lanes;
    }

    /** What the device holds after it was given that number; empty when it refuses it. */
    java.util.OptionalInt held(int given, int least, int most) {
        boolean fits = given >= least && given <= most;
        return fits || this == PETREL
                ? java.util.OptionalInt.of(Math.clamp(given, least, most))
                : java.util.OptionalInt.empty();
    }

    boolean takesBefore(int seconds) {
        return before.isEmpty() ? seconds >= 0 && seconds <= 30 : before.contains(seconds);
    }

    boolean takesAfter(int seconds) {
        return after.isEmpty() ? seconds >= 0 && seconds <= 600 : after.contains(seconds);
    }
}
