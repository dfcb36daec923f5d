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
 * @param pause what stops recording while a channel's settings are written
 * @param connections how many calls the device takes at once
 */
public record Family(
        String name,
        String title,
        String maker,
        String model,
        Pause pause,
        int connections,
        Map<SettingKey, Ability> abilities) {
    public enum Pause {
        NOTHING,
        CHANNEL,
        ALL_CHANNELS
    }

    public Family {
        abilities = Collections.unmodifiableMap(new TreeMap<>(abilities));
    }

    public Optional<Ability> ability(SettingKey key) {
        return Optional.ofNullable(abilities.get(key));
    }

    public boolean recognises(String manufacturer, String deviceModel) {
        return manufacturer.equalsIgnoreCase(maker)
                && deviceModel.toLowerCase(Locale.ROOT).startsWith(model.toLowerCase(Locale.ROOT));
    }

    public Optional<NativeValue> factory(SettingKey key) {
        return ability(key).flatMap(Ability::factory);
    }
}
