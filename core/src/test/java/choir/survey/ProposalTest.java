package choir.survey;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.document.PolicyDocument;
import choir.document.PolicyReader;
import choir.family.Ability;
import choir.family.Families;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translator;
import choir.family.Zone;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.rollout.Changes;
import choir.scale.NativeScalar;
import choir.scale.SensitivityScale;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ProposalTest {
    private static final List<Family> FAMILIES = List.copyOf(Families.shipped().all());
    private static final Calendars CALENDARS =
            new Calendars(Map.of(new CalendarName("holidays"), DateSet.parse("12-25 yearly, 2027-01-01")));
    private static final List<String> WEEKS = List.of(
            "daily motion",
            "daily continuous",
            "daily motion; mon-fri 06:00-18:30 continuous",
            "daily none; fri-mon 22:00-04:00 motion");

    private static <T> T pick(RandomGenerator random, List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private static NativeValue any(Ability ability, RandomGenerator random) {
        return switch (ability) {
            case Ability.Switch s -> new NativeValue.Flag(random.nextBoolean());
            case Ability.Sense s -> new NativeValue.Single(NativeScalar.read(sense(s, random)));
            case Ability.Cells c ->
                new NativeValue.Single(NativeScalar.read(
                        number(random, c.scale().min(), c.scale().max())));
            case Ability.Pixels p ->
                new NativeValue.Single(NativeScalar.read(
                        number(random, p.scale().min(), p.scale().max())));
            case Ability.Mask m -> new NativeValue.Mask(mask(m.grid(), random));
            case Ability.Lanes l ->
                new NativeValue.Hours(
                        WeekText.parse(List.of((l.off() ? pick(random, WEEKS) : "daily motion").split("; "))));
            case Ability.Percent p ->
                new NativeValue.Single(NativeScalar.read(
                        number(random, p.scale().min(), p.scale().max())));
            case Ability.Steps s ->
                new NativeValue.Single(
                        NativeScalar.read(number(random, 1, s.percents().size())));
            case Ability.Zones z -> new NativeValue.Zones(zones(z, random));
            case Ability.Levels l -> new NativeValue.Levels(levels(random));
            case Ability.SpecialDays d -> new NativeValue.SpecialDays(specialDays(random));
            case Ability.Numbers n ->
                new NativeValue.Single(NativeScalar.read(
                        n.allowed().isEmpty()
                                ? number(random, n.min(), n.max())
                                : pick(random, n.allowed()).toString()));
            case Ability.Choice c ->
                NativeValue.word(pick(random, List.copyOf(c.choices().values())));
            case Ability.Text t -> NativeValue.word(pick(random, List.of("off", "bell")));
        };
    }

    private static String sense(Ability.Sense ability, RandomGenerator random) {
        if (ability.adapts() && random.nextBoolean()) {
            return Ability.Sense.AUTO.toString();
        }
        return switch (ability.scale()) {
            case SensitivityScale.Numbers n -> number(random, n.min(), n.max());
            case SensitivityScale.Words w -> pick(random, w.words());
        };
    }

    private static List<Zone> zones(Ability.Zones ability, RandomGenerator random) {
        List<Zone> zones = new ArrayList<>();
        for (int i = random.nextInt(ability.most() + 1); i > 0; i--) {
            int left = random.nextInt(60);
            int top = random.nextInt(60);
            zones.add(Zone.of(
                    "area " + i,
                    "%d,%d %d,%d %d,%d"
                            .formatted(
                                    left,
                                    top,
                                    left + 10 + random.nextInt(30),
                                    top,
                                    left,
                                    top + 5 + random.nextInt(30))));
        }
        return zones;
    }

    private static Week<NativeScalar> levels(RandomGenerator random) {
        return random.nextBoolean()
                ? Week.silent()
                : WeekText.parse(List.of("daily 21:00-05:30 " + number(random, 0, 100)), NativeScalar::read);
    }

    private static List<SpecialDay> specialDays(RandomGenerator random) {
        return random.nextBoolean()
                ? List.of()
                : List.of(new SpecialDay(
                        "holidays", CALENDARS.dates("holidays").orElseThrow(), DayPlan.parse(List.of("daily none"))));
    }

    private static String number(RandomGenerator random, int min, int max) {
        return Integer.toString(min + random.nextInt(max - min + 1));
    }

    private static CellMask mask(CellGrid grid, RandomGenerator random) {
        return switch (random.nextInt(4)) {
            case 0 -> CellMask.none(grid);
            case 1 -> CellMask.all(grid);
            default -> {
                var bits = new BitSet();
                random.ints(grid.cells() / 2, 0, grid.cells()).forEach(bits::set);
                yield CellMask.of(grid, bits);
            }
        };
    }

    /** Cameras of every family in a few groups, one in three like the one before. */
    private static List<Surveyed> fleet(RandomGenerator random) {
        List<Surveyed> fleet = new ArrayList<>();
        Map<String, NativeConfig> last = new HashMap<>();
        for (int i = 0; i < 24; i++) {
            var family = pick(random, FAMILIES);
            var config = last.get(family.name());
            if (config == null || random.nextInt(3) > 0) {
                Map<SettingKey, NativeValue> values = new HashMap<>();
                family.abilities().forEach((key, ability) -> values.put(key, any(ability, random)));
                config = new NativeConfig(values);
                last.put(family.name(), config);
            }
            var group = pick(
                    random,
                    List.of(
                            Node.Group.ROOT,
                            Node.Group.of("quay"),
                            Node.Group.of("quay/north"),
                            Node.Group.of("yard")));
            fleet.add(new Surveyed(new Node.Camera(new RecorderName("r" + i), "01"), group, family, config));
        }
        return fleet;
    }

    private static PolicyBook bookOf(Map<String, String> files) {
        Map<TemplateName, Template> templates = new HashMap<>();
        Map<Node, List<TemplateName>> uses = new HashMap<>();
        List<PolicyOverride> overrides = new ArrayList<>();
        for (var text : files.values()) {
            for (var document : PolicyReader.read(text)) {
                switch (document) {
                    case PolicyDocument.OfTemplate t ->
                        templates.put(t.name(), new Template(t.name(), 1, t.title(), t.base(), t.layer()));
                    case PolicyDocument.OfCalendar c -> throw new IllegalStateException("no calendar is proposed");
                    case PolicyDocument.OfNode n -> {
                        n.use().ifPresent(use -> uses.put(n.node(), use));
                        n.overrides()
                                .statements()
                                .forEach((key, statement) -> overrides.add(new PolicyOverride(
                                        overrides.size(),
                                        n.node(),
                                        key,
                                        statement,
                                        false,
                                        "x",
                                        "x",
                                        Optional.empty())));
                    }
                }
            }
        }
        return new PolicyBook(templates, uses, overrides, LocalDate.EPOCH);
    }

    private static final Set<TemplateName> TAKEN = Set.of(new TemplateName("as-found-1"));

    @RepeatedTest(40)
    void givingTheProposalOutWouldChangeNothingAnywhere(RepetitionInfo repetition) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(repetition.getCurrentRepetition());
        var fleet = fleet(random);
        var book = bookOf(Proposal.describing(fleet, CALENDARS, TAKEN, "as found", "survey")
                .files());
        int held = 0;
        int governed = 0;
        for (var one : fleet) {
            var mask = one.held()
                    .get(Catalogue.AREAS)
                    .filter(NativeValue.Mask.class::isInstance)
                    .map(m -> ((NativeValue.Mask) m).mask());
            var translation = Translator.translate(book.of(one.camera(), one.group()), one.family(), mask, CALENDARS);
            assertThat(Changes.between(translation, one.held()))
                    .as("%s of %s", one.camera(), one.family().name())
                    .isEmpty();
            held += one.held().values().size();
            governed += (int) one.held().values().keySet().stream()
                    .filter(key -> translation.wanted(key).isPresent())
                    .count();
        }
        // It is not by saying nothing that nothing would change.
        assertThat(governed).isGreaterThan(held * 9 / 10);
    }

    @Test
    void groupsThatHoldTheSameShareATemplateAndOnlyTheStrayIsOverridden() {
        var tern = Families.shipped().named("tern").orElseThrow();
        var common = new NativeConfig(Map.of(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("60"))));
        var stray = new NativeConfig(Map.of(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("35"))));
        List<Surveyed> fleet = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            fleet.add(new Surveyed(
                    new Node.Camera(new RecorderName("r" + i), "01"),
                    Node.Group.of(i % 2 == 0 ? "quay" : "yard"),
                    tern,
                    i == 7 ? stray : common));
        }
        var proposal = Proposal.describing(fleet, CALENDARS, TAKEN, "as found", "survey");
        assertThat(proposal.templates()).containsOnlyKeys(new TemplateName("as-found-2"));
        assertThat(proposal.uses()).hasSize(2);
        assertThat(proposal.overrides()).singleElement().satisfies(o -> {
            assertThat(o.node().text()).isEqualTo("r7/01");
            assertThat(o.key()).isEqualTo(Catalogue.SENSITIVITY);
        });
        assertThat(Variants.among(fleet)).singleElement().satisfies(v -> {
            assertThat(v.variants()).hasSize(2);
            assertThat(v.oddOnesOut())
                    .singleElement()
                    .satisfies(odd -> assertThat(odd.cameras()).hasSize(1));
        });
    }
}
