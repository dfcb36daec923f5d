package choir.server.standing;

import choir.drift.Cause;
import choir.drift.Deviation;
import choir.drift.Severity;
import choir.fleet.CameraState;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What cameras that want and hold the same have in common. */
public record Comparison(List<Deviation> deviations, Set<CameraState> states, int minutesWithoutRecording) {
    public Comparison {
        deviations = List.copyOf(deviations);
        states = Collections.unmodifiableSet(states);
    }

    static Comparison of(List<Deviation> deviations) {
        return new Comparison(deviations, states(deviations), minutesWithoutRecording(deviations));
    }

    private static Set<CameraState> states(List<Deviation> deviations) {
        var states = EnumSet.noneOf(CameraState.class);
        if (deviations.isEmpty()) {
            states.add(CameraState.NOT_GOVERNED);
        }
        for (var d : deviations) {
            if (d.cause().isDrift()) {
                states.add(CameraState.DRIFTED);
            }
            if (d.cause().isWaiting()) {
                states.add(CameraState.WAITING);
            }
            if (d.cause() == Cause.UNKNOWN) {
                states.add(CameraState.UNKNOWN);
            }
            if (d.cause() == Cause.CANNOT_HONOUR) {
                states.add(CameraState.CANNOT_HONOUR);
            }
            if (d.cause().isDeviation() && d.severity() == Severity.HIGH) {
                states.add(CameraState.AT_RISK);
            }
        }
        if (states.isEmpty() || states.equals(EnumSet.of(CameraState.CANNOT_HONOUR))) {
            states.add(CameraState.IN_TUNE);
        }
        return states;
    }

    /** Of the worst setting, so that a minute is not counted twice. */
    private static int minutesWithoutRecording(List<Deviation> deviations) {
        return deviations.stream()
                .filter(d -> d.cause().isDeviation() && d.severity() == Severity.HIGH)
                .mapToInt(d -> d.distance().minutesWithoutRecording())
                .max()
                .orElse(0);
    }
}
