package choir.family;

import choir.policy.SettingKey;
import java.util.Collections;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A kind of recorder with the same abilities and scales, described by a family file.
 *
 * @param maker what the device must say as its manufacturer
 * @param model how its model must begin
 * @param exactly the model is all of what it must say
 * @param pause what stops recording while a channel's settings are written
 * @param connections how many calls the device takes at once
 * @param sleeps the first call after a rest wakes the device and gets no answer
 * @param tests what is told to a device, as an auxiliary command of the open standard, so that it does what it would do when
 *     something moves; {@code {channel}} stands for the channel
 * @param onSite the device has no network interface; a person reads and sets it from a work sheet
 */
public record Family(
        String name,
        String title,
        String maker,
        String model,
        boolean exactly,
        Pause pause,
        int connections,
        boolean sleeps,
        boolean onSite,
        Map<SettingKey, String> tests,
        Map<SettingKey, Ability> abilities) {
    public enum Pause {
        NOTHING,
        CHANNEL,
        ALL_CHANNELS
    }

    public Family {
        tests = Map.copyOf(tests);
        abilities = Collections.unmodifiableMap(new TreeMap<>(abilities));
    }

    /** Stands for a family of which nothing is known; it can do nothing. */
    public static Family unknown(String name) {
        return new Family(name, name, "", "", false, Pause.CHANNEL, 1, false, false, Map.of(), Map.of());
    }

    public Optional<Ability> ability(SettingKey key) {
        return Optional.ofNullable(abilities.get(key));
    }

    /** What is told to the device to try that response at a channel; empty where it has no test of it. */
    public Optional<String> test(SettingKey key, String channel) {
        return Optional.ofNullable(tests.get(key)).map(command -> command.replace("{channel}", channel));
    }

    public boolean recognises(String manufacturer, String deviceModel) {
        return !maker.isEmpty()
                && manufacturer.equalsIgnoreCase(maker)
                && (exactly
                        ? deviceModel.equalsIgnoreCase(model)
                        : deviceModel.toLowerCase(Locale.ROOT).startsWith(model.toLowerCase(Locale.ROOT)));
    }

    public Optional<NativeValue> factory(SettingKey key) {
        return ability(key).flatMap(Ability::factory);
    }
}
