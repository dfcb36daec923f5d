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
 * gain minutes are written before those that lose some, so that a change opens no gap of its own; one that somebody else goes
 * by as well is not changed.
 */
final class LaneWriter {
    private record LaneChange(Element schedule, boolean gains) {}

    /** Sends what changes something of those places. */
    @FunctionalInterface
    interface Sender {
        Element send(Predicate<Place> places, Element request);
    }

    private final Snapshot snapshot;
    private final String channel;
    private final Sender sender;

    LaneWriter(Snapshot snapshot, String channel, Sender sender) {
        this.snapshot = snapshot;
        this.channel = channel;
        this.sender = sender;
    }

    void write(Optional<Week<TriggerSet>> week, Optional<List<SpecialDay>> days) {
        if (week.isEmpty() && days.isEmpty()) {
            return;
        }
        refuseWhatOthersUse();
        var tokens =
                days.map(d -> SpecialDays.prepare(this::sendDays, snapshot, d)).orElse(List.of());
        List<LaneChange> changes = new ArrayList<>();
        var lanes = jobsByTrigger();
        for (var trigger : Trigger.values()) {
            Optional<Week<Boolean>> minutes =
                    week.map(w -> w.map(t -> t.members().contains(trigger) ? true : null));
            var jobs = lanes.getOrDefault(trigger, List.of());
            if (!jobs.isEmpty()) {
                jobs.forEach(job -> change(job, trigger, minutes, days, tokens).ifPresent(changes::add));
            } else if (minutes.filter(m -> !m.isSilent()).isPresent()) {
                throw notSupported("a schedule for " + trigger.text());
            }
        }
        changes.stream().filter(LaneChange::gains).forEach(this::schedule);
        changes.stream().filter(c -> !c.gains()).forEach(this::schedule);
    }

    private Element sendDays(Element request) {
        return sender.send(Place.Field.SPECIAL_DAYS::equals, request);
    }

    /** More than one where several streams are recorded for the same reason; one of those that share a schedule. */
    private Map<Trigger, List<RecordingJob>> jobsByTrigger() {
        Map<Trigger, List<RecordingJob>> lanes = new LinkedHashMap<>();
        for (var job : snapshot.jobsOf(channel)) {
            job.triggers().filter(t -> t.members().size() == 1).ifPresent(t -> {
                var there = lanes.computeIfAbsent(t.members().iterator().next(), k -> new ArrayList<>());
                if (there.stream().noneMatch(j -> j.schedule().equals(job.schedule()))) {
                    there.add(job);
                }
            });
        }
        return lanes;
    }

    /** A schedule that another camera, or another trigger, goes by as well cannot be changed for this one alone. */
    private void refuseWhatOthersUse() {
        Map<String, TriggerSet> users = new LinkedHashMap<>();
        for (var job : snapshot.jobsOf(channel)) {
            var schedule = job.schedule();
            if (schedule.isEmpty()) {
                continue;
            }
            var others = snapshot.alsoUsing(schedule, channel);
            if (!others.isEmpty()) {
                throw new LinkException(
                        Reason.NOT_SUPPORTED,
                        "channel " + channel + " goes by the schedule " + schedule + ", as do "
                                + String.join(", ", others)
                                + "; it would be changed for all of them, so give each a schedule of its own first");
            }
            var triggers = job.triggers().orElse(TriggerSet.NONE);
            var before = users.putIfAbsent(schedule, triggers);
            if (before != null && !before.equals(triggers)) {
                throw new LinkException(
                        Reason.NOT_SUPPORTED,
                        "channel " + channel + " records by " + before + " and by " + triggers
                                + " at the hours of the one" + " schedule " + schedule
                                + ", which cannot be changed for one alone");
            }
        }
    }

    /** Empty when the schedule already says all of it. */
    private Optional<LaneChange> change(
            RecordingJob job,
            Trigger trigger,
            Optional<Week<Boolean>> minutes,
            Optional<List<SpecialDay>> days,
            List<String> tokens) {
        var held = new ChannelReader(snapshot, channel, OnvifLink::schedule)
                .schedule(job)
                .orElseThrow(() -> new LinkException(
                        Reason.NOT_SUPPORTED,
                        "the schedule " + job.schedule() + " of channel " + channel
                                + " cannot be understood, so it is not written over"));
        boolean differs = minutes.filter(m -> !m.equals(held)).isPresent();
        if (!differs && days.isEmpty()) {
            return Optional.empty();
        }
        var schedule = snapshot.schedules().get(job.schedule());
        if (schedule == null) {
            throw notSupported("a schedule of its own");
        }
        if (differs) {
            schedule = schedule.changed(
                    e -> e.withText(WeekCalendar.write(minutes.orElseThrow(), on -> "recording")), "Standard");
        }
        if (days.isPresent()) {
            schedule = schedule.without("SpecialDays")
                    .withAfter("Standard", SpecialDays.entries(tokens, days.get(), trigger));
        }
        boolean gains = minutes.filter(m -> !m.join(held, (a, b) -> a != null && b == null ? a : null)
                        .isSilent())
                .isPresent();
        return Optional.of(new LaneChange(schedule, gains));
    }

    private void schedule(LaneChange change) {
        sender.send(
                p -> p == Place.Field.LANES || p == Place.Field.SPECIAL_DAYS,
                Element.of(Namespaces.SCHEDULE, "ModifySchedule", change.schedule()));
    }

    private LinkException notSupported(String what) {
        return new LinkException(Reason.NOT_SUPPORTED, "channel " + channel + " has no place for " + what);
    }
}
