package choir.server.audit;

import choir.server.fleet.StoredRecorder;
import choir.week.PosixZone;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Compares the rules by which devices set their clocks with the zones that were entered; each pair once a day. */
@Component
class ZoneRules {
    private record Pair(String posix, ZoneId zone, LocalDate day) {}

    private final Clock clock;
    private final Cache<Pair, Optional<LocalDateTime>> compared =
            Caffeine.newBuilder().maximumSize(10_000).build();

    ZoneRules(Clock clock) {
        this.clock = clock;
    }

    /** From when on the two clocks differ, on the zone's wall clock; empty when they agree or a rule is not known. */
    Optional<LocalDateTime> firstDifference(StoredRecorder recorder) {
        return recorder.zoneId()
                .flatMap(zone -> compared.get(
                        new Pair(recorder.posixZone(), zone, LocalDate.now(clock)),
                        pair -> PosixZone.parse(pair.posix())
                                .flatMap(rule -> rule.firstDifference(zone, clock.instant()))
                                .map(at -> at.atZone(zone).toLocalDateTime().truncatedTo(ChronoUnit.MINUTES))));
    }
}
