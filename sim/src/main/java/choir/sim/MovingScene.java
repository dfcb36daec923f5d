package choir.sim;

import choir.sim.SimLife.Kind;
import choir.sim.SimLife.Passer;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What a camera sees at an instant, in grey: the still scene in the light of the hour, what is never still in it, who
 * passes, and the grain of a dark picture. The same instant always looks the same.
 */
final class MovingScene {
    static final int WIDTH = 320;
    static final int HEIGHT = 176;
    private static final int PIXELS = WIDTH * HEIGHT;
    private static final double NIGHT_GRAIN = 4;
    private static final double DAY_GRAIN = 0.8;
    private static final int GRAINS = 1 << 17;
    private static final float[] GRAIN = grain();
    private static final int KEPT_STILLS = 400;
    /** Stills by scene, camera and light. */
    private static final Map<String, Scene.Still> STILLS = new ConcurrentHashMap<>();

    /**
     * Where somebody is, in shares of the picture from its top left.
     *
     * @param bottom where the feet are
     */
    record Box(double left, double top, double right, double bottom) {}

    private final SimRecorder recorder;
    private final SimChannel channel;
    private final SimLife life;

    MovingScene(SimRecorder recorder, SimChannel channel) {
        this.recorder = recorder;
        this.channel = channel;
        this.life = new SimLife(recorder, channel);
    }

    private static float[] grain() {
        var random = new Random(20_270_114);
        var grain = new float[GRAINS + PIXELS];
        for (int i = 0; i < grain.length; i++) {
            grain[i] = (float) random.nextGaussian();
        }
        return grain;
    }

    private Scene.Still still(boolean night) {
        if (STILLS.size() > KEPT_STILLS) {
            STILLS.clear();
        }
        var camera = recorder.name + "/" + channel.place;
        return STILLS.computeIfAbsent(
                channel.scene + " " + camera + " " + night,
                k -> Scene.still(channel.scene, camera, night, WIDTH, HEIGHT));
    }

    /** WIDTH × HEIGHT values from the top left. */
    byte[] at(Instant instant) {
        boolean night = life.isNight(instant);
        var still = still(night);
        int[] picture = new int[PIXELS];
        double seconds = (instant.toEpochMilli() % 86_400_000L) / 1000.0;
        double weather = life.weather(instant);
        int shift = channel.scene.equals("deck") ? (int) Math.round((1 + 4 * weather) * Math.sin(seconds / 1.7)) : 0;
        for (int i = 0; i < PIXELS; i++) {
            int from = i - shift * WIDTH;
            picture[i] = still.luminance()[from < 0 || from >= PIXELS ? i : from] & 0xFF;
        }
        restless(picture, still, seconds, weather, night);
        for (var passer : life.passers(instant, instant.plusMillis(1))) {
            draw(picture, passer, instant, still.mirrored(), night);
        }
        return grained(picture, instant, night);
    }

    private void restless(int[] picture, Scene.Still still, double seconds, double weather, boolean night) {
        double most = (channel.scene.equals("engine-room") ? 26 : 6 + 34 * weather) * (night ? 0.4 : 1);
        for (int i = still.restless().nextSetBit(0);
                i >= 0;
                i = still.restless().nextSetBit(i + 1)) {
            int x = i % WIDTH;
            int y = i / WIDTH;
            double wave = Math.sin(x * 0.19 + seconds * 1.3 + y * 0.45)
                    * Math.sin(y * 0.31 - seconds * 0.7 + x * 0.05)
                    * Math.sin(seconds * 0.23 + x * 0.021);
            picture[i] += (int) Math.round(most * wave);
        }
    }

    /** Where a passer is at that instant; outside of the picture at the ends of the way. */
    static Box box(Passer passer, Instant at, boolean mirrored) {
        double way = Duration.between(passer.from(), at).toMillis()
                / (double) Duration.between(passer.from(), passer.until()).toMillis();
        double along = passer.forth() ? way : 1 - way;
        double height = passer.height();
        double width = height * passer.slimness() * HEIGHT / WIDTH;
        double x;
        double feet;
        switch (passer.kind()) {
            case GULL -> {
                x = -0.05 + 1.1 * along;
                feet = 0.2 + 0.1 * (passer.metres() % 5) + 0.08 * Math.sin(way * 9);
            }
            case LAMPS -> {
                x = -0.2 + 1.4 * along;
                feet = 0.85;
            }
            default -> {
                x = 0.42 + 0.5 * along;
                feet = Math.min(0.97, 0.36 + height * 0.7);
            }
        }
        double middle = mirrored ? 1 - x : x;
        return new Box(middle - width / 2, feet - height, middle + width / 2, feet);
    }

    private static void draw(int[] picture, Passer passer, Instant at, boolean mirrored, boolean night) {
        var box = box(passer, at, mirrored);
        double middleX = (box.left() + box.right()) / 2 * WIDTH;
        double middleY = (box.top() + box.bottom()) / 2 * HEIGHT;
        double radiusX = Math.max(0.7, (box.right() - box.left()) / 2 * WIDTH);
        double radiusY = Math.max(0.7, (box.bottom() - box.top()) / 2 * HEIGHT);
        boolean light = passer.kind() == Kind.LAMPS;
        double contrast = passer.contrast() * (night && !light ? 0.45 : 1);
        for (int y = Math.max(0, (int) (middleY - radiusY)); y < Math.min(HEIGHT, middleY + radiusY + 1); y++) {
            for (int x = Math.max(0, (int) (middleX - radiusX)); x < Math.min(WIDTH, middleX + radiusX + 1); x++) {
                double dx = (x + 0.5 - middleX) / radiusX;
                double dy = (y + 0.5 - middleY) / radiusY;
                double far = dx * dx + dy * dy;
                if (far <= 1) {
                    picture[y * WIDTH + x] += (int) Math.round(light ? contrast * (1 - far) : contrast);
                }
            }
        }
    }

    private static byte[] grained(int[] picture, Instant instant, boolean night) {
        double sigma = night ? NIGHT_GRAIN : DAY_GRAIN;
        int offset = Math.floorMod((int) (instant.toEpochMilli() * 0x9E3779B97F4A7C15L >>> 40), GRAINS);
        byte[] grained = new byte[PIXELS];
        for (int i = 0; i < PIXELS; i++) {
            grained[i] = (byte) Math.clamp(picture[i] + Math.round(GRAIN[offset + i] * sigma), 0, 255);
        }
        return grained;
    }

    /** Who is where, for tests, as JSON: everyone who passes in the span, with where they are each second. */
    String truth(Instant from, Instant until) {
        List<String> told = life.passers(from, until).stream()
                .map(p -> "{\"kind\":\"" + p.kind().name().toLowerCase(java.util.Locale.ROOT) + "\",\"from\":\""
                        + p.from()
                        + "\",\"until\":\"" + p.until() + "\",\"metres\":" + p.metres() + ",\"contrast\":"
                        + p.contrast() + ",\"wanted\":" + p.isWanted() + ",\"middle\":" + middle(p) + "}")
                .toList();
        return "[" + String.join(",\n", told) + "]\n";
    }

    private String middle(Passer passer) {
        var half = passer.from()
                .plus(Duration.between(passer.from(), passer.until()).dividedBy(2));
        var box = box(
                passer,
                half.truncatedTo(ChronoUnit.MILLIS),
                still(life.isNight(half)).mirrored());
        return "[%.3f,%.3f,%.3f,%.3f]".formatted(box.left(), box.top(), box.right(), box.bottom());
    }
}
