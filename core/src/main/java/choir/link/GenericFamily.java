package choir.link;

import choir.family.Family;
import choir.family.FamilyReader;
import choir.week.Trigger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * A family for a recorder that none of the known families is about, from what the recorder says of itself. It has what
 * the open device standard has a field for, and no factory values, since no recorder tells those.
 */
public final class GenericFamily {
    private static final String ENGINE = "tt:CellMotionEngine";
    private static final String DETECTOR = "tt:CellMotionDetector";

    private GenericFamily() {}

    /** The name under which recorders of that make and model share a family. */
    public static String name(RecorderReading.Device device) {
        var name = ("generic-" + device.manufacturer() + "-" + device.model())
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("-$", "");
        // Letters that a name cannot have tell makes apart all the same.
        var whole = device.manufacturer() + " " + device.model();
        var mark = whole.chars().anyMatch(c -> c > 127 && Character.isLetterOrDigit(c))
                ? "-"
                        + UUID.nameUUIDFromBytes(whole.getBytes(StandardCharsets.UTF_8))
                                .toString()
                                .substring(0, 6)
                : "";
        return name.substring(0, Math.min(60 - mark.length(), name.length())) + mark;
    }

    /** The text of the family file; {@link FamilyReader} reads it. */
    public static String file(SelfDescription said) {
        List<String> settings = new ArrayList<>();
        said.range("module", ENGINE, "Sensitivity")
                .filter(r -> r.max() > r.min())
                .ifPresent(r -> settings.add("motion.sensitivity: {at: module " + ENGINE + " Sensitivity, from: "
                        + r.min() + ", to: " + r.max() + ", direction: up}"));
        said.range("rule", DETECTOR, "MinCount")
                .filter(r -> r.max() > r.min() && r.max() > 1)
                .ifPresent(r -> settings.add("motion.threshold: {at: rule " + DETECTOR + " MinCount, from: "
                        + Math.max(1, r.min()) + ", to: " + r.max() + "}"));
        said.grid()
                .ifPresent(g -> settings.add("motion.areas: {at: rule " + DETECTOR + " ActiveCells, grid: " + g + "}"));
        delay(said, "on", "AlarmOnDelay", settings);
        delay(said, "off", "AlarmOffDelay", settings);
        if (!said.lanes().isEmpty()) {
            settings.add("recording.switched-on: {at: job-mode}");
            settings.add("recording.week: {at: lanes, lanes: ["
                    + said.lanes().stream().map(Trigger::text).sorted().collect(Collectors.joining(", ")) + "]}");
        }
        if (said.buffers()) {
            settings.add("recording.before-event: {at: event-before, from: 0, to: 30}");
            settings.add("recording.after-event: {at: event-after, from: 0, to: 600}");
        }
        if (said.frameRate()) {
            settings.add("recording.frame-rate: {at: encoder-frame-rate, from: 1, to: 30}");
        }
        if (said.keeping()) {
            settings.add("recording.keep-at-most: {at: retention, from: 1, to: 3650}");
        }
        return "family: " + name(said.device())
                + "\ntitle: "
                + quoted(said.device().manufacturer() + " " + said.device().model())
                + "\nrecognise: {maker: " + quoted(said.device().manufacturer()) + ", model: "
                + quoted(said.device().model()) + ", exactly: yes}\npauses: channel\nconnections: 1\nsettings:\n"
                + (settings.isEmpty()
                        ? "  {}\n"
                        : settings.stream().map(s -> "  " + s + "\n").collect(Collectors.joining()));
    }

    private static void delay(SelfDescription said, String key, String item, List<String> settings) {
        said.range("rule", DETECTOR, item)
                .filter(r -> r.max() > r.min())
                .ifPresent(r -> settings.add("motion." + key + "-delay: {at: rule " + DETECTOR + " " + item + ", from: "
                        + Math.max(0, r.min()) + ", to: " + r.max() + "}"));
    }

    private static String quoted(String text) {
        return "\"" + text.replaceAll("[\"\\\\\\p{Cntrl}]", " ").strip() + "\"";
    }

    public static Family of(SelfDescription said) {
        return FamilyReader.read(file(said));
    }
}
