package choir.onvif;

import choir.week.Trigger;
import choir.week.TriggerSet;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import javax.xml.namespace.QName;

/**
 * One recording job. Which triggers it serves follows from the topics of its event filter; without a filter it records
 * continuously.
 *
 * @param triggers empty when some topic of the filter is none that Choir knows
 * @param configuration as it was answered, to be sent back with one thing changed
 */
record RecordingJob(
        String token,
        String recording,
        String profile,
        String schedule,
        boolean active,
        Optional<TriggerSet> triggers,
        Element configuration) {
    private static final QName SCHEDULE = new QName("ScheduleToken");

    static Optional<RecordingJob> of(Element item) {
        var configuration = item.child("JobConfiguration");
        var token = item.tokenAt("JobToken");
        if (configuration.isEmpty() || token.isEmpty()) {
            return Optional.empty();
        }
        var c = configuration.get();
        return Optional.of(new RecordingJob(
                token.get(),
                c.tokenAt("RecordingToken").orElse(""),
                c.tokenAt("Source", "SourceToken", "Token").orElse(""),
                c.attributes().getOrDefault(SCHEDULE, ""),
                c.textAt("Mode").filter("Active"::equals).isPresent(),
                triggers(c),
                c));
    }

    private static Optional<TriggerSet> triggers(Element configuration) {
        var filter = configuration.child("EventFilter");
        if (filter.isEmpty()) {
            return Optional.of(TriggerSet.CONTINUOUS);
        }
        var triggers = EnumSet.noneOf(Trigger.class);
        var topics = filter.get()
                .tree()
                .filter(e -> e.is("Topic"))
                .flatMap(e -> Arrays.stream(e.text().split("\\|")));
        for (var topic : topics.map(String::strip).filter(t -> !t.isEmpty()).toList()) {
            var path = topic.substring(topic.indexOf(':') + 1);
            if (path.startsWith("RuleEngine/CellMotionDetector")
                    || path.startsWith("RuleEngine/MotionRegionDetector")
                    || path.startsWith("VideoSource/MotionAlarm")) {
                triggers.add(Trigger.MOTION);
            } else if (path.startsWith("Device/Trigger/")) {
                triggers.add(Trigger.ALARM);
            } else if (path.startsWith("RuleEngine/")) {
                triggers.add(Trigger.ANALYTICS);
            } else {
                return Optional.empty();
            }
        }
        return triggers.isEmpty() ? Optional.empty() : Optional.of(new TriggerSet(triggers));
    }

    /** {@code Before} or {@code After} in seconds, whether the device writes it as an element or as an attribute. */
    Optional<Long> buffer(String name) {
        var filter = configuration.child("EventFilter");
        var said = filter.flatMap(f -> f.textAt(name)).or(() -> filter.flatMap(f -> f.attribute(name)));
        return said.flatMap(Durations::seconds);
    }

    /** The configuration with another buffer, in the form that the device showed. */
    Element withBuffer(String name, String seconds) {
        var duration = "PT" + seconds + "S";
        return configuration.changed(
                f -> f.child(name).isPresent() || f.attribute(name).isEmpty()
                        ? f.changed(e -> e.withText(duration), name)
                        : f.withAttribute(name, duration),
                "EventFilter");
    }

    boolean waitsForEvents() {
        return configuration.child("EventFilter").isPresent();
    }

    /** The configuration with another schedule. */
    Element withSchedule(String schedule) {
        return configuration.withAttribute(SCHEDULE, schedule);
    }

    /** The same job going by that schedule. */
    RecordingJob goingBy(String other) {
        return new RecordingJob(token, recording, profile, other, active, triggers, withSchedule(other));
    }

    /** As the recorder tells it now: another part of it may have been written a moment ago. */
    RecordingJob again(OnvifSession session) {
        return session.call(Element.of(Namespaces.RECORDING, "GetRecordingJobs"))
                .all("JobItem")
                .flatMap(i -> of(i).stream())
                .filter(j -> j.token().equals(token))
                .findFirst()
                .orElse(this);
    }
}
