package choir.family;

import choir.policy.SettingKey;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What a camera's effective policy asks of its recorder, setting by setting. */
public record Translation(Map<SettingKey, Wish> wishes) {
    public sealed interface Wish {
        /**
         * @param value what the recorder ought to hold; a week may be partial, the rest is then not governed
         * @param approximated in words, what comes out different from what was asked
         */
        record Wanted(NativeValue value, Optional<String> approximated) implements Wish {}

        /** The family has no place for it. */
        record Cannot(String asked, String why) implements Wish {}
    }

    public Translation {
        wishes = Collections.unmodifiableMap(new TreeMap<>(wishes));
    }

    public Optional<NativeValue> wanted(SettingKey key) {
        return wishes.get(key) instanceof Wish.Wanted w ? Optional.of(w.value()) : Optional.empty();
    }
}
