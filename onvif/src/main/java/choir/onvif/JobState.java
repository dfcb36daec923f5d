package choir.onvif;

import java.util.Locale;
import java.util.Optional;

/**
 * What a recording job says it does at this moment.
 *
 * @param word the device's own, such as {@code Active} or {@code Idle}
 */
record JobState(String word) {
    /** Empty when the device does not tell. */
    static Optional<JobState> of(OnvifSession session, String job) {
        return session.ifOffered(Element.of(
                        Namespaces.RECORDING,
                        "GetRecordingJobState",
                        Element.of(Namespaces.RECORDING, "JobToken", job)))
                .flatMap(answer -> answer.textAt("State", "State"))
                .filter(word -> !word.isEmpty())
                .map(JobState::new);
    }

    /** Some of its tracks alone count as recording. */
    boolean records() {
        return switch (word.toLowerCase(Locale.ROOT)) {
            case "active", "partiallyactive" -> true;
            default -> false;
        };
    }
}
