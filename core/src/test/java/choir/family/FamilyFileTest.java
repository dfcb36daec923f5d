package choir.family;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.document.DocumentException;
import choir.policy.Catalogue;
import choir.scale.NativeScalar;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a family file may say, and what it is told when it says something that cannot be. */
class FamilyFileTest {
    private static String file(String recognise, String setting) {
        return "family: skua\nrecognise: {" + recognise + "}\nsettings:\n  " + setting + "\n";
    }

    private static Family family(String recognise) {
        return FamilyReader.read(file(recognise, "recording.after-event: {at: event-after, from: 1, to: 60}")
                .replace("family: skua", "family: of-" + Integer.toHexString(recognise.hashCode())));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "recording.after-event: {at: event-after, from: 60, to: 1} | from 60 to 1 is no range",
                "recording.after-event: {at: event-after, from: 1, to: 60, step: 0} | a step of 0",
                "recording.after-event: {at: event-after, from: 1, to: 60, factory: 90} | the factory value 90 is none that the device takes (1 to 60)",
                "recording.after-event: {at: event-after, from: 5, to: 20, step: 5, factory: 12} | the factory value 12 is none that the device takes (5, 10, 15, 20)",
                "recording.after-event: {at: event-after, values: [10, 30], factory: 20} | (10, 30)",
                "motion.sensitivity: {at: module x y, from: 1, to: 6, direction: upp} | upp",
                "motion.sensitivity: {at: module x y, from: 6, to: 1, direction: up} | no steps",
                "motion.sensitivity: {at: module x y, from: 1, to: 6, direction: up, factory: 7} | the factory value 7",
                "motion.sensitivity: {at: module x y, from: 1, to: 6, direction: up, factory: auto} | the factory value auto",
                "motion.threshold: {at: rule x y, from: 1, to: 100, step: 5} | a threshold has no step",
                "motion.threshold: {at: rule x y, from: 1, to: 100, factory: 0} | (1 to 100)",
                "recording.when-full: {at: module x y, choices: {overwrite: Loop, stop: Halt}, factory: Overwrite} | (Loop, Halt)",
            })
    void whatCannotBeIsRefusedWithItsLine(String setting, String why) {
        assertThatThrownBy(() -> FamilyReader.read(file("maker: Skua, model: SK", setting)))
                .isInstanceOf(DocumentException.class)
                .hasMessageContaining("line 4")
                .hasMessageContaining(why);
    }

    @Test
    void aStepLeavesOnlyWhatTheDeviceHas() {
        var family = FamilyReader.read(file(
                "maker: Skua, model: SK",
                "recording.after-event: {at: event-after, from: 5, to: 23, step: 5, factory: 10}"));
        var after = (Ability.Numbers) family.ability(Catalogue.AFTER_EVENT).orElseThrow();
        assertThat(after.allowed()).isEqualTo(List.of(5, 10, 15, 20));
        assertThat(after.max()).isEqualTo(20);
        assertThat(after.factory()).contains(new NativeValue.Single(NativeScalar.of(10)));
    }

    @Test
    void whoSaysMostOfTheModelRecognisesIt() {
        var wide = family("maker: Skua, model: SK");
        var narrow = family("maker: Skua, model: SK 4");
        var exact = family("maker: Skua, model: SK 4, exactly: yes");
        var all = Families.shipped().with(List.of(wide, narrow, exact));
        assertThat(all.recognise("skua", "SK 8")).contains(wide);
        assertThat(all.recognise("Skua", "sk 40")).contains(narrow);
        assertThat(all.recognise("Skua", "SK 4")).contains(exact);
        assertThat(all.recognise("Skua", "SL")).isEmpty();
    }

    @Test
    void twoThatRecogniseTheVerySameAreRivals() {
        var wide = family("maker: Skua, model: SK");
        var all = Families.shipped().with(List.of(wide));
        assertThat(all.rival(family("model: sk, maker: SKUA"))).contains(wide);
        assertThat(all.rival(wide)).isEmpty();
        assertThat(all.rival(family("maker: Skua, model: SK 4"))).isEmpty();
        assertThat(all.rival(family("model: SK")))
                .as("one that recognises nothing")
                .isEmpty();
    }
}
