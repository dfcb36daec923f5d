package choir.onvif;

import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeValue;
import choir.family.Place;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.policy.SettingKey;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;

/**
 * Writes values to one channel. Each structure is read, changed in the one place and sent back whole, so that nothing is
 * lost that this client does not know. Jobs are switched off last and on first, so that a change opens no gap of its own.
 */
final class ChannelWriter {
    private final OnvifSession session;
    private final Snapshot snapshot;
    private final Family family;
    private final String channel;
    private final Map<Place, Set<SettingKey>> keys = new LinkedHashMap<>();
    private final Set<SettingKey> sent = new TreeSet<>();

    ChannelWriter(OnvifSession session, Snapshot snapshot, Family family, String channel) {
        this.session = session;
        this.snapshot = snapshot;
        this.family = family;
        this.channel = channel;
    }

    /** Settings of which a call was made, answered or not. */
    Set<SettingKey> sent() {
        return sent;
    }

    /** Sends what changes something; whatever becomes of it, the settings there count as sent. */
    private Element send(Predicate<Place> places, Element request) {
        keys.forEach((place, there) -> {
            if (places.test(place)) {
                sent.addAll(there);
            }
        });
        return session.call(request);
    }

    void write(Map<SettingKey, NativeValue> values) {
        Map<Place, NativeValue> byPlace = new LinkedHashMap<>();
        // In the order of the keys, so that areas come before the values that each of them has.
        new TreeMap<>(values).forEach((key, value) -> {
            var ability = family.ability(key).orElseThrow(() -> notSupported(key.text()));
            byPlace.put(ability.place(), marked(ability, value));
            keys.computeIfAbsent(ability.place(), p -> new TreeSet<>()).add(key);
        });
        analytics(
                Place.Module.class,
                "AnalyticsEngineConfiguration",
                "AnalyticsModule",
                "ModifyAnalyticsModules",
                byPlace);
        analytics(Place.Rule.class, "RuleEngineConfiguration", "Rule", "ModifyRules", byPlace);
        byPlace.forEach((place, value) -> {
            switch (place) {
                case Place.Field.ENCODER_FRAME_RATE -> encoder(wire(value));
                case Place.Field.RETENTION -> retention(wire(value));
                case Place.Field.EVENT_BEFORE -> buffer(Place.Field.EVENT_BEFORE, "Before", wire(value));
                case Place.Field.EVENT_AFTER -> buffer(Place.Field.EVENT_AFTER, "After", wire(value));
                case Place.Sheet s -> throw notSupported("what a person sets by hand");
                case Place.Module m -> {}
                case Place.Rule r -> {}
                case Place.EachArea a -> {}
                case Place.Field.JOB_MODE, Place.Field.LANES, Place.Field.SPECIAL_DAYS -> {
                    // Analytics above, the week and its switch below.
                }
            }
        });
        var on = Optional.ofNullable(byPlace.get(Place.Field.JOB_MODE)).map(v -> ((NativeValue.Flag) v).on());
        if (on.equals(Optional.of(true))) {
            mode("Active");
        }
        new LaneWriter(session, snapshot, channel, this::send)
                .write(
                        Optional.ofNullable(byPlace.get(Place.Field.LANES)).map(v -> ((NativeValue.Hours) v).week()),
                        Optional.ofNullable(byPlace.get(Place.Field.SPECIAL_DAYS))
                                .map(v -> ((NativeValue.SpecialDays) v).days()));
        if (on.equals(Optional.of(false))) {
            mode("Idle");
        }
    }

    /** A mask as the device marks it: some mark the cells that are ignored. */
    private static NativeValue marked(Ability ability, NativeValue value) {
        return ability instanceof Ability.Mask(var p, var g, boolean ignores, var f)
                        && ignores
                        && value instanceof NativeValue.Mask(var mask)
                ? new NativeValue.Mask(mask.complement())
                : value;
    }

    private LinkException notSupported(String what) {
        return new LinkException(Reason.NOT_SUPPORTED, "channel " + channel + " has no place for " + what);
    }

    private void analytics(
            Class<? extends Place> kind,
            String engine,
            String element,
            String operation,
            Map<Place, NativeValue> values) {
        var configuration = snapshot.analyticsOf(channel);
        Map<String, Element> changed = new TreeMap<>(kind == Place.Rule.class ? zones(values) : Map.of());
        values.forEach((place, value) -> {
            var parameter = parameter(place);
            if (!kind.isInstance(place) || parameter.isEmpty()) {
                return;
            }
            var type = parameter.get().type();
            var item = parameter.get().item();
            var config = configuration
                    .flatMap(c -> c.child(engine))
                    .flatMap(e -> e.all(element)
                            .filter(c -> ChannelReader.isOfType(c, type))
                            .findFirst())
                    .orElseThrow(() -> notSupported(type));
            var name = config.attribute("Name").orElse("");
            changed.put(name, withItem(changed.getOrDefault(name, config), item, wire(value)));
        });
        if (changed.isEmpty()) {
            return;
        }
        var token = configuration.flatMap(Element::token).orElse("");
        var request = Element.of(
                Namespaces.ANALYTICS, operation, Element.of(Namespaces.ANALYTICS, "ConfigurationToken", token));
        for (var config : changed.values()) {
            request = request.withChild(config.renamed(Namespaces.ANALYTICS, element));
        }
        send(p -> kind.isInstance(p) || kind == Place.Rule.class && p instanceof Place.EachArea, request);
    }

    /** The rules of the areas, all of them, when anything about areas is written. */
    private Map<String, Element> zones(Map<Place, NativeValue> values) {
        Map<String, Element> changed = new LinkedHashMap<>();
        for (var entry : values.entrySet()) {
            if (entry.getKey() instanceof Place.EachArea(var type, var item)) {
                if (changed.isEmpty()) {
                    Zones.rules(snapshot, channel, type)
                            .forEach(r -> changed.put(r.attribute("Name").orElse(""), r));
                }
                changed.putAll(
                        switch (entry.getValue()) {
                            case NativeValue.Zones zones -> Zones.withAreas(changed, item, zones);
                            case NativeValue.PerArea(var each) -> Zones.withValues(changed, item, each);
                            case NativeValue.Single(var one) -> Zones.withValue(changed, item, one);
                            case NativeValue.Flag f -> throw misplaced(f);
                            case NativeValue.Mask m -> throw misplaced(m);
                            case NativeValue.Hours h -> throw misplaced(h);
                            case NativeValue.Levels l -> throw misplaced(l);
                            case NativeValue.SpecialDays d -> throw misplaced(d);
                        });
            }
        }
        return changed;
    }

    private record Parameter(String type, String item) {}

    private static Optional<Parameter> parameter(Place place) {
        return switch (place) {
            case Place.Module(var type, var item) -> Optional.of(new Parameter(type, item));
            case Place.Rule(var type, var item) -> Optional.of(new Parameter(type, item));
            case Place.EachArea e -> Optional.empty();
            case Place.Sheet s -> Optional.empty();
            case Place.Field f -> Optional.empty();
        };
    }

    private static IllegalStateException misplaced(NativeValue value) {
        return new IllegalStateException(value + " is no single parameter");
    }

    private static String wire(NativeValue value) {
        return switch (value) {
            case NativeValue.Flag(boolean on) -> Boolean.toString(on);
            case NativeValue.Mask(var mask) -> mask.packed();
            case NativeValue.Single(var scalar) -> scalar.toString();
            case NativeValue.Levels(var week) -> LevelText.write(week);
            case NativeValue.PerArea p -> throw misplaced(p);
            case NativeValue.Zones z -> throw misplaced(z);
            case NativeValue.SpecialDays d -> throw misplaced(d);
            case NativeValue.Hours h -> throw misplaced(h);
        };
    }

    static Element withItem(Element config, String name, String value) {
        return config.changed(
                item -> item.attribute("Name").filter(name::equals).isPresent()
                        ? item.withAttribute("Value", value)
                        : item,
                "Parameters",
                "SimpleItem");
    }

    private void encoder(String framesPerSecond) {
        var encoder = snapshot.encoderOf(channel).orElseThrow(() -> notSupported("a frame rate"));
        send(
                Place.Field.ENCODER_FRAME_RATE::equals,
                snapshot.media()
                        .encoder(encoder.changed(e -> e.withText(framesPerSecond), "RateControl", "FrameRateLimit")));
    }

    private void retention(String days) {
        var recording = snapshot.recordingOf(channel).orElseThrow(() -> notSupported("a time to keep"));
        var configuration = recording.child("Configuration").orElseThrow(() -> notSupported("a time to keep"));
        send(
                Place.Field.RETENTION::equals,
                Element.of(
                        Namespaces.RECORDING,
                        "SetRecordingConfiguration",
                        Element.of(
                                Namespaces.RECORDING,
                                "RecordingToken",
                                recording.tokenAt("RecordingToken").orElse("")),
                        configuration
                                .changed(
                                        e -> e.withText(
                                                days.equals(ChannelReader.UNLIMITED) ? "PT0S" : "P" + days + "D"),
                                        "MaximumRetentionTime")
                                .renamed(Namespaces.RECORDING, "RecordingConfiguration")));
    }

    private void buffer(Place place, String name, String seconds) {
        for (var job : jobs()) {
            boolean differs = job.buffer(name)
                    .filter(b -> !Long.toString(b).equals(seconds))
                    .isPresent();
            if (job.waitsForEvents() && differs) {
                var fresh = job.again(session);
                if (fresh.buffer(name)
                        .filter(b -> Long.toString(b).equals(seconds))
                        .isPresent()) {
                    continue;
                }
                send(
                        place::equals,
                        Element.of(
                                Namespaces.RECORDING,
                                "SetRecordingJobConfiguration",
                                Element.of(Namespaces.RECORDING, "JobToken", job.token()),
                                fresh.withBuffer(name, seconds).renamed(Namespaces.RECORDING, "JobConfiguration")));
            }
        }
    }

    private List<RecordingJob> jobs() {
        return snapshot.jobsOf(channel);
    }

    private void mode(String mode) {
        for (var job : jobs()) {
            if (job.active() != mode.equals("Active")) {
                send(
                        Place.Field.JOB_MODE::equals,
                        Element.of(
                                Namespaces.RECORDING,
                                "SetRecordingJobMode",
                                Element.of(Namespaces.RECORDING, "JobToken", job.token()),
                                Element.of(Namespaces.RECORDING, "Mode", mode)));
            }
        }
    }
}
