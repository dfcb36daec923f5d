package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Severity;
import choir.fleet.Node;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;

/**
 * One thing out of tune, from the audit that first saw it to the one that no longer did, or to a decision.
 *
 * @param camera empty for what is wrong with a whole recorder
 * @param label of the camera; empty for a recorder
 * @param group of the camera, while it is there
 * @param cause why a value is as it is; empty when it is about something else
 * @param end when and why it is no longer there
 * @param returns the earlier finding of the same thing, if there was one
 * @param acceptedUntil the last day on which an ended one stays quiet, as long as nothing about it moves
 * @param assignment who sees to it
 */
public record Finding(
        long id,
        String recorder,
        Optional<Node.Camera> camera,
        String label,
        Optional<Node.Group> group,
        Matter matter,
        Optional<Cause> cause,
        Distance distance,
        Severity severity,
        String sentence,
        Optional<String> desired,
        Optional<String> observed,
        Instant firstSeen,
        Instant lastSeen,
        long audit,
        Optional<End> end,
        Optional<Long> returns,
        Optional<LocalDate> acceptedUntil,
        Optional<Assignment> assignment) {
    public record End(Instant at, String by) {}

    public record Assignment(String to, String note) {}

    /** The camera, or the recorder when it is about the whole of it. */
    public String where() {
        return camera.map(Node.Camera::text).orElse(recorder);
    }

    /** Why it is as it is, in a word or two. */
    public String why() {
        return FindingView.cause(this);
    }

    /** To which side footage goes wrong by it. */
    public Distance.Direction costs() {
        var direction = distance.direction();
        return direction == Distance.Direction.NONE ? matter.costs() : direction;
    }

    /** It was accepted, and neither its day has passed nor anything about it moved since. */
    boolean isAccepted(LocalDate today) {
        return acceptedUntil.filter(last -> !last.isBefore(today)).isPresent();
    }
}
