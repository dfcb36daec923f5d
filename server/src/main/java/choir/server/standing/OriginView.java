package choir.server.standing;

import choir.policy.Origin;
import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Where a value comes from.
 *
 * @param because, author and until of an override; until is missing when it has no end
 */
public record OriginView(
        String text,
        String kind,
        String node,
        @Nullable String template,
        @Nullable String because,
        @Nullable String author,
        @Nullable String until) {
    private enum Kind {
        TEMPLATE,
        OVERRIDE;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    static OriginView of(Origin origin) {
        return switch (origin) {
            case Origin.FromTemplate t ->
                new OriginView(
                        t.text(),
                        Kind.TEMPLATE.word(),
                        t.node().text(),
                        t.template().text(),
                        null,
                        null,
                        null);
            case Origin.FromOverride o ->
                new OriginView(
                        o.text(),
                        Kind.OVERRIDE.word(),
                        o.node().text(),
                        null,
                        o.because(),
                        o.author(),
                        o.until().map(LocalDate::toString).orElse(null));
        };
    }
}
