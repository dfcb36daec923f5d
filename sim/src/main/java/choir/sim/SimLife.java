package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * What moves before a camera and what is recorded of it, as a function of camera and instant, by what it is set to now. An
 * hour has its own movements, more of them by day, and as many as the scene has life.
 */
final class SimLife {
    private static final long HOUR = 3_600;

    /** @param until exclusive */
    record Span(Instant from, Instant until) {}

    /** Who passes; gulls and lamps are nobody, and are not looked for. */
    enum Kind {
        WALKER,
        VEHICLE,
        GULL,
        LAMPS
    }

    /**
     * Somebody or something that passes before the camera once.
     *
     * @param metres how far away, which is how small
     * @param contrast how much darker or brighter than what is behind, in steps of luminance
     * @param forth from the near edge of the picture to the far one, or back
     */
    record Passer(Kind kind, Instant from, Instant until, int metres, int contrast, boolean forth) {
        boolean isWanted() {
            return kind == Kind.WALKER || kind == Kind.VEHICLE;
        }

        /** The share of a picture's height that it takes. */
        double height() {
            return switch (kind) {
                case WALKER -> Math.min(0.9, 4.0 / metres);
                case VEHICLE -> Math.min(0.6, 3.6 / metres);
                case GULL -> 0.03;
                case LAMPS -> 0.4;
            };
        }

        /** Its width beside its height. */
        double slimness() {
            return switch (kind) {
                case WALKER -> 0.36;
                case VEHICLE, GULL -> 2.2;
                case LAMPS -> 1.4;
            };
        }
    }

    private final SimRecorder recorder;
    private final SimChannel channel;

    SimLife(SimRecorder recorder, SimChannel channel) {
        this.recorder = recorder;
        this.channel = channel;
    }

    /** Nothing is kept of before. */
    Instant earliest(Instant now) {
        return now.minus(Duration.ofDays(channel.retentionDays == 0 ? 30 : Math.min(30, channel.retentionDays)));
    }

    /** When its own detection saw something, in order, none touching another; clipped to the span. */
    List<Span> motion(Instant from, Instant until) {
        var detection = new SimDetection(recorder.model, channel);
        if (!detection.isOn()) {
            return List.of();
        }
        List<Span> found = new ArrayList<>();
        for (var passer : passers(from, until)) {
            if (passer.until().isAfter(from) && detection.sees(passer, isNight(passer.from()))) {
                found.add(new Span(
                        passer.from().isBefore(from) ? from : passer.from(),
                        passer.until().isAfter(until) ? until : passer.until()));
            }
        }
        return joined(found);
    }

    private static List<Span> joined(List<Span> spans) {
        List<Span> joined = new ArrayList<>();
        for (var span : spans) {
            if (!joined.isEmpty() && !span.from().isAfter(joined.getLast().until())) {
                var last = joined.removeLast();
                joined.add(new Span(last.from(), last.until().isAfter(span.until()) ? last.until() : span.until()));
            } else {
                joined.add(span);
            }
        }
        return joined;
    }

    /** Who is before the camera at some time of the span, in the order in which they come. */
    List<Passer> passers(Instant from, Instant until) {
        List<Passer> found = new ArrayList<>();
        for (long hour = Math.floorDiv(from.getEpochSecond(), HOUR) - 1; hour * HOUR < until.getEpochSecond(); hour++) {
            for (var passer : ofHour(hour)) {
                found.add(passer);
            }
        }
        found.addAll(channel.guests);
        found.removeIf(p -> !p.until().isAfter(from) || !p.from().isBefore(until));
        found.sort(Comparator.comparing(Passer::from));
        return found;
    }

    private ZonedDateTime wall(Instant at) {
        return at.atZone(recorder.clockZone);
    }

    boolean isNight(Instant at) {
        return Scene.isNight(wall(at));
    }

    /** How restless the water, the grass or the ship is, 0 to 1; a weather lasts three hours. */
    double weather(Instant at) {
        var random = random(Math.floorDiv(at.getEpochSecond(), 3 * HOUR) * 17 + 5);
        double wind = random.nextDouble();
        return wind * wind;
    }

    private Random random(long number) {
        return new Random((recorder.name + "/" + channel.place).hashCode() * 0x9E3779B97F4A7C15L + number);
    }

    private List<Passer> ofHour(long hour) {
        var random = random(hour * 31);
        var begin = Instant.ofEpochSecond(hour * HOUR);
        boolean byDay = wall(begin).getHour() >= 6 && wall(begin).getHour() < 21;
        int most = switch (channel.scene) {
            case "hall", "gangway" -> byDay ? 14 : 0;
            case "lanes" -> byDay ? 10 : 2;
            case "yard", "engine-room" -> byDay ? 3 : 1;
            case "none" -> 0;
            default -> byDay ? 6 : 2;
        };
        List<Passer> passers = new ArrayList<>();
        long at = 0;
        for (int i = most == 0 ? 0 : random.nextInt(most + 1); i > 0; i--) {
            at += 20 + random.nextInt((int) (HOUR / (most + 1)));
            long length = 4L + random.nextInt(40);
            if (at + length < HOUR) {
                passers.add(somebody(random, begin.plusSeconds(at), length));
            }
            at += length;
        }
        passers.addAll(nobodies(hour, begin));
        passers.sort(Comparator.comparing(Passer::from));
        return passers;
    }

    private Passer somebody(Random random, Instant from, long seconds) {
        boolean vehicle = channel.scene.equals("lanes") && random.nextInt(4) > 0;
        int metres = switch (channel.scene) {
            case "quay" -> 8 + random.nextInt(63);
            case "gangway", "engine-room" -> 4 + random.nextInt(7);
            case "lanes" -> 10 + random.nextInt(30);
            case "yard" -> 10 + random.nextInt(30);
            default -> 5 + random.nextInt(11);
        };
        return new Passer(
                vehicle ? Kind.VEHICLE : Kind.WALKER,
                from,
                from.plusSeconds(seconds),
                metres,
                (random.nextInt(3) == 0 ? 1 : -1) * (34 + random.nextInt(50)),
                random.nextBoolean());
    }

    private List<Passer> nobodies(long hour, Instant begin) {
        var random = random(hour * 31 + 7);
        boolean night = isNight(begin);
        var kind = channel.scene.equals("lanes") ? Kind.LAMPS : Kind.GULL;
        int most = switch (channel.scene) {
            case "quay", "deck" -> night ? 0 : 6;
            case "lanes" -> night ? 8 : 0;
            default -> 0;
        };
        List<Passer> passers = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            var from = begin.plusSeconds(random.nextInt((int) HOUR - 5));
            passers.add(new Passer(kind, from, from.plusSeconds(3), 20, 40 + random.nextInt(40), random.nextBoolean()));
        }
        return passers;
    }

    /** Stretches with footage, in order, none touching another. */
    List<Span> recorded(Instant from, Instant until) {
        if (!channel.active) {
            return List.of();
        }
        var seconds = new BitSet();
        long first = from.getEpochSecond();
        for (long at = first; at < until.getEpochSecond(); at += 60 - Math.floorMod(at, 60)) {
            if (minute("continuous", Instant.ofEpochSecond(at))) {
                long end = Math.min(until.getEpochSecond(), at + 60 - Math.floorMod(at, 60));
                seconds.set((int) (at - first), (int) (end - first));
            }
        }
        for (var span : motion(from, until)) {
            if (minute("motion", span.from())) {
                seconds.set(
                        (int) Math.max(0, span.from().getEpochSecond() - channel.before - first),
                        (int) Math.min(until.getEpochSecond(), span.until().getEpochSecond() + channel.after)
                                - (int) first);
            }
        }
        List<Span> spans = new ArrayList<>();
        for (int begin = seconds.nextSetBit(0); begin >= 0; ) {
            int end = seconds.nextClearBit(begin);
            spans.add(new Span(Instant.ofEpochSecond(first + begin), Instant.ofEpochSecond(first + end)));
            begin = seconds.nextSetBit(end);
        }
        return spans;
    }

    private boolean minute(String lane, Instant at) {
        var wall = at.plus(recorder.clockAhead).atZone(recorder.clockZone).toLocalDateTime();
        return channel.isDue(lane, wall);
    }
}
