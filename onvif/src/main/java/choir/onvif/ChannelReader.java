package choir.onvif;

import choir.area.CellMask;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Place;
import choir.link.RecorderReading;
import choir.policy.SettingKey;
import choir.week.TriggerSet;
import choir.week.Week;
import java.math.BigDecimal;
import java.time.Period;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Finds a family's settings in what a recorder answered. What cannot be understood becomes a note, not a guess. */
final class ChannelReader {
    private final Snapshot snapshot;
    private final String channel;
    private final Function<String, Optional<Week<Boolean>>> schedules;
    private final List<String> notes = new ArrayList<>();

    ChannelReader(Snapshot snapshot, String channel, Function<String, Optional<Week<Boolean>>> schedules) {
        this.snapshot = snapshot;
        this.channel = channel;
        this.schedules = schedules;
    }

    RecorderReading.Channel read(Optional<Family> family) {
        var label = snapshot.profileByChannel()
                .get(channel)
                .textAt("Configurations", "VideoSource", "Name")
                .orElse(channel);
        var device = snapshot.recordingOf(channel)
                .flatMap(r -> r.textAt("Configuration", "Source", "Name"))
                .orElse("");
        Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
        family.ifPresent(f ->
                f.abilities().forEach((key, ability) -> value(f, ability).ifPresent(v -> values.put(key, v))));
        return new RecorderReading.Channel(channel, label, device, new NativeConfig(values), notes);
    }

    private Optional<NativeValue> value(Family family, Ability ability) {
        var place = ability.place();
        return switch (place.kind()) {
            case "module" ->
                item("AnalyticsEngineConfiguration", "AnalyticsModule", place).flatMap(t -> typed(ability, t));
            case "rule" -> item("RuleEngineConfiguration", "Rule", place).flatMap(t -> typed(ability, t));
            case "zones" -> zones(ability);
            case "special-days" -> Optional.of(new SpecialDays(snapshot, channel, notes).read());
            case "job-mode" -> mode();
            case "lanes" -> Optional.of(lanes(family));
            case "event-before" -> buffer("Before");
            case "event-after" -> buffer("After");
            case "retention" -> retention();
            case "encoder-frame-rate" ->
                snapshot.encoderOf(channel)
                        .flatMap(e -> e.textAt("RateControl", "FrameRateLimit"))
                        .flatMap(this::number);
            default -> throw new IllegalStateException("no such place: " + place);
        };
    }

    /** One rule for each area, of which some are in use. */
    private Optional<NativeValue> zones(Ability ability) {
        var rules = Zones.rules(snapshot, channel, ability.place().type());
        if (!(ability instanceof Ability.Zones)) {
            return Zones.values(rules, ability.place().item()).map(NativeValue.Item::new);
        }
        try {
            return rules.isEmpty() ? Optional.empty() : Optional.of(new NativeValue.Zones(Zones.used(rules)));
        } catch (IllegalArgumentException e) {
            notes.add("the areas cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    private Optional<NativeValue> levels(String text) {
        try {
            return Optional.of(new NativeValue.Levels(LevelText.read(text)));
        } catch (IllegalArgumentException e) {
            notes.add("the values by time cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    private Optional<String> item(String engine, String element, Place place) {
        return snapshot.analyticsOf(channel)
                .flatMap(a -> a.child(engine))
                .flatMap(e ->
                        e.all(element).filter(c -> isOfType(c, place.type())).findFirst())
                .flatMap(c -> c.child("Parameters"))
                .flatMap(p -> p.all("SimpleItem")
                        .filter(i ->
                                i.attribute("Name").filter(place.item()::equals).isPresent())
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
            case Ability.Sense s -> Optional.of(new NativeValue.Item(text));
            case Ability.Cells c -> number(text);
            case Ability.Pixels p -> number(text);
            case Ability.Numbers n -> number(text);
            case Ability.Percent p -> number(text);
            case Ability.Steps s -> number(text);
            case Ability.Levels l -> levels(text);
            case Ability.Zones z -> Optional.empty();
            case Ability.SpecialDays d -> Optional.empty();
            case Ability.Lanes l -> Optional.empty();
            case Ability.Choice c -> Optional.of(new NativeValue.Item(text));
            case Ability.Text t -> Optional.of(new NativeValue.Item(text));
        };
    }

    private Optional<NativeValue> mask(Ability.Mask ability, String text) {
        try {
            var marked = CellMask.unpack(ability.grid(), text);
            return Optional.of(new NativeValue.Mask(ability.ignores() ? marked.complement() : marked));
        } catch (IllegalArgumentException e) {
            notes.add("the active cells cannot be understood: " + e.getMessage());
            return Optional.empty();
        }
    }

    /** Whole numbers without a point, so that 25 and 25.0 are the same value. */
    private Optional<NativeValue> number(String text) {
        try {
            return Optional.of(new NativeValue.Item(
                    choir.scale.Decimals.plain(new BigDecimal(text)).toPlainString()));
        } catch (NumberFormatException e) {
            notes.add("\"" + text + "\" stands where a number belongs");
            return Optional.empty();
        }
    }

    private Optional<NativeValue> mode() {
        var scheduled = snapshot.jobsOf(channel).stream()
                .filter(j -> !schedule(j).isSilent())
                .toList();
        var jobs = scheduled.isEmpty() ? snapshot.jobsOf(channel) : scheduled;
        return jobs.isEmpty()
                ? Optional.empty()
                : Optional.of(new NativeValue.Flag(jobs.stream().allMatch(RecordingJob::active)));
    }

    private NativeValue lanes(Family family) {
        boolean modeIsASetting = family.abilities().values().stream()
                .anyMatch(a -> a.place().kind().equals("job-mode"));
        Week<TriggerSet> week = Week.always(TriggerSet.NONE);
        for (var job : snapshot.jobsOf(channel)) {
            if (!modeIsASetting && !job.active()) {
                continue;
            }
            var triggers = job.triggers();
            if (triggers.isEmpty()) {
                notes.add("the recording job " + job.token() + " waits for an event that Choir does not know");
                continue;
            }
            week = week.join(
                    schedule(job), (before, on) -> on == null || before == null ? before : before.with(triggers.get()));
        }
        return new NativeValue.Hours(week);
    }

    Week<Boolean> schedule(RecordingJob job) {
        if (job.schedule().isEmpty()) {
            return Week.always(true);
        }
        var element = snapshot.schedules().get(job.schedule());
        if (element == null) {
            return Week.silent();
        }
        var read = schedules.apply(element.textAt("Standard").orElse(""));
        if (read.isEmpty()) {
            notes.add("the schedule " + job.schedule() + " cannot be understood");
        }
        return read.orElse(Week.silent());
    }

    /** The shortest over the jobs that wait for events, since that is what a person can rely on. */
    private Optional<NativeValue> buffer(String name) {
        return snapshot.jobsOf(channel).stream()
                .filter(RecordingJob::waitsForEvents)
                .flatMap(j -> j.buffer(name).stream())
                .min(Long::compare)
                .map(s -> new NativeValue.Item(Long.toString(s)));
    }

    private Optional<NativeValue> retention() {
        return snapshot.recordingOf(channel)
                .flatMap(r -> r.textAt("Configuration", "MaximumRetentionTime"))
                .flatMap(text -> {
                    try {
                        return Optional.of(new NativeValue.Item(Integer.toString(
                                text.contains("T")
                                        ? (int) java.time.Duration.parse(text).toDays()
                                        : Period.parse(text).getDays())));
                    } catch (java.time.format.DateTimeParseException e) {
                        notes.add("\"" + text + "\" is not a duration that can be understood");
                        return Optional.empty();
                    }
                });
    }
}
