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
 * What moves before a camera and what is recorded of it, as a function of camera and instant, by what it was set to then. An
 * hour has its own movements, more of them by day, and as many as the scene has life.
 */
final class SimLife {
    private static final long HOUR = 3_600;
    private static final double NIGHT_GRAIN = 9;
    private static final double DAY_GRAIN = 6;
    private static final long LONGEST_AFTER = 600;
    private static final long LONGEST_BEFORE = 60;

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
    private final SimSettings now;

    SimLife(SimRecorder recorder, SimChannel channel) {
        this.recorder = recorder;
        this.channel = channel;
        this.now = SimSettings.of(channel);
    }

    /** Nothing is kept of before. */
    Instant earliest(Instant today) {
        var fits = recorder.disk.oldest(recorder, today);
        return latest(fits, wantedSince(today));
    }

    private static Instant latest(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    /** What is older is deleted, however much room there is. */
    private Instant wantedSince(Instant today) {
        var kept = today.minus(recorder.holds);
        var wanted = today.minus(Duration.ofDays(channel.retentionDays == 0 ? 365 : channel.retentionDays));
        return latest(kept, wanted);
    }

    /** Bits a second of what it records: little where nothing stirs, much where water or grass does. */
    double bits() {
        double stirs = switch (channel.scene) {
            case "quay" -> 0.62;
            case "deck" -> 0.8;
            case "lanes" -> 0.55;
            case "hall", "gangway" -> 0.48;
            case "yard" -> 0.44;
            case "engine-room" -> 0.4;
            default -> 0.05;
        };
        double own = 0.85 + 0.3 * random(0).nextDouble();
        return channel.mostBits() * stirs * own * channel.frames / 25;
    }

    /** Bytes that it put on the disk in that time, of those that are not deleted by their age. */
    double bytes(Instant from, Instant until, Instant today) {
        var begin = latest(from, wantedSince(today));
        return !begin.isBefore(until)
                ? 0
                : recorded(begin, until).stream()
                                .mapToLong(s ->
                                        s.until().getEpochSecond() - s.from().getEpochSecond())
                                .sum()
                        * bits()
                        / 8;
    }

    /** When its own detection saw something, in order, none touching another; clipped to the span. */
    List<Span> motion(Instant from, Instant until) {
        List<Span> found = new ArrayList<>();
        for (var passer : passers(from, until)) {
            var detection = new SimDetection(recorder.model, channel.at(passer.from(), now));
            if (detection.isOn() && detection.sees(passer, isNight(passer.from()))) {
                found.add(new Span(
                        passer.from().isBefore(from) ? from : passer.from(),
                        passer.until().isAfter(until) ? until : passer.until()));
            }
        }
        found.addAll(restless(from, until));
        found.sort(Comparator.comparing(Span::from));
        return joined(found);
    }

    /** Hours in which its detection is so sensitive that it sees the grain of the picture, all the time. */
    private List<Span> restless(Instant from, Instant until) {
        List<Span> found = new ArrayList<>();
        if (channel.scene.equals("none")) {
            return found;
        }
        for (long hour = Math.floorDiv(from.getEpochSecond(), HOUR); hour * HOUR < until.getEpochSecond(); hour++) {
            var begin = Instant.ofEpochSecond(Math.max(from.getEpochSecond(), hour * HOUR));
            var end = Instant.ofEpochSecond(Math.min(until.getEpochSecond(), (hour + 1) * HOUR));
            var detection = new SimDetection(recorder.model, channel.at(begin, now));
            if (begin.isBefore(end)
                    && detection.isOn()
                    && detection.seesGrain(isNight(begin) ? NIGHT_GRAIN : DAY_GRAIN)) {
                found.add(new Span(begin, end));
            }
        }
        return found;
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
        var seconds = always(from, until);
        seconds.or(onMotion(from, until));
        return kept(seconds, from);
    }

    /** Those of one job. */
    List<Span> recorded(String lane, Instant from, Instant until) {
        return switch (lane) {
            case "continuous" -> kept(always(from, until), from);
            case "motion" -> kept(onMotion(from, until), from);
            default -> List.of();
        };
    }

    /** Whether something moves now, or did just before, that it was to record. */
    boolean recordsMotion() {
        var present = SimTime.now();
        return !recorded("motion", present.minusSeconds(1), present).isEmpty();
    }

    /** Seconds from the first on that were to be recorded whatever happened. */
    private BitSet always(Instant from, Instant until) {
        var seconds = new BitSet();
        long first = from.getEpochSecond();
        for (long at = first; at < until.getEpochSecond(); at += 60 - Math.floorMod(at, 60)) {
            if (minute("continuous", Instant.ofEpochSecond(at))) {
                long end = Math.min(until.getEpochSecond(), at + 60 - Math.floorMod(at, 60));
                seconds.set((int) (at - first), (int) (end - first));
            }
        }
        return seconds;
    }

    /** Seconds from the first on that were recorded since something moved. */
    private BitSet onMotion(Instant from, Instant until) {
        var seconds = new BitSet();
        long first = from.getEpochSecond();
        for (var span : motion(from.minusSeconds(LONGEST_AFTER), earlier(until.plusSeconds(LONGEST_BEFORE)))) {
            // Of motion that goes on into other hours the part counts that is in hours that wait for it.
            for (long at = span.from().getEpochSecond();
                    at < span.until().getEpochSecond();
                    at += 60 - Math.floorMod(at, 60)) {
                var part = Instant.ofEpochSecond(at);
                if (minute("motion", part)) {
                    var settings = channel.at(part, now);
                    long end = Math.min(span.until().getEpochSecond(), at + 60 - Math.floorMod(at, 60));
                    set(
                            seconds,
                            at - settings.before() - first,
                            Math.min(until.getEpochSecond(), end + settings.after()) - first);
                }
            }
        }
        return seconds;
    }

    /** The stretches of those seconds, without what was lost. */
    private List<Span> kept(BitSet seconds, Instant from) {
        long first = from.getEpochSecond();
        for (var lost : channel.lost) {
            seconds.clear(
                    place(lost.from().getEpochSecond() - first, seconds),
                    place(lost.until().getEpochSecond() - first, seconds));
        }
        List<Span> spans = new ArrayList<>();
        for (int begin = seconds.nextSetBit(0); begin >= 0; ) {
            int end = seconds.nextClearBit(begin);
            spans.add(new Span(Instant.ofEpochSecond(first + begin), Instant.ofEpochSecond(first + end)));
            begin = seconds.nextSetBit(end);
        }
        return spans;
    }

    /** What is still to come is not known to anybody. */
    private static Instant earlier(Instant at) {
        var present = SimTime.now();
        return at.isAfter(present) ? present : at;
    }

    private static void set(BitSet seconds, long from, long until) {
        if (until > Math.max(0, from)) {
            seconds.set((int) Math.max(0, from), (int) until);
        }
    }

    private static int place(long second, BitSet seconds) {
        return Math.clamp(second, 0, seconds.length());
    }

    private boolean minute(String lane, Instant at) {
        var wall = at.plus(recorder.clockAhead(at)).atZone(recorder.clockZone).toLocalDateTime();
        var settings = channel.at(at, now);
        return settings.active() && settings.isDue(recorder, lane, wall);
    }
}
