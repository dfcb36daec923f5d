package choir.server.report;

import choir.drift.Matter;
import choir.fleet.Node;
import choir.server.audit.Finding;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Of all camera-time of a span: with no open finding, with one, and not known. It is not known before the first audit, and
 * while the recorder could not be read or was another one, unless a finding from before is still open. Percent; they add up.
 */
record Shares(double inTune, double outOfTune, double notKnown) {
    private record Interval(Instant from, Instant to) {}

    /**
     * @param knownSince the end of the first audit; the end of the span when there was none
     * @param until what is later is still to come
     */
    static Shares of(
            Span span, Collection<Node.Camera> cameras, List<Finding> findings, Instant knownSince, Instant until) {
        var begin = span.begin();
        long length = Math.max(0, until.toEpochMilli() - begin.toEpochMilli());
        if (cameras.isEmpty() || length == 0) {
            return new Shares(0, 0, 100);
        }
        Map<Node.Camera, List<Interval>> astray = new HashMap<>();
        Map<String, List<Interval>> unknown = new HashMap<>();
        for (var f : findings) {
            var open = new Interval(f.firstSeen(), f.end().map(Finding.End::at).orElse(until));
            f.camera()
                    .ifPresent(c ->
                            astray.computeIfAbsent(c, k -> new ArrayList<>()).add(open));
            if (f.matter() instanceof Matter.NotRead
                    || f.matter() instanceof Matter.AnotherDevice
                    || f.matter() instanceof Matter.OtherCertificate
                    || f.matter() instanceof Matter.OtherOrder) {
                unknown.computeIfAbsent(f.recorder(), r -> new ArrayList<>()).add(open);
            }
        }
        var before = new Interval(begin, knownSince);
        double out = 0;
        double not = 0;
        for (var camera : cameras) {
            var own = astray.getOrDefault(camera, List.of());
            long covered = length(own, begin, until);
            List<Interval> all = new ArrayList<>(own);
            all.addAll(unknown.getOrDefault(camera.recorder().text(), List.of()));
            all.add(before);
            out += covered;
            not += length(all, begin, until) - covered;
        }
        double whole = (double) length * cameras.size();
        return new Shares(100 * (whole - out - not) / whole, 100 * out / whole, 100 * not / whole);
    }

    /** How long at least one of them was, in milliseconds. */
    private static long length(List<Interval> intervals, Instant begin, Instant until) {
        long sum = 0;
        var covered = begin;
        for (var i :
                intervals.stream().sorted(Comparator.comparing(Interval::from)).toList()) {
            var from = i.from().isAfter(covered) ? i.from() : covered;
            var to = i.to().isBefore(until) ? i.to() : until;
            if (to.isAfter(from)) {
                sum += to.toEpochMilli() - from.toEpochMilli();
                covered = to;
            }
        }
        return sum;
    }
}
