package choir.bench;

import choir.document.SettingReader;
import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.family.Translator;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Layer;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.scale.NativeScalar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * A made-up fleet: groups five deep with a template at each level, cameras in the lowest groups, a tenth of them with
 * overrides of their own (so six layers speak), half on each of two families, one in a hundred drifted.
 */
final class LargeFleet {
    static final LocalDate DAY = LocalDate.of(2026, 5, 4);

    /** A value for every setting that there is, special days and values by time included. */
    private static final Map<String, String> WHOLE_CATALOGUE = Catalogue.settings().stream()
            .collect(Collectors.toMap(s -> s.key().text(), s -> switch (s.type()) {
                case SettingType.OnOff o -> "on";
                case SettingType.SensitivityOrAuto a -> "60";
                case SettingType.ShareOfPicture t -> "1%";
                case SettingType.WeekOfTriggers w -> "daily motion";
                case SettingType.WeekOfSensitivities w -> "daily 21:00-05:30 45";
                case SettingType.DayPlans d -> "{12-25 yearly: daily none, 2027-01-01: daily continuous}";
                case SettingType.AreaList a -> "[{ignore: sky, rectangle: [[0, 0], [1, 0.2]]}]";
                case SettingType.Amount a -> Integer.toString(Math.min(a.max(), a.min() + 10));
                case SettingType.Choice c -> c.words().getFirst();
                case SettingType.Named n -> "main";
                case SettingType.ClipEvery c -> "10s every 30min";
                case SettingType.OffOr o -> "off";
            }));

    record Placed(Node.Camera camera, Node.Group group, Family family) {}

    final List<Placed> cameras = new ArrayList<>();
    final Map<TemplateName, Template> templates = new HashMap<>();
    final Map<Node, List<TemplateName>> uses = new HashMap<>();
    final List<PolicyOverride> overrides = new ArrayList<>();

    static LargeFleet of(int size) {
        var fleet = new LargeFleet();
        fleet.build(size);
        return fleet;
    }

    PolicyBook book() {
        return new PolicyBook(templates, uses, overrides, DAY);
    }

    private void build(int size) {
        var random = new Random(7);
        var tern = Families.shipped().named("tern").orElseThrow();
        var gannet = Families.shipped().named("gannet").orElseThrow();
        use(Node.Group.ROOT, "house", WHOLE_CATALOGUE);
        int perGroup = 32;
        for (int i = 0; i < size; i++) {
            var group = group(i / perGroup, random);
            var recorder = new RecorderName("r" + i / 16);
            var camera = new Node.Camera(recorder, "%02d".formatted(i % 16));
            cameras.add(new Placed(camera, group, (i / 16) % 2 == 0 ? tern : gannet));
            if (i % 10 == 0) {
                overrides.add(override(i, camera, "motion.sensitivity", Integer.toString(20 + i % 60)));
            }
            if (i % 40 == 0) {
                overrides.add(override(i + size, camera, "recording.week", "mon-fri 06:00-09:00 continuous"));
            }
        }
    }

    private Node.Group group(int number, Random random) {
        var group = Node.Group.ROOT;
        int[] widths = {5, 5, 5, 1000};
        String[] levels = {"region", "site", "building", "floor"};
        int rest = number;
        for (int level = 0; level < widths.length; level++) {
            group = group.child(levels[level] + rest % widths[level]);
            rest /= widths[level];
            if (!uses.containsKey(group)) {
                use(group, levels[level] + "-" + uses.size(), statements(level, random));
            }
        }
        return group;
    }

    private static Map<String, String> statements(int level, Random random) {
        return switch (level) {
            case 0 -> Map.of("motion.threshold", (1 + random.nextInt(30)) / 10.0 + "%");
            case 1 ->
                Map.of(
                        "recording.week", "mon-fri 0" + (5 + random.nextInt(4)) + ":30-18:00 continuous",
                        "recording.after-event", (10 + random.nextInt(20)) + "s");
            case 2 -> Map.of("recording.week", "daily 22:00-0" + (3 + random.nextInt(3)) + ":00 continuous");
            default ->
                Map.of(
                        "motion.areas",
                        "[{ignore: below, rectangle: [[0, 0." + (5 + random.nextInt(4)) + "], [1, 1]]}]",
                        "motion.sensitivity",
                        Integer.toString(40 + random.nextInt(40)));
        };
    }

    private void use(Node node, String name, Map<String, String> statements) {
        var template = new TemplateName(name);
        Map<SettingKey, Statement> layer = new LinkedHashMap<>();
        statements.forEach((key, value) -> layer.put(new SettingKey(key), set(key, value)));
        templates.put(template, new Template(template, 1, "", Optional.empty(), new Layer(layer, Set.of())));
        uses.put(node, List.of(template));
    }

    private static Statement set(String key, String value) {
        return new Statement.Set(SettingReader.read(key, value));
    }

    private static PolicyOverride override(long id, Node node, String key, String value) {
        return new PolicyOverride(
                id, node, new SettingKey(key), set(key, value), false, "bench", "bench", Optional.empty());
    }

    /** Desired, and what was read: the same but for one camera in a hundred. Equal content is one object. */
    record Compared(Translation desired, Family family, NativeConfig observed, NativeConfig baseline) {}

    List<Compared> compared() {
        var book = book();
        IdentityHashMap<EffectivePolicy, Map<Family, Translation>> translations = new IdentityHashMap<>();
        IdentityHashMap<Translation, NativeConfig> held = new IdentityHashMap<>();
        List<Compared> all = new ArrayList<>(cameras.size());
        int i = 0;
        for (var placed : cameras) {
            var policy = book.of(placed.camera(), placed.group());
            var desired = translations
                    .computeIfAbsent(policy, p -> new HashMap<>())
                    .computeIfAbsent(
                            placed.family(), f -> Translator.translate(policy, f, Optional.empty(), Calendars.NONE));
            var baseline = held.computeIfAbsent(desired, LargeFleet::asDesired);
            var observed = i++ % 100 == 0
                    ? baseline.with(Map.of(
                            new SettingKey("motion.sensitivity"), new NativeValue.Single(NativeScalar.read("1"))))
                    : baseline;
            all.add(new Compared(desired, placed.family(), observed, baseline));
        }
        return all;
    }

    private static NativeConfig asDesired(Translation desired) {
        Map<SettingKey, NativeValue> values = new TreeMap<>();
        desired.wishes().forEach((key, wish) -> {
            if (wish instanceof Wish.Wanted w) {
                values.put(key, w.value());
            }
        });
        return new NativeConfig(values);
    }
}
