package choir.server.forecast;

import choir.family.Ability;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Value;
import choir.scale.NativeScalar;
import choir.server.activity.MeasureStore.Measure;
import choir.server.standing.Standing;
import choir.storage.Assumed;
import choir.storage.Footing;
import choir.storage.Usage;
import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What one camera is expected to put on its disk.
 *
 * @param standing where it stands now
 * @param footing what the figures rest on; empty when nobody knows what its recorder is set to
 * @param now as its recorder is set, or was when it was last read
 * @param then as it would be set
 */
record CameraOutlook(
        Standing standing, Optional<Footing> footing, Measure measure, Optional<As> now, Optional<As> then) {
    /**
     * As it is set, or would be.
     *
     * @param store how policies call where it is put, without a name where the recorder has only one; empty when that is not
     *     known
     * @param wanted for how many days at least it is to be kept
     * @param allowed for how many days at most the recorder keeps it
     * @param usage empty when it does not show when it records
     */
    record As(
            NativeConfig config,
            Optional<String> store,
            OptionalInt wanted,
            OptionalInt allowed,
            Optional<Usage> usage) {}

    /** @param then what it would hold, and what would be asked of it; what it holds when not known */
    static CameraOutlook of(
            Standing standing,
            Measure measure,
            Optional<NativeConfig> then,
            EffectivePolicy asked,
            Assumed assumed,
            LocalDate from) {
        var held = standing.observation().map(o -> o.content().config());
        var footing = held.map(h -> new Footing(
                standing.family(),
                h,
                measure.movement(),
                measure.bits().average(),
                measure.bits().most(),
                assumed));
        return new CameraOutlook(
                standing,
                footing,
                measure,
                held.map(h -> as(standing, h, standing.policy(), footing.orElseThrow(), from)),
                held.map(h -> as(standing, then.orElse(h), asked, footing.orElseThrow(), from)));
    }

    private static As as(
            Standing standing, NativeConfig config, EffectivePolicy policy, Footing footing, LocalDate from) {
        return new As(
                config,
                store(standing, config),
                days(policy.scalar(Catalogue.KEEP_AT_LEAST)),
                days(config),
                Usage.of(config, footing, from));
    }

    private static Optional<String> store(Standing standing, NativeConfig config) {
        return standing.family().ability(Catalogue.STORE).orElse(null) instanceof Ability.Choice choice
                ? config.get(Catalogue.STORE).flatMap(choice::meant)
                : Optional.of("");
    }

    private static OptionalInt days(Optional<? extends Value> value) {
        return value.orElse(null) instanceof Value.Amount(var number, var _)
                ? OptionalInt.of(number.intValue())
                : OptionalInt.empty();
    }

    private static OptionalInt days(NativeConfig config) {
        return config.get(Catalogue.KEEP_AT_MOST).orElse(null)
                                instanceof NativeValue.Single(NativeScalar.Number(var number))
                        && number.signum() > 0
                ? OptionalInt.of(number.intValue())
                : OptionalInt.empty();
    }
}
