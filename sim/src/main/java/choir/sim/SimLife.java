package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
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

    /** Movements in the order of their begin, none touching another; clipped to the span. */
    List<Span> motion(Instant from, Instant until) {
        List<Span> found = new ArrayList<>();
        if (channel.values.entrySet().stream()
                .anyMatch(e -> e.getKey().endsWith(".Enabled") && e.getValue().equals("false"))) {
            return found;
        }
        for (long hour = Math.floorDiv(from.getEpochSecond(), HOUR) - 1; hour * HOUR < until.getEpochSecond(); hour++) {
            for (var span : ofHour(hour)) {
                if (span.until().isAfter(from) && span.from().isBefore(until)) {
                    found.add(new Span(
                            span.from().isBefore(from) ? from : span.from(),
                            span.until().isAfter(until) ? until : span.until()));
                }
            }
        }
        return found;
    }

    private List<Span> ofHour(long hour) {
        var random = new Random((recorder.name + "/" + channel.place).hashCode() * 0x9E3779B97F4A7C15L + hour * 31);
        int wall = Instant.ofEpochSecond(hour * HOUR).atZone(recorder.clockZone).getHour();
        boolean byDay = wall >= 6 && wall < 21;
        int most = switch (channel.scene) {
            case "hall", "gangway" -> byDay ? 14 : 0;
            case "lanes" -> byDay ? 10 : 2;
            case "yard", "engine" -> byDay ? 3 : 1;
            default -> byDay ? 6 : 2;
        };
        List<Span> spans = new ArrayList<>();
        long at = 0;
        for (int i = most == 0 ? 0 : random.nextInt(most + 1); i > 0; i--) {
            at += 20 + random.nextInt((int) (HOUR / (most + 1)));
            long length = 4L + random.nextInt(40);
            if (at + length < HOUR) {
                var begin = Instant.ofEpochSecond(hour * HOUR + at);
                spans.add(new Span(begin, begin.plusSeconds(length)));
            }
            at += length;
        }
        return spans;
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
