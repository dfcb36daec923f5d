package choir.server.audit;

import choir.drift.Matter;
import choir.drift.Peers;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.server.db.Database;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/**
 * Compares values with those of the peers, all of the same group and family, once all were read; also of those that the audit
 * was not about. Only of what nobody governs: where a policy speaks, it says why a value is as it is, and what is not as asked
 * is drift. Where too few peers could be read nobody can tell, and what was known stays.
 */
@Component
class PeerCheck {
    private record Place(Node.Group group, String family) {}

    private final Standings standings;
    private final FindingStore findings;
    private final Database database;

    PeerCheck(Standings standings, FindingStore findings, Database database) {
        this.standings = standings;
        this.findings = findings;
        this.database = database;
    }

    void look(long audit, List<Standing> audited, Selection selection) {
        var known = Set.copyOf(findings.withOutliers());
        Set<Long> meant = new HashSet<>();
        audited.forEach(s -> meant.add(s.row().id()));
        for (var members : places(audited, selection)) {
            var judged = judged(members);
            for (var member : members) {
                long camera = member.row().id();
                if (meant.contains(camera) && member.held().isPresent()) {
                    var seen = seen(member, judged);
                    if (!seen.isEmpty() || known.contains(camera)) {
                        database.write(() ->
                                findings.take(audit, member.row(), seen, matter -> ending(matter, member, judged)));
                    }
                }
            }
        }
    }

    /** The cameras of each place at which some are audited, one place after the other. */
    private Iterable<List<Standing>> places(List<Standing> audited, Selection selection) {
        Map<Place, List<Standing>> places = new LinkedHashMap<>();
        audited.forEach(
                s -> places.computeIfAbsent(place(s), p -> new ArrayList<>()).add(s));
        if (!selection.alternatives().isEmpty()) {
            places.replaceAll((place, some) -> standings.select(Selection.within(place.group())).stream()
                    .filter(s -> place(s).equals(place))
                    .toList());
        }
        return places.values();
    }

    private static Place place(Standing standing) {
        return new Place(standing.group(), standing.familyName());
    }

    /** For each setting that somebody has without a policy: who is away from the peers; missing where nobody can tell. */
    private static Map<SettingKey, Map<Long, Peers.Outlier>> judged(List<Standing> members) {
        boolean allRead = members.stream().allMatch(m -> m.held().isPresent());
        Map<SettingKey, Map<Long, Peers.Outlier>> judged = new TreeMap<>();
        for (var key : free(members)) {
            Map<Long, BigDecimal> values = new HashMap<>();
            members.forEach(
                    m -> number(m, key).ifPresent(n -> values.put(m.row().id(), n)));
            if (allRead || Peers.areEnough(values.size())) {
                judged.put(key, Peers.outliers(values));
            }
        }
        return judged;
    }

    private static Set<SettingKey> free(List<Standing> members) {
        Set<SettingKey> free = new HashSet<>();
        for (var member : members) {
            member.held()
                    .ifPresent(held -> held.values().keySet().stream()
                            .filter(key -> isFree(member, key))
                            .forEach(free::add));
        }
        return free;
    }

    private static boolean isFree(Standing standing, SettingKey key) {
        return standing.policy().get(key).isEmpty();
    }

    private static Optional<BigDecimal> number(Standing standing, SettingKey key) {
        return standing.held()
                .flatMap(held -> held.get(key))
                .flatMap(value -> value instanceof NativeValue.Single(NativeScalar.Number(var number))
                        ? Optional.of(number)
                        : Optional.empty());
    }

    private static List<Seen> seen(Standing member, Map<SettingKey, Map<Long, Peers.Outlier>> judged) {
        List<Seen> seen = new ArrayList<>();
        judged.forEach((key, outliers) -> {
            var outlier = outliers.get(member.row().id());
            if (outlier != null && isFree(member, key)) {
                seen.add(Seen.outlier(key, outlier));
            }
        });
        return seen;
    }

    private static Optional<String> ending(
            Matter matter, Standing member, Map<SettingKey, Map<Long, Peers.Outlier>> judged) {
        if (!(matter instanceof Matter.Outlier(var key))) {
            return Optional.empty();
        }
        if (!isFree(member, key)) {
            return Optional.of("a policy speaks of it now");
        }
        return judged.containsKey(key) ? Optional.of("like its peers again") : Optional.empty();
    }
}
