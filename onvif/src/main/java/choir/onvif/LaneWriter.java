package choir.onvif;

import choir.document.WeekCalendar;
import choir.family.Place;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Writes when one channel records. The week and the special days stand in the same schedules and go together. Schedules that
 * gain minutes are written before those that lose some, so that a change opens no gap of its own. A schedule by which
 * somebody else goes as well stays as it is: the channel gets one of its own, and its jobs are pointed at that.
 */
final class LaneWriter {
    /** @param jobs that go by the schedule for the one trigger */
    private record LaneChange(Element schedule, List<RecordingJob> jobs, boolean gains) {}

    /** Sends what changes something of those places. */
    @FunctionalInterface
    interface Sender {
        Element send(Predicate<Place> places, Element request);
    }

    private final OnvifSession session;
    private final Snapshot snapshot;
    private final String channel;
    private final Sender sender;

    LaneWriter(OnvifSession session, Snapshot snapshot, String channel, Sender sender) {
        this.session = session;
        this.snapshot = snapshot;
        this.channel = channel;
        this.sender = sender;
    }

    void write(Optional<Week<TriggerSet>> week, Optional<List<SpecialDay>> days) {
        if (week.isEmpty() && days.isEmpty()) {
            return;
        }
        var tokens =
                days.map(d -> SpecialDays.prepare(this::sendDays, snapshot, d)).orElse(List.of());
        List<LaneChange> changes = new ArrayList<>();
        var lanes = jobsByTrigger();
        for (var trigger : Trigger.values()) {
            Optional<Week<Boolean>> minutes =
                    week.map(w -> w.map(t -> t.members().contains(trigger) ? true : null));
            var bySchedule = lanes.getOrDefault(trigger, Map.of());
            if (!bySchedule.isEmpty()) {
                bySchedule
                        .values()
                        .forEach(jobs ->
                                change(jobs, trigger, minutes, days, tokens).ifPresent(changes::add));
            } else if (minutes.filter(m -> !m.isSilent()).isPresent()) {
                throw notSupported("a schedule for " + trigger.text());
            }
        }
        changes.stream().filter(LaneChange::gains).forEach(this::send);
        changes.stream().filter(c -> !c.gains()).forEach(this::send);
    }

    private Element sendDays(Element request) {
        return sender.send(Place.Field.SPECIAL_DAYS::equals, request);
    }

    /** By schedule, of which there are several where several streams are recorded for the same reason. */
    private Map<Trigger, Map<String, List<RecordingJob>>> jobsByTrigger() {
        Map<Trigger, Map<String, List<RecordingJob>>> lanes = new LinkedHashMap<>();
        for (var job : snapshot.jobsOf(channel)) {
            job.triggers()
                    .filter(t -> t.members().size() == 1)
                    .ifPresent(t -> lanes.computeIfAbsent(t.members().iterator().next(), k -> new LinkedHashMap<>())
                            .computeIfAbsent(job.schedule(), k -> new ArrayList<>())
                            .add(job));
        }
        return lanes;
    }

    /** Empty when the schedule already says all of it. */
    private Optional<LaneChange> change(
            List<RecordingJob> jobs,
            Trigger trigger,
            Optional<Week<Boolean>> minutes,
            Optional<List<SpecialDay>> days,
            List<String> tokens) {
        var token = jobs.getFirst().schedule();
        var held = new ChannelReader(snapshot, channel, OnvifLink::schedule)
                .schedule(jobs.getFirst())
                .orElseThrow(() -> new LinkException(
                        Reason.NOT_SUPPORTED,
                        "the schedule " + token + " of channel " + channel
                                + " cannot be understood, so it is not written over"));
        boolean differs = minutes.filter(m -> !m.equals(held)).isPresent();
        if (!differs && days.isEmpty()) {
            return Optional.empty();
        }
        var schedule = Optional.ofNullable(snapshot.schedules().get(token))
                .orElseGet(() -> Element.of(Namespaces.SCHEDULE, "Schedule")
                        .withChild(Element.of(Namespaces.SCHEDULE, "Standard", calendar(held))));
        if (differs) {
            schedule = schedule.changed(e -> e.withText(calendar(minutes.orElseThrow())), "Standard");
        }
        if (days.isPresent()) {
            schedule = schedule.without("SpecialDays")
                    .withAfter("Standard", SpecialDays.entries(tokens, days.get(), trigger));
        }
        boolean gains = minutes.filter(m -> !m.join(held, (a, b) -> a != null && b == null ? a : null)
                        .isSilent())
                .isPresent();
        return Optional.of(new LaneChange(schedule, jobs, gains));
    }

    private static String calendar(Week<Boolean> minutes) {
        return WeekCalendar.write(minutes, on -> "recording");
    }

    private void send(LaneChange change) {
        var token = change.jobs().getFirst().schedule();
        var others = snapshot.othersGoingBy(token, channel, change.jobs());
        if (!token.isEmpty() && others.isEmpty()) {
            var _ = sendSchedule("ModifySchedule", change.schedule());
        } else {
            splitOff(change, others);
        }
    }

    /** A recorder may refuse a calendar without events; then it gets one whose only event is long past. */
    private Element sendSchedule(String operation, Element schedule) {
        try {
            return sendHours(Element.of(Namespaces.SCHEDULE, operation, schedule));
        } catch (LinkException e) {
            boolean empty = schedule.textAt("Standard")
                    .filter(s -> !s.contains("BEGIN:VEVENT"))
                    .isPresent();
            if (!empty || e.reason() != Reason.REFUSED) {
                throw e;
            }
            var never = schedule.changed(s -> s.withText(WeekCalendar.never()), "Standard");
            return sendHours(Element.of(Namespaces.SCHEDULE, operation, never));
        }
    }

    private Element sendHours(Element request) {
        return sender.send(p -> p == Place.Field.LANES || p == Place.Field.SPECIAL_DAYS, request);
    }

    private void splitOff(LaneChange change, List<String> others) {
        var first = change.jobs().getFirst();
        var name = "choir " + first.token();
        var schedule = change.schedule();
        var named = schedule.child("Name").isPresent()
                ? schedule.changed(n -> n.withText(name), "Name")
                : schedule.withFirst(Element.of(Namespaces.SCHEDULE, "Name", name));
        var token = own(named, name, first, others);
        snapshot.schedules().put(token, named.withAttribute("token", token));
        for (var job : change.jobs()) {
            var fresh = job.again(session);
            var _ = sendHours(Element.of(
                    Namespaces.RECORDING,
                    "SetRecordingJobConfiguration",
                    Element.of(Namespaces.RECORDING, "JobToken", job.token()),
                    fresh.withSchedule(token).renamed(Namespaces.RECORDING, "JobConfiguration")));
            snapshot.pointed(channel, job, token);
        }
    }

    /** The token of a new schedule, or of one that an earlier attempt left behind and nobody goes by. */
    private String own(Element schedule, String name, RecordingJob job, List<String> others) {
        var left = snapshot.schedules().entrySet().stream()
                .filter(e -> e.getValue().textAt("Name").filter(name::equals).isPresent())
                .map(Map.Entry::getKey)
                .filter(token -> snapshot.isUnused(token))
                .findFirst();
        if (left.isPresent()) {
            var _ = sendSchedule("ModifySchedule", schedule.withAttribute("token", left.get()));
            return left.get();
        }
        try {
            return sendSchedule("CreateSchedule", schedule.withAttribute("token", ""))
                    .tokenAt("Token")
                    .orElseThrow(() -> new LinkException(Reason.GARBAGE, "no name was given to the new schedule"));
        } catch (LinkException e) {
            if (e.endsConversation()) {
                throw e;
            }
            throw new LinkException(Reason.NOT_SUPPORTED, whyNot(job, others) + " (" + e.getMessage() + ")", e);
        }
    }

    private String whyNot(RecordingJob job, List<String> others) {
        return job.schedule().isEmpty()
                ? "channel " + channel + " goes by no schedule, and the recorder makes none for it"
                : "channel " + channel + " goes by the schedule " + job.schedule() + ", as do "
                        + String.join(", ", others)
                        + "; it would be changed for all of them, and the recorder makes no schedule for this one alone";
    }

    private LinkException notSupported(String what) {
        return new LinkException(Reason.NOT_SUPPORTED, "channel " + channel + " has no place for " + what);
    }
}
