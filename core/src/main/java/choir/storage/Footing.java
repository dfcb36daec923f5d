package choir.storage;

import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * What is known of one camera beside its settings, and what is assumed instead.
 *
 * @param held what its recorder was set to when it told its bits
 * @param movement how often its detection saw motion; empty when that was not counted
 * @param averageBits bits a second of what it recorded, by the recorder's own account
 * @param mostBits bits a second that its encoder is set not to exceed
 */
public record Footing(
        Family family,
        NativeConfig held,
        Optional<Movement> movement,
        OptionalLong averageBits,
        OptionalLong mostBits,
        Assumed assumed) {
    /**
     * The bits of a camera that is set so. With fewer pictures a second it is as many less in proportion; nothing that was
     * told of one stream says anything of another.
     */
    Rate rate(NativeConfig config) {
        double pictures = frames(config) / frames(held);
        if (isMain(config) == isMain(held)) {
            if (averageBits.isPresent()) {
                return Rate.measured(averageBits.getAsLong()).times(pictures);
            }
            if (mostBits.isPresent()) {
                return Rate.capped(mostBits.getAsLong()).times(Math.min(1, pictures));
            }
        }
        long full = isMain(config) ? assumed.mainBits() : assumed.smallBits();
        return Rate.assumed(full).times(frames(config) / Assumed.FULL_RATE);
    }

    private boolean isMain(NativeConfig config) {
        return word(family, config, Catalogue.STREAM).orElse("main").equals("main");
    }

    /** What a choice of the recorder means, in our words. */
    static Optional<String> word(Family family, NativeConfig config, SettingKey key) {
        return family.ability(key)
                .flatMap(ability -> ability instanceof Ability.Choice choice
                        ? config.get(key).flatMap(choice::meant)
                        : Optional.empty());
    }

    private static double frames(NativeConfig config) {
        return Math.clamp(Usage.number(config, Catalogue.FRAME_RATE).orElse(Assumed.FULL_RATE), 0.1, Assumed.FULL_RATE);
    }
}
