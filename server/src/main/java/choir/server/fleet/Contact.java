package choir.server.fleet;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Whether a recorder answers. */
public sealed interface Contact {
    /** Nobody has asked it anything yet. */
    record NeverTried() implements Contact {}

    /** It answered the last time it was asked; of one without a network interface, a person was there. */
    record Reached(Instant at) implements Contact {}

    /**
     * @param at when it was last tried
     * @param why in words
     * @param lastReached when it last answered; empty when it never did
     */
    record Failed(Instant at, String why, Optional<Instant> lastReached) implements Contact {}

    static Contact of(@Nullable String readAt, @Nullable String triedAt, @Nullable String whyNot) {
        var read = Optional.ofNullable(readAt).map(Instant::parse);
        if (whyNot != null && triedAt != null) {
            return new Failed(Instant.parse(triedAt), whyNot, read);
        }
        return read.<Contact>map(Reached::new).orElseGet(NeverTried::new);
    }

    default Optional<String> trouble() {
        return this instanceof Failed f ? Optional.of(f.why()) : Optional.empty();
    }

    default Optional<Instant> lastReached() {
        return switch (this) {
            case NeverTried n -> Optional.empty();
            case Reached(var at) -> Optional.of(at);
            case Failed f -> f.lastReached();
        };
    }
}
