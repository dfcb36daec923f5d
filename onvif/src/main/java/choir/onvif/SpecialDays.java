package choir.onvif;

import choir.document.CalendarException;
import choir.document.DateCalendar;
import choir.family.NativeValue;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The special days of a channel: groups of dates that belong to the recorder, and for each of the channel's schedules the
 * times at which it is active on the days of a group.
 */
final class SpecialDays {
    private final Snapshot snapshot;
    private final String channel;
    private final List<String> notes;

    SpecialDays(Snapshot snapshot, String channel, List<String> notes) {
        this.snapshot = snapshot;
        this.channel = channel;
        this.notes = notes;
    }

    NativeValue read() {
        Map<String, Week<TriggerSet>> byGroup = new LinkedHashMap<>();
        for (var job : snapshot.jobsOf(channel)) {
            var schedule = Optional.ofNullable(snapshot.schedules().get(job.schedule()));
            var triggers = job.triggers();
            if (schedule.isPresent() && triggers.isPresent()) {
                schedule.get()
                        .all("SpecialDays")
                        .forEach(entry -> byGroup.merge(
                                entry.tokenAt("GroupToken").orElse(""),
                                times(entry, triggers.get()),
                                (a, b) -> a.join(b, (x, y) -> x == null || y == null ? null : x.with(y))));
            }
        }
        List<SpecialDay> days = new ArrayList<>();
        byGroup.forEach((token, plan) ->
                group(token).ifPresent(g -> days.add(new SpecialDay(g.name(), g.dates(), new DayPlan(plan)))));
        return new NativeValue.SpecialDays(days);
    }

    private record Group(String name, DateSet dates) {}

    private Optional<Group> group(String token) {
        var group = Optional.ofNullable(snapshot.dayGroups().get(token));
        try {
            return group.map(g -> new Group(
                    g.nameAt("Name").orElse(token),
                    DateCalendar.read(g.textAt("Days").orElse(""))));
        } catch (CalendarException e) {
            notes.add("the special days " + token + " cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    /** The minutes of a day at which one schedule is active; the times replace the whole day. */
    private Week<TriggerSet> times(Element entry, TriggerSet triggers) {
        Week<TriggerSet> day = Week.<TriggerSet>silent().paint(0, Week.DAY, TriggerSet.NONE);
        for (var range : entry.all("TimeRange").toList()) {
            int from = minute(range, "From", 0);
            int to = minute(range, "Until", Week.DAY);
            if (from < to) {
                day = day.paint(from, to, triggers);
            }
        }
        return day;
    }

    private int minute(Element range, String name, int otherwise) {
        try {
            return range.textAt(name)
                    .map(t -> LocalTime.parse(t).toSecondOfDay() / 60)
                    .orElse(otherwise);
        } catch (DateTimeParseException e) {
            notes.add("\"" + range.textAt(name).orElse("") + "\" stands where a time belongs");
            return otherwise;
        }
    }

    /**
     * Makes sure that the recorder has a group for each calendar, with these dates.
     *
     * @param call sends a request and gives its answer
     * @return the tokens of the groups, in the order of the days
     */
    static List<String> prepare(UnaryOperator<Element> call, Snapshot snapshot, List<SpecialDay> days) {
        List<String> tokens = new ArrayList<>();
        for (var day : days) {
            var there = snapshot.dayGroups().entrySet().stream()
                    .filter(e -> e.getValue()
                            .textAt("Name")
                            .filter(day.calendar()::equals)
                            .isPresent())
                    .findFirst();
            var dates = DateCalendar.write(day.calendar(), day.dates(), DateCalendar.Form.MIDNIGHTS);
            if (there.isEmpty()) {
                var answer = call.apply(request("CreateSpecialDayGroup", "", day.calendar(), dates));
                var token = answer.tokenAt("Token").orElse("");
                // The other channels of this conversation share it.
                snapshot.dayGroups().put(token, group(token, day.calendar(), dates));
                tokens.add(token);
            } else {
                var token = there.get().getKey();
                if (!same(there.get().getValue(), day.dates())) {
                    var _ = call.apply(request("ModifySpecialDayGroup", token, day.calendar(), dates));
                    snapshot.dayGroups().put(token, group(token, day.calendar(), dates));
                }
                tokens.add(token);
            }
        }
        return tokens;
    }

    private static boolean same(Element group, DateSet dates) {
        try {
            return DateCalendar.read(group.textAt("Days").orElse("")).equals(dates);
        } catch (CalendarException e) {
            return false;
        }
    }

    private static Element request(String operation, String token, String name, String days) {
        return Element.of(Namespaces.SCHEDULE, operation, group(token, name, days));
    }

    private static Element group(String token, String name, String days) {
        return Element.of(
                        Namespaces.SCHEDULE,
                        "SpecialDayGroup",
                        Element.of(Namespaces.SCHEDULE, "Name", name),
                        Element.of(Namespaces.SCHEDULE, "Days", days))
                .withAttribute("token", token);
    }

    /** What one schedule does on the days of the groups. */
    static List<Element> entries(List<String> tokens, List<SpecialDay> days, Trigger trigger) {
        List<Element> entries = new ArrayList<>();
        for (int i = 0; i < days.size(); i++) {
            var entry = Element.of(
                    Namespaces.SCHEDULE, "SpecialDays", Element.of(Namespaces.SCHEDULE, "GroupToken", tokens.get(i)));
            Week<Boolean> active = days.get(i).plan().day().map(t -> t.members().contains(trigger) ? true : null);
            for (var run : active.runs()) {
                var range = Element.of(Namespaces.SCHEDULE, "TimeRange", from(run.from()));
                entry = entry.withChild(run.to() == Week.DAY ? range : range.withChild(until(run.to())));
            }
            entries.add(entry);
        }
        return entries;
    }

    private static Element from(int minute) {
        return Element.of(Namespaces.SCHEDULE, "From", time(minute));
    }

    private static Element until(int minute) {
        return Element.of(Namespaces.SCHEDULE, "Until", time(minute));
    }

    private static String time(int minute) {
        return "%02d:%02d:00".formatted(minute / 60, minute % 60);
    }
}
