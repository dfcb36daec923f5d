package choir.family;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.family.Translation.Wish;
import choir.fleet.Node;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Layer;
import choir.policy.PolicyBook;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.scale.NativeScalar;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TranslatorTest {
    private static final Families FAMILIES = Families.shipped();

    static EffectivePolicy policy(String settings) {
        var read = (choir.document.PolicyDocument.OfTemplate)
                choir.document.PolicyReader.read("template: x\n" + settings).getFirst();
        var name = new TemplateName("x");
        Layer layer = read.layer();
        return new PolicyBook(
                        Map.of(name, new Template(name, 1, "", Optional.empty(), layer)),
                        Map.of(Node.Group.ROOT, List.of(name)),
                        List.of(),
                        LocalDate.EPOCH)
                .of(Node.Group.ROOT);
    }

    private static Wish wish(String family, String settings, choir.policy.SettingKey key) {
        var translation = Translator.translate(
                policy(settings), FAMILIES.named(family).orElseThrow(), Optional.empty(), Calendars.NONE);
        return translation.wishes().get(key);
    }

    @ParameterizedTest
    @CsvSource({
        "gannet,sensitivity: 50,4",
        "gannet,sensitivity: 44,3",
        "tern,sensitivity: 44,44",
        "tern,'sensitivity: auto, else 60',60",
        "tern,threshold: 0.6%,2",
        "tern,threshold: 0.01%,1"
    })
    void motionSettingsGoToTheNearestStep(String family, String setting, String expected) {
        var key = setting.startsWith("threshold") ? Catalogue.THRESHOLD : Catalogue.SENSITIVITY;
        assertThat(((Wish.Wanted) wish(family, "motion: {" + quote(setting) + "}", key)).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read(expected)));
    }

    private static String quote(String setting) {
        int cut = setting.indexOf(": ");
        return setting.substring(0, cut) + ": \"" + setting.substring(cut + 2) + "\"";
    }

    @ParameterizedTest
    @CsvSource({
        "before-event: 1s,recording.before-event,3",
        "before-event: 4s,recording.before-event,6",
        "before-event: 60s,recording.before-event,6",
        "after-event: 11s,recording.after-event,30",
        "frame-rate: 12.5fps,recording.frame-rate,12",
        "frame-rate: 60fps,recording.frame-rate,25"
    })
    void roundingNeverLosesFootageAndIsReported(String setting, String key, String expected) {
        var wanted = (Wish.Wanted) wish("gannet", "recording: {" + setting + "}", new choir.policy.SettingKey(key));
        assertThat(wanted.value()).isEqualTo(new NativeValue.Single(NativeScalar.read(expected)));
        assertThat(wanted.approximated().orElseThrow()).contains("asked").contains("takes");
    }

    @Test
    void whatTheFamilyHasNoPlaceForIsSaid() {
        assertThat(wish("gannet", "motion: {threshold: 1%}", Catalogue.THRESHOLD))
                .isInstanceOfSatisfying(
                        Wish.Cannot.class, c -> assertThat(c.why()).contains("threshold"));
        assertThat(wish("tern", "motion: {sensitivity: auto}", Catalogue.SENSITIVITY))
                .isInstanceOf(Wish.Cannot.class);
        assertThat(wish("tern", "recording: {keep-at-least: 14d}", Catalogue.KEEP_AT_LEAST))
                .isInstanceOf(Wish.Cannot.class);
    }

    @ParameterizedTest
    @CsvSource({
        "tern,'daily motion,alarm','daily motion,alarm',false",
        "tern,daily motion+alarm,daily motion,true",
        "gannet,daily analytics,daily continuous,true",
        "gannet,daily none,daily none,false"
    })
    void aTriggerGoesToItsLaneOrToTheSmallestAboveIt(String family, String week, String taken, boolean note) {
        var wanted = (Wish.Wanted) wish(family, "recording: {week: [\"" + week + "\"]}", Catalogue.WEEK);
        assertThat(NativeText.of(wanted.value())).isEqualTo(taken);
        assertThat(wanted.approximated().isPresent()).isEqualTo(note);
    }

    @Test
    void thresholdCountsTheWatchedCells() {
        var half = "motion: {threshold: 1%, areas: [{ignore: left, rectangle: [[0,0],[0.5,1]]}]}";
        assertThat(((Wish.Wanted) wish("tern", half, Catalogue.THRESHOLD)).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read("2")));
        assertThat(((Wish.Wanted) wish("tern", "motion: {threshold: 1%}", Catalogue.THRESHOLD)).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read("4")));
    }

    @Test
    void ignoringWinsAndTheMostSensitiveAreaCountsOnASingleMask() {
        var settings = "motion: {sensitivity: 40, areas: [{watch: a, rectangle: [[0,0],[1,0.5]], sensitivity: 70},"
                + " {ignore: b, rectangle: [[0,0],[0.5,1]]}]}";
        assertThat(((Wish.Wanted) wish("tern", settings, Catalogue.SENSITIVITY)).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read("70")));
        var mask = ((NativeValue.Mask) ((Wish.Wanted) wish("tern", settings, Catalogue.AREAS)).value()).mask();
        assertThat(mask.count()).isEqualTo(11 * 9);
    }

    @Test
    void aFamilyFileWithFaultsSaysWhere() {
        assertThatThrownBy(() -> FamilyReader.read("""
                        family: x
                        settings:
                          motion.sensitivty: {at: lanes}
                          motion.detection: {at: nowhere}
                          motion.areas: {at: rule tt:R Cells}
                        """))
                .hasMessageContaining("line 3")
                .hasMessageContaining("line 4")
                .hasMessageContaining("grid");
    }

    @Test
    void familiesAreRecognisedByWhatTheDeviceSays() {
        assertThat(FAMILIES.recognise("TERN", "TN-32").map(Family::name)).contains("tern");
        assertThat(FAMILIES.recognise("Skua", "S1")).isEmpty();
    }

    @Test
    void aChoiceIsWrittenInTheDevicesOwnWord() {
        var full = new choir.policy.SettingKey("recording.when-full");
        assertThat(wish("tern", "recording: {when-full: stop}", full))
                .isEqualTo(new Wish.Wanted(new NativeValue.Single(NativeScalar.read("Stop")), Optional.empty()));
        assertThat(wish("gannet", "recording: {when-full: stop}", full))
                .isEqualTo(new Wish.Wanted(new NativeValue.Single(NativeScalar.read("halt")), Optional.empty()));
    }

    @Test
    void aStoreThatTheFamilyDoesNotHaveCannotBeHonoured() {
        assertThat(wish("tern", "recording: {store: tape-1}", new choir.policy.SettingKey("recording.store")))
                .isEqualTo(new Wish.Cannot("tape-1", "Tern TN knows only disk-1, disk-2"));
    }

    @Test
    void aDelayBeforeMotionCountsIsNeverMadeLonger() {
        var delay = new choir.policy.SettingKey("motion.on-delay");
        assertThat(wish("tern", "motion: {on-delay: 20000ms}", delay))
                .isEqualTo(new Wish.Wanted(
                        new NativeValue.Single(NativeScalar.read("10000")),
                        Optional.of("asked 20000ms, the recorder takes 10000ms")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"auto; auto", "'auto, else 60'; auto", "80; 51", "0; 255", "100; 0"})
    void aDeviceThatAdaptsIsToldTo(String asked, String written) {
        assertThat(wish("petrel", "motion: {sensitivity: \"" + asked + "\"}", Catalogue.SENSITIVITY))
                .isEqualTo(new Wish.Wanted(new NativeValue.Single(NativeScalar.read(written)), Optional.empty()));
    }

    /** A quarter of each side of 1920 by 1080 has 129,600 pixels. */
    @ParameterizedTest
    @CsvSource({"1%, 1/4, 1296", "1%, 1/8, 324", "0.25%, 1/2, 1296", "1%, 1, 20000"})
    void aThresholdInPixelsIsCountedAtTheSizeOfAnalysis(String threshold, String size, String pixels) {
        assertThat(wish(
                        "petrel",
                        "motion: {threshold: " + threshold + ", analyse-size: " + size + "}",
                        Catalogue.THRESHOLD))
                .extracting(w -> ((Wish.Wanted) w).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read(pixels)));
    }

    @Test
    void pixelsAreCountedOverTheWatchedPartAndAtTheFactorysSizeWhenNoneIsAsked() {
        var half = "motion: {threshold: 1%, areas: [{ignore: below, rectangle: [[0, 0.5], [1, 1]]}]}";
        assertThat(wish("petrel", half, Catalogue.THRESHOLD))
                .extracting(w -> ((Wish.Wanted) w).value())
                .isEqualTo(new NativeValue.Single(NativeScalar.read("648")));
    }
}
