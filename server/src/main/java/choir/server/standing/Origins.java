package choir.server.standing;

import choir.policy.Effective;
import choir.policy.Origin;
import choir.policy.Sourced;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Where a setting comes from, in words; a week or a list of areas may come from several places. */
public final class Origins {
    private Origins() {}

    public static String text(Effective effective) {
        return origins(effective).map(Origin::text).distinct().collect(Collectors.joining("; "));
    }

    /** The same without the places where they stand. */
    public static String sources(Effective effective) {
        return origins(effective).map(Origin::source).distinct().collect(Collectors.joining("; "));
    }

    static Stream<Origin> origins(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> Stream.of(s.value().origin());
            case Effective.Hours h ->
                h.voices().runs().stream().map(r -> r.value().origin());
            case Effective.Levels l ->
                l.voices().runs().stream().map(r -> r.value().origin()).distinct();
            case Effective.SpecialDays d -> d.byCalendar().values().stream().map(Sourced::origin);
            case Effective.Areas a -> a.byName().values().stream().flatMap(Origins::ofArea);
        };
    }

    static Stream<Origin> ofArea(Effective.Area area) {
        return Stream.of(area.kind(), area.shape(), area.sensitivity(), area.threshold())
                .flatMap(Optional::stream)
                .map(Sourced::origin);
    }
}
