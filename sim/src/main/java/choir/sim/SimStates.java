package choir.sim;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Whether the channels of a recorder move and their jobs record, told to whoever subscribed when it turns. It is worked out
 * when somebody asks, for the time since then, so that a fleet to which nobody listens does nothing.
 */
final class SimStates {
    private static final String JOB = "tns1:RecordingConfig/JobState";

    /** @param source whose state it is, as items */
    private record Told(String key, String topic, String source, String item, String on, String off) {
        String message(SimRecorder recorder, String operation, boolean is, Instant at) {
            return EventAnswers.message(
                    topic, operation, source, EventAnswers.item(item, is ? on : off), at.plus(recorder.clockAhead));
        }
    }

    private final SimRecorder recorder;
    private final Map<String, Boolean> last = new HashMap<>();
    private Instant until = now();

    SimStates(SimRecorder recorder) {
        this.recorder = recorder;
    }

    private static Instant now() {
        return SimTime.now().truncatedTo(ChronoUnit.SECONDS);
    }

    private static Told motion(SimChannel c) {
        var source = EventAnswers.item("VideoSourceConfigurationToken", "VSC" + c.place)
                + EventAnswers.item("VideoAnalyticsConfigurationToken", "VAC" + c.place)
                + EventAnswers.item("Rule", "Motion");
        return new Told("motion " + c.place, EventAnswers.MOTION, source, "IsMotion", "true", "false");
    }

    private static Told job(SimChannel c, String lane) {
        var token = "J" + c.laneToken(lane);
        return new Told(token, JOB, EventAnswers.item("RecordingJobToken", token), "State", "Active", "Idle");
    }

    /** Tells how everything stands to those who have just come. */
    void tellAll() {
        catchUp();
        recorder.channels.forEach(c -> {
            tellInitial(motion(c));
            if (recorder.model.tells()) {
                c.lanes.keySet().forEach(lane -> tellInitial(job(c, lane)));
            }
        });
    }

    private void tellInitial(Told told) {
        boolean is = last.getOrDefault(told.key(), false);
        recorder.events.publish(told.topic(), told.message(recorder, "Initialized", is, until));
    }

    /** Tells what turned until now. */
    void catchUp() {
        var end = now();
        // What turned before somebody came is told to nobody.
        var before = end.minusSeconds(1);
        var begin = recorder.events.isAnybodyThere() && until.isBefore(before) ? until : before;
        until = end;
        recorder.channels.forEach(c -> {
            var life = new SimLife(recorder, c);
            turned(motion(c), c.motionNow, life.motion(begin, end), begin, end);
            if (recorder.model.tells()) {
                c.lanes.keySet().forEach(lane -> {
                    boolean now = lane.equals("motion")
                            && c.records(lane, recorder.localTime().toLocalDateTime());
                    turned(job(c, lane), now, life.recorded(lane, begin, end), begin, end);
                });
            }
        });
    }

    /** @param held it is on, whatever the spans say */
    private void turned(Told told, boolean held, List<SimLife.Span> spans, Instant from, Instant end) {
        if (held) {
            turned(told, true, end);
            return;
        }
        boolean atFirst = !spans.isEmpty() && !spans.getFirst().from().isAfter(from);
        turned(told, atFirst, from);
        spans.stream()
                .flatMap(s -> Stream.of(Map.entry(s.from(), true), Map.entry(s.until(), false)))
                .filter(e -> e.getKey().isAfter(from) && e.getKey().isBefore(end))
                .forEach(e -> turned(told, e.getValue(), e.getKey()));
    }

    private void turned(Told told, boolean is, Instant at) {
        var before = last.put(told.key(), is);
        if (before == null ? is : before != is) {
            recorder.events.publish(told.topic(), told.message(recorder, "Changed", is, at));
        }
    }
}
