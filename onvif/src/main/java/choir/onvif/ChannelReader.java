package choir.onvif;

import choir.area.CellMask;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Place;
import choir.link.RecorderReading;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import choir.week.TriggerSet;
import choir.week.Week;
import java.time.Duration;
import java.time.Period;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;

/** Finds a family's settings in what a recorder answered. What cannot be understood becomes a note, not a guess. */
final class ChannelReader {
    /** What a recorder holds that keeps footage as long as there is room. */
    static final String UNLIMITED = "unlimited";

    private static final int MOST_NOTES = 50;
    /** Some leave out the letter before the time. */
    private static final Pattern WITHOUT_LETTER = Pattern.compile("P\\d+S");

    private final Snapshot snapshot;
    private final String channel;
    private final Optional<Element> analytics;
    private final Function<String, Optional<Week<Boolean>>> schedules;
    private final List<String> notes = new ArrayList<>();

    ChannelReader(Snapshot snapshot, String channel, Function<String, Optional<Week<Boolean>>> schedules) {
        this.snapshot = snapshot;
        this.channel = channel;
        this.analytics = snapshot.analyticsOf(channel);
        this.schedules = schedules;
    }

    RecorderReading.Channel read(Optional<Family> family) {
        var label = snapshot.labelOf(channel).orElse(channel);
        var device = snapshot.recordingOf(channel)
                .flatMap(r -> r.nameAt("Configuration", "Source", "Name"))
                .orElse("");
        Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
        family.ifPresent(f ->
                f.abilities().forEach((key, ability) -> value(f, ability).ifPresent(v -> values.put(key, v))));
        return new RecorderReading.Channel(channel, label, device, new NativeConfig(values), notes);
    }

    private Optional<NativeValue> value(Family family, Ability ability) {
        return switch (ability.place()) {
            case Place.Module(var type, var item) ->
                item("AnalyticsEngineConfiguration", "AnalyticsModule", type, item)
                        .flatMap(t -> typed(ability, t));
            case Place.Rule(var type, var item) ->
                item("RuleEngineConfiguration", "Rule", type, item).flatMap(t -> typed(ability, t));
            case Place.EachArea(var type, var item) -> zones(ability, type, item);
            case Place.Field.SPECIAL_DAYS -> Optional.of(new SpecialDays(snapshot, channel, notes).read());
            case Place.Field.JOB_MODE -> mode();
            case Place.Field.LANES -> lanes(family);
            case Place.Field.EVENT_BEFORE -> buffer("Before");
            case Place.Field.EVENT_AFTER -> buffer("After");
            case Place.Field.RETENTION -> retention();
            case Place.Field.ENCODER_FRAME_RATE ->
                snapshot.encoderOf(channel)
                        .flatMap(e -> e.textAt("RateControl", "FrameRateLimit"))
                        .map(ChannelReader::scalar);
            case Place.Sheet s -> Optional.empty();
        };
    }

    /** One rule for each area, of which some are in use. */
    private Optional<NativeValue> zones(Ability ability, String type, String item) {
        var rules = Zones.rules(snapshot, channel, type);
        if (!(ability instanceof Ability.Zones)) {
            return Zones.values(rules, item);
        }
        try {
            return rules.isEmpty() ? Optional.empty() : Optional.of(new NativeValue.Zones(Zones.used(rules)));
        } catch (Refusal e) {
            note("the areas cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    private void note(String words) {
        if (notes.size() < MOST_NOTES) {
            notes.add(Element.shortened(words));
        }
    }

    private Optional<NativeValue> levels(String text) {
        try {
            return Optional.of(new NativeValue.Levels(LevelText.read(text)));
        } catch (Refusal e) {
            note("the values by time cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    private Optional<String> item(String engine, String element, String type, String item) {
        return analytics
                .flatMap(a -> a.child(engine))
                .flatMap(e -> e.all(element).filter(c -> isOfType(c, type)).findFirst())
                .flatMap(c -> c.child("Parameters"))
                .flatMap(p -> p.all("SimpleItem")
                        .filter(i -> i.attribute("Name").filter(item::equals).isPresent())
                        .findFirst())
                .flatMap(i -> i.attribute("Value"));
    }

    /** The standard's own types by their namespace, a maker's by their local name. */
    static boolean isOfType(Element config, String type) {
        var said = config.attribute("Type").orElse("");
        boolean sameName = said.substring(said.indexOf(':') + 1).equals(type.substring(type.indexOf(':') + 1));
        boolean standard = type.startsWith("tt:");
        return sameName
                && (!standard
                        || config.namespaceOf(said)
                                .filter(Namespaces.SCHEMA::equals)
                                .isPresent());
    }

    private Optional<NativeValue> typed(Ability ability, String text) {
        return switch (ability) {
            case Ability.Switch s -> Optional.of(new NativeValue.Flag(text.equals("true") || text.equals("1")));
            case Ability.Mask m -> mask(m, text);
            case Ability.Sense s -> Optional.of(scalar(text));
            case Ability.OfThreshold t -> Optional.of(scalar(text));
            case Ability.Numbers n -> Optional.of(scalar(text));
            case Ability.Levels l -> levels(text);
            case Ability.Choice c -> Optional.of(NativeValue.word(text));
            case Ability.Text t -> Optional.of(NativeValue.word(text));
            case Ability.Zones z -> Optional.empty();
            case Ability.SpecialDays d -> Optional.empty();
            case Ability.Lanes l -> Optional.empty();
        };
    }

    /** A word where a number belongs is kept as the device says it, such as {@code unlimited}. */
    private static NativeValue scalar(String text) {
        return new NativeValue.Single(NativeScalar.read(text));
    }

    private Optional<NativeValue> mask(Ability.Mask ability, String text) {
        try {
            var marked = CellMask.unpack(ability.grid(), text);
            return Optional.of(new NativeValue.Mask(ability.ignores() ? marked.complement() : marked));
        } catch (Refusal e) {
            note("the active cells cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    private Optional<NativeValue> mode() {
        var scheduled = snapshot.jobsOf(channel).stream()
                .filter(j -> schedule(j).filter(Week::isSilent).isEmpty())
                .toList();
        var jobs = scheduled.isEmpty() ? snapshot.jobsOf(channel) : scheduled;
        return jobs.isEmpty()
                ? Optional.empty()
                : Optional.of(new NativeValue.Flag(jobs.stream().allMatch(RecordingJob::active)));
    }

    /** Not known when a part of it cannot be understood: then nobody can say when the channel records. */
    private Optional<NativeValue> lanes(Family family) {
        var jobs = snapshot.jobs();
        if (!jobs.known()
                || snapshot.jobsOf(channel).isEmpty() && !jobs.untied().isEmpty()) {
            note(
                    jobs.known()
                            ? jobs.untied().size()
                                    + " recording jobs belong to no channel that can be told, so it is not known when"
                                    + " this one records"
                            : "the recorder does not tell its recording jobs, so it is not known when it records");
            return Optional.empty();
        }
        boolean understood = true;
        boolean modeIsASetting = family.abilities().values().stream().anyMatch(a -> a.place() == Place.Field.JOB_MODE);
        Week<TriggerSet> week = Week.always(TriggerSet.NONE);
        for (var job : snapshot.jobsOf(channel)) {
            if (!modeIsASetting && !job.active()) {
                continue;
            }
            var triggers = job.triggers();
            if (triggers.isEmpty()) {
                note("the recording job " + job.token() + " waits for an event that Choir does not know");
                continue;
            }
            var schedule = schedule(job);
            if (schedule.isEmpty()) {
                note("the schedule " + job.schedule() + " cannot be understood, so it is not known when it records");
                understood = false;
                continue;
            }
            week = week.join(
                    schedule.get(),
                    (before, on) -> on == null || before == null ? before : before.with(triggers.get()));
        }
        return understood ? Optional.of(new NativeValue.Hours(week)) : Optional.empty();
    }

    /** Empty when it cannot be understood, or is not there although the job goes by it. */
    Optional<Week<Boolean>> schedule(RecordingJob job) {
        if (job.schedule().isEmpty()) {
            return Optional.of(Week.always(true));
        }
        return Optional.ofNullable(snapshot.schedules().get(job.schedule()))
                .flatMap(s -> schedules.apply(s.textAt("Standard").orElse("")));
    }

    /** The shortest over the jobs that wait for events, since that is what a person can rely on. */
    private Optional<NativeValue> buffer(String name) {
        return snapshot.jobsOf(channel).stream()
                .filter(RecordingJob::waitsForEvents)
                .flatMap(j -> j.buffer(name).stream())
                .min(Long::compare)
                .map(NativeValue::number);
    }

    /** Months and years have no fixed number of days; the usual one is taken, and a moment counts as no limit. */
    private Optional<NativeValue> retention() {
        return snapshot.recordingOf(channel)
                .flatMap(r -> r.textAt("Configuration", "MaximumRetentionTime"))
                .flatMap(text -> {
                    try {
                        return Optional.of(days(text));
                    } catch (DateTimeParseException e) {
                        note("\"" + text + "\" is not a duration that can be understood");
                        return Optional.empty();
                    }
                });
    }

    private static NativeValue days(String said) {
        var text = WITHOUT_LETTER.matcher(said).matches() ? "PT" + said.substring(1) : said;
        int time = text.indexOf('T');
        var period = time == 1 ? Period.ZERO : Period.parse(time < 0 ? text : text.substring(0, time));
        var rest = time < 0 ? Duration.ZERO : Duration.parse("P" + text.substring(time));
        long days = period.getYears() * 365L + period.getMonths() * 30L + period.getDays() + rest.toDays();
        boolean unlimited = period.isZero() && rest.isZero();
        return unlimited ? NativeValue.word(UNLIMITED) : NativeValue.number(days);
    }
}
