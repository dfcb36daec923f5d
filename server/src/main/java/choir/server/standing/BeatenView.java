package choir.server.standing;

import choir.policy.Sourced;
import java.util.List;
import java.util.function.Function;

/** A candidate that a nearer one has beaten. */
public record BeatenView(String value, OriginView origin) {
    static <T> List<BeatenView> of(Sourced<T> sourced, Function<T, String> text) {
        return sourced.beaten().stream()
                .map(b -> new BeatenView(text.apply(b.value()), OriginView.of(b.origin())))
                .toList();
    }
}
