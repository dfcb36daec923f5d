package choir.server.audit;

import choir.drift.Severity;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.web.Dates;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * Which findings are meant; what is missing narrows nothing.
 *
 * @param severity at least this
 * @param before first seen before that day
 * @param assigned to that person; an empty text for those that nobody sees to
 */
record FindingFilter(
        Optional<Severity> severity,
        Optional<String> cause,
        Optional<SettingKey> setting,
        Optional<Instant> before,
        Optional<String> assigned)
        implements Predicate<Finding> {
    static final FindingFilter ALL =
            new FindingFilter(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    /** What a request asked for, in its words. */
    record Words(
            @Nullable String severity,
            @Nullable String cause,
            @Nullable String setting,
            @Nullable String before,
            @Nullable String assigned) {
        FindingFilter filter(ZoneId zone) {
            return new FindingFilter(
                    said(severity).map(Severity::named),
                    said(cause),
                    said(setting).map(key -> Catalogue.named(key).key()),
                    said(before)
                            .map(Dates::parse)
                            .map((LocalDate day) -> day.atStartOfDay(zone).toInstant()),
                    Optional.ofNullable(assigned));
        }

        private static Optional<String> said(@Nullable String text) {
            return Optional.ofNullable(text).filter(t -> !t.isBlank());
        }
    }

    @Override
    public boolean test(Finding finding) {
        return severity.filter(least -> finding.severity().compareTo(least) < 0).isEmpty()
                && cause.filter(c -> !c.equals(finding.why())).isEmpty()
                && setting.filter(key -> !finding.matter().setting().equals(Optional.of(key)))
                        .isEmpty()
                && before.filter(day -> !finding.firstSeen().isBefore(day)).isEmpty()
                && assigned.filter(to -> !to.equals(
                                finding.assignment().map(Finding.Assignment::to).orElse("")))
                        .isEmpty();
    }

    List<Finding> of(List<Finding> findings) {
        return findings.stream().filter(this).toList();
    }
}
