package choir.family;

import choir.area.CellGrid;
import choir.document.Documents;
import choir.document.Part;
import choir.policy.Catalogue;
import choir.policy.Setting;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.refusal.Refusal;
import choir.scale.CountScale;
import choir.scale.Direction;
import choir.scale.NativeScalar;
import choir.scale.SensitivityScale;
import choir.scale.Threshold;
import choir.week.TriggerSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Reads family files. */
public final class FamilyReader {
    private static final Pattern TEST = Pattern.compile("[A-Za-z0-9][A-Za-z0-9:./_{}-]{0,199}");
    private static final int MOST_VALUES = 10_000;

    private static final Set<String> KEYS =
            Set.of("family", "title", "recognise", "pauses", "connections", "sleeps", "on-site", "tests", "settings");

    private static final Set<String> SETTING_KEYS = Set.of(
            "at",
            "factory",
            "from",
            "to",
            "step",
            "direction",
            "words",
            "values",
            "grid",
            "lanes",
            "choices",
            "auto",
            "ignores",
            "unit",
            "full",
            "each-area",
            "percents",
            "polygons",
            "corners",
            "resolution",
            "block",
            "single",
            "off",
            "most");

    private FamilyReader() {}

    /**
     * The one family that the text describes.
     *
     * @throws choir.document.DocumentException with the place of each fault
     */
    public static Family read(String text) {
        var families = Documents.read(text, FamilyReader::family);
        if (families.size() != 1) {
            throw new Refusal("a family file describes one family, not " + families.size());
        }
        return families.getFirst().orElseThrow();
    }

    private static Optional<Family> family(Part part) {
        var keys = part.map(KEYS);
        var recognise = Optional.ofNullable(keys.get("recognise"))
                .map(p -> p.map(Set.of("maker", "model", "exactly")))
                .orElse(Map.of());
        Map<SettingKey, Ability> abilities = new LinkedHashMap<>();
        required(part, keys, "settings")
                .ifPresent(p -> p.map()
                        .forEach((key, value) -> value.attempt(() -> Catalogue.named(key))
                                .flatMap(setting -> ability(setting, value))
                                .ifPresent(a -> abilities.put(new SettingKey(key), a))));
        var name = required(part, keys, "family").flatMap(Part::text);
        return name.map(n -> new Family(
                n,
                text(keys, "title", t -> t).orElse(n),
                text(recognise, "maker", t -> t).orElse(""),
                text(recognise, "model", t -> t).orElse(""),
                yes(recognise, "exactly"),
                text(keys, "pauses", FamilyReader::pause).orElse(Family.Pause.NOTHING),
                text(keys, "connections", Integer::valueOf).orElse(4),
                yes(keys, "sleeps"),
                yes(keys, "on-site"),
                tests(keys, abilities),
                abilities));
    }

    private static Map<SettingKey, String> tests(Map<String, Part> keys, Map<SettingKey, Ability> abilities) {
        Map<SettingKey, String> tests = new LinkedHashMap<>();
        Optional.ofNullable(keys.get("tests"))
                .map(Part::map)
                .orElse(Map.of())
                .forEach((key, value) -> value.attempt(() -> Catalogue.named(key))
                        .ifPresent(setting -> value.text(t -> {
                                    if (!setting.key().isResponse() || !abilities.containsKey(setting.key())) {
                                        throw new Refusal(
                                                key + " is no response that this family can set, so there is no test");
                                    }
                                    if (!TEST.matcher(t).matches()) {
                                        throw new Refusal("\"" + t + "\" is no auxiliary command; expected a form like"
                                                + " tern:TestMail/{channel}");
                                    }
                                    return t;
                                })
                                .ifPresent(t -> tests.put(setting.key(), t))));
        return tests;
    }

    private static Family.Pause pause(String text) {
        return switch (text) {
            case "nothing" -> Family.Pause.NOTHING;
            case "channel" -> Family.Pause.CHANNEL;
            case "all-channels" -> Family.Pause.ALL_CHANNELS;
            default -> throw new Refusal("\"" + text + "\" is none of nothing, channel, all-channels");
        };
    }

    private static Optional<Ability> ability(Setting setting, Part part) {
        var keys = part.map(SETTING_KEYS);
        var place = required(part, keys, "at").flatMap(p -> p.text(Place::parse));
        Optional<NativeValue> factory = text(keys, "factory", t -> factory(setting.type(), t));
        return place.flatMap(at -> part.attempt(() -> FactoryFit.required(
                switch (setting.type()) {
                    case SettingType.OnOff o -> new Ability.Switch(at, factory);
                    case SettingType.SensitivityOrAuto s ->
                        new Ability.Sense(at, sensitivity(keys), yes(keys, "auto"), yes(keys, "each-area"), factory);
                    case SettingType.WeekOfSensitivities w ->
                        new Ability.Levels(at, sensitivity(keys), number(keys, "most"), factory);
                    case SettingType.DayPlans d -> new Ability.SpecialDays(at, number(keys, "most"), factory);
                    case SettingType.ShareOfPicture s -> threshold(at, keys, factory);
                    case SettingType.AreaList a -> areas(at, keys, factory);
                    case SettingType.WeekOfTriggers w -> week(at, keys, factory);
                    case SettingType.Amount a -> numbers(at, keys, factory);
                    case SettingType.Choice c -> new Ability.Choice(at, choices(keys, c.words()), factory);
                    case SettingType.Named n -> new Ability.Choice(at, choices(keys, List.of()), factory);
                    case SettingType.ClipEvery c -> new Ability.Text(at, factory);
                    case SettingType.OffOr o -> new Ability.Text(at, factory);
                })));
    }

    private static NativeValue factory(SettingType type, String text) {
        return switch (type) {
            case SettingType.OnOff o -> new NativeValue.Flag(text.equals("on"));
            case SettingType.WeekOfTriggers w ->
                new NativeValue.Hours(choir.week.WeekText.parse(List.of(text.split("\\s*;\\s*"))));
            case SettingType.SensitivityOrAuto s -> new NativeValue.Single(NativeScalar.read(text));
            case SettingType.ShareOfPicture s -> new NativeValue.Single(NativeScalar.read(text));
            case SettingType.Amount a -> new NativeValue.Single(NativeScalar.read(text));
            case SettingType.Choice c -> NativeValue.word(text);
            case SettingType.Named n -> NativeValue.word(text);
            case SettingType.ClipEvery c -> NativeValue.word(text);
            case SettingType.OffOr o -> NativeValue.word(text);
            case SettingType.WeekOfSensitivities w -> new NativeValue.Levels(choir.week.Week.silent());
            case SettingType.DayPlans d -> new NativeValue.SpecialDays(List.of());
            case SettingType.AreaList a -> throw new Refusal("areas have no factory value in a family file");
        };
    }

    private static Ability areas(Place at, Map<String, Part> keys, Optional<NativeValue> factory) {
        return keys.containsKey("polygons")
                ? new Ability.Zones(
                        at,
                        number(keys, "polygons"),
                        number(keys, "corners"),
                        number(keys, "resolution"),
                        grid(keys),
                        factory)
                : new Ability.Mask(at, grid(keys), yes(keys, "ignores"), factory);
    }

    private static Ability week(Place at, Map<String, Part> keys, Optional<NativeValue> factory) {
        int block = text(keys, "block", Integer::valueOf).orElse(1);
        boolean off = !keys.containsKey("off") || yes(keys, "off");
        return new Ability.Lanes(at, lanes(keys), block, yes(keys, "single"), off, factory);
    }

    private static SensitivityScale sensitivity(Map<String, Part> keys) {
        if (keys.containsKey("words")) {
            return new SensitivityScale.Words(keys.get("words").list().stream()
                    .flatMap(p -> p.text().stream())
                    .toList());
        }
        var direction = text(keys, "direction", Direction::parse)
                .orElseThrow(() -> new Refusal("a scale of numbers says its direction, up or down"));
        int step = text(keys, "step", Integer::valueOf).orElse(1);
        return new SensitivityScale.Numbers(number(keys, "from"), number(keys, "to"), step, direction);
    }

    private static boolean yes(Map<String, Part> keys, String key) {
        return text(keys, key, t -> switch (t) {
                    case "yes", "true" -> true;
                    case "no", "false" -> false;
                    default -> throw new Refusal("\"" + t + "\" is neither yes nor no");
                })
                .orElse(false);
    }

    private static Ability threshold(Place at, Map<String, Part> keys, Optional<NativeValue> factory) {
        return switch (text(keys, "unit", t -> t).orElse("cells")) {
            case "cells" -> new Ability.Cells(at, count(keys), factory);
            case "pixels" -> {
                var full = sides(keys, "full", "1920x1080");
                yield new Ability.Pixels(at, count(keys), full[0], full[1], factory);
            }
            case "percent" -> new Ability.Percent(at, count(keys), yes(keys, "each-area"), factory);
            case "steps" -> new Ability.Steps(at, percents(keys), factory);
            default -> throw new Refusal("the unit of a threshold is cells, pixels, percent or steps");
        };
    }

    private static CountScale count(Map<String, Part> keys) {
        if (keys.containsKey("step")) {
            throw new Refusal("a threshold has no step; every whole number from its first to its last is one");
        }
        return new CountScale(number(keys, "from"), number(keys, "to"));
    }

    private static List<Threshold> percents(Map<String, Part> keys) {
        return Optional.ofNullable(keys.get("percents"))
                .map(p -> p.list().stream()
                        .flatMap(e -> e.text(t -> new Threshold(new java.math.BigDecimal(t))).stream())
                        .toList())
                .orElseThrow(() -> new Refusal("steps say their percents, such as percents: [0.2, 0.5, 1]"));
    }

    private static CellGrid grid(Map<String, Part> keys) {
        var sides = sides(keys, "grid", "22x18");
        return new CellGrid(sides[0], sides[1]);
    }

    private static int[] sides(Map<String, Part> keys, String key, String example) {
        var sides = text(keys, key, t -> t)
                .filter(t -> t.matches("\\d{1,4}x\\d{1,4}"))
                .orElseThrow(
                        () -> new Refusal("\"" + key + "\" is missing or not a width and a height, such as " + example))
                .split("x");
        return new int[] {Integer.parseInt(sides[0]), Integer.parseInt(sides[1])};
    }

    private static Set<choir.week.Trigger> lanes(Map<String, Part> keys) {
        return listed(keys)
                .filter(l -> !l.isEmpty())
                .orElseThrow(() -> new Refusal("a week says its lanes, such as lanes: [continuous, motion]"));
    }

    private static Optional<Set<choir.week.Trigger>> listed(Map<String, Part> keys) {
        return Optional.ofNullable(keys.get("lanes"))
                .map(p -> p.list().stream()
                        .flatMap(e -> e.text(TriggerSet::parse).stream())
                        .flatMap(t -> t.members().stream())
                        .collect(java.util.stream.Collectors.toSet()));
    }

    /** @param known the only words that the setting has; empty when any name will do */
    private static Map<String, String> choices(Map<String, Part> keys, List<String> known) {
        var part = Optional.ofNullable(keys.get("choices"))
                .orElseThrow(() -> new Refusal(
                        "a choice says what the device writes, such as choices: {overwrite: Loop, stop: Halt}"));
        Map<String, String> choices = new LinkedHashMap<>();
        (known.isEmpty() ? part.map() : part.map(known))
                .forEach((word, written) -> written.text().ifPresent(t -> choices.put(word, t)));
        return choices;
    }

    private static Ability numbers(Place at, Map<String, Part> keys, Optional<NativeValue> factory) {
        if (keys.containsKey("values")) {
            List<Integer> allowed = keys.get("values").list().stream()
                    .flatMap(p -> p.text(Integer::valueOf).stream())
                    .sorted()
                    .toList();
            if (allowed.isEmpty()) {
                throw new Refusal("values is empty");
            }
            return new Ability.Numbers(at, allowed, allowed.getFirst(), allowed.getLast(), factory);
        }
        int from = number(keys, "from");
        int to = number(keys, "to");
        int step = text(keys, "step", Integer::valueOf).orElse(1);
        if (to < from) {
            throw new Refusal("from " + from + " to " + to + " is no range; the smaller number stands first");
        }
        if (step < 1 || step > 1 && (to - from) / step > MOST_VALUES) {
            throw new Refusal("a step of " + step + " from " + from + " to " + to + " cannot be");
        }
        // Only what the device has stands in the list, so that nothing between is ever asked of it.
        List<Integer> allowed = step == 1
                ? List.of()
                : IntStream.rangeClosed(0, (to - from) / step)
                        .map(i -> from + i * step)
                        .boxed()
                        .toList();
        return new Ability.Numbers(at, allowed, from, allowed.isEmpty() ? to : allowed.getLast(), factory);
    }

    private static int number(Map<String, Part> keys, String key) {
        return text(keys, key, Integer::valueOf)
                .orElseThrow(() -> new Refusal("\"" + key + "\" is missing or not a whole number"));
    }

    private static Optional<Part> required(Part part, Map<String, Part> keys, String key) {
        if (!keys.containsKey(key)) {
            part.fault("\"" + key + "\" is missing");
        }
        return Optional.ofNullable(keys.get(key));
    }

    private static <T> Optional<T> text(Map<String, Part> keys, String key, Function<String, T> reader) {
        var part = keys.get(key);
        return part == null || !part.isText() ? Optional.empty() : part.text(reader);
    }
}
