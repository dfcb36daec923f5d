package choir.server.audit;

import choir.drift.Matter;
import choir.drift.Peers;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.server.db.Database;
import choir.server.fleet.StoredCamera;
import choir.server.standing.Standing;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Compares values with those of the peers, once all were read. Only of what nobody governs: where a policy speaks, it says
 * why a value is as it is, and what is not as asked is drift.
 */
@Component
class PeerCheck {
    private record Group(String group, String family, SettingKey key) {}

    private final FindingStore findings;
    private final Database database;

    PeerCheck(FindingStore findings, Database database) {
        this.findings = findings;
        this.database = database;
    }

    void look(long audit, List<Standing> audited) {
        Map<Long, List<Seen>> seen = seen(audited);
        Map<Long, StoredCamera> read = new HashMap<>();
        audited.stream()
                .filter(s -> s.held().isPresent())
                .forEach(s -> read.put(s.row().id(), s.row()));
        findings.withOutliers().stream().filter(read::containsKey).forEach(c -> seen.putIfAbsent(c, List.of()));
        seen.forEach((camera, outliers) -> database.write(() -> findings.take(
                audit,
                read.get(camera),
                outliers,
                matter -> matter instanceof Matter.Outlier ? Optional.of("like its peers again") : Optional.empty())));
    }

    private static Map<Long, List<Seen>> seen(List<Standing> audited) {
        Map<Group, Map<Standing, BigDecimal>> groups = new LinkedHashMap<>();
        for (var standing : audited) {
            standing.held()
                    .ifPresent(held -> held.values().forEach((key, value) -> {
                        if (value instanceof NativeValue.Single(NativeScalar.Number(var number))) {
                            var group = new Group(standing.group().text(), standing.familyName(), key);
                            groups.computeIfAbsent(group, g -> new LinkedHashMap<>())
                                    .put(standing, number);
                        }
                    }));
        }
        Map<Long, List<Seen>> seen = new LinkedHashMap<>();
        groups.forEach((group, values) -> Peers.outliers(values).forEach((standing, outlier) -> {
            if (standing.policy().get(group.key()).isEmpty()) {
                seen.computeIfAbsent(standing.row().id(), c -> new ArrayList<>())
                        .add(Seen.outlier(group.key(), outlier));
            }
        }));
        return seen;
    }
}
