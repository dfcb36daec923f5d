package choir.server.standing;

import choir.drift.Mark;
import choir.fleet.CameraState;
import choir.fleet.NaturalOrder;
import choir.fleet.Nearest;
import choir.fleet.Node;
import choir.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The order of a list of cameras by one of its columns; what is equal there by recorder and channel. What has no value there
 * comes last either way.
 */
record CameraOrder(Column column, boolean isFromTheLast) implements Comparator<CameraOrder.Place> {
    /** As {@link CameraRow} names them. */
    enum Column {
        CAMERA("camera"),
        RECORDER("recorder"),
        CHANNEL("channel"),
        LABEL("label"),
        DEVICE_NAME("deviceName"),
        GROUP("group"),
        FAMILY("family"),
        TAGS("tags"),
        STATES("states"),
        /** The worst first. */
        MARK("mark");

        private static final int SIZES = 4;
        /** What is not governed is no place in the order; else the worst is the least. */
        private static final List<String> BY_SEVERITY = IntStream.range(0, Mark.Kind.values().length * SIZES)
                .mapToObj(severity ->
                        severity < SIZES ? "" : Integer.toString(Mark.Kind.values().length * SIZES - severity))
                .toList();

        private final String key;

        Column(String key) {
            this.key = key;
        }

        private String value(Standing camera) {
            return switch (this) {
                case CAMERA -> camera.camera().text();
                case RECORDER -> camera.camera().recorder().text();
                case CHANNEL -> camera.camera().channel();
                case LABEL -> camera.row().label();
                case DEVICE_NAME -> camera.row().deviceName();
                case GROUP -> camera.group().text();
                case FAMILY -> camera.family().name();
                case TAGS -> camera.tags().stream().sorted().collect(Collectors.joining(" "));
                case STATES -> states(camera.states());
                case MARK -> severity(camera);
            };
        }

        private static String states(Set<CameraState> states) {
            return states.size() == 1
                    ? states.iterator().next().word()
                    : states.stream().map(CameraState::word).sorted().collect(Collectors.joining(" "));
        }

        /** Asked of every camera that there is, so without words, and no further than something worse can come. */
        private static String severity(Standing camera) {
            boolean isQuiet = camera.states().contains(CameraState.IN_TUNE);
            int worst = 0;
            for (var deviation : camera.deviations()) {
                var mark = Mark.of(deviation);
                worst = Math.max(worst, mark.kind().ordinal() * SIZES + mark.size());
                if (isQuiet && mark.kind() == Mark.Kind.IN_TUNE) {
                    break;
                }
            }
            return BY_SEVERITY.get(worst);
        }
    }

    /** Where a camera stands in an order. */
    record Place(String value, Node.Camera camera) {
        String text() {
            return encoded(camera.text()) + "." + encoded(value);
        }

        static Place parse(String text) {
            int end = text.indexOf('.');
            try {
                return new Place(decoded(text.substring(end + 1)), Node.Camera.parse(decoded(text.substring(0, end))));
            } catch (RuntimeException e) {
                throw new Problem(Problem.Kind.INVALID, "the cursor \"" + text + "\" is not of a list in this order");
            }
        }

        private static String encoded(String text) {
            return Base64.getUrlEncoder().withoutPadding().encodeToString(text.getBytes(StandardCharsets.UTF_8));
        }

        private static String decoded(String text) {
            return new String(Base64.getUrlDecoder().decode(text), StandardCharsets.UTF_8);
        }
    }

    /** @param text such as {@code label}, or {@code -label} from the last to the first */
    static CameraOrder parse(String text) {
        boolean isFromTheLast = text.startsWith("-");
        var key = isFromTheLast ? text.substring(1) : text;
        List<String> keys = Arrays.stream(Column.values()).map(c -> c.key).toList();
        int place = keys.indexOf(key);
        if (place < 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "cameras are sorted by " + String.join(", ", keys) + ", not by \"" + key + "\""
                            + Nearest.hint(key, keys));
        }
        return new CameraOrder(Column.values()[place], isFromTheLast);
    }

    Place place(Standing camera) {
        return new Place(column.value(camera), camera.camera());
    }

    @Override
    public int compare(Place a, Place b) {
        int missing = Boolean.compare(a.value.isEmpty(), b.value.isEmpty());
        if (missing != 0) {
            return missing;
        }
        int byValue = NaturalOrder.BY_NAME.compare(a.value, b.value);
        return byValue != 0 ? (isFromTheLast ? -byValue : byValue) : Snapshot.compare(a.camera, b.camera);
    }
}
