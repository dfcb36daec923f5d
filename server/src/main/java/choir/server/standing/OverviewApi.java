package choir.server.standing;

import choir.drift.Cause;
import choir.drift.Deviation;
import choir.drift.Severity;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The fleet in one sheet: groups down, settings across. */
@RestController
class OverviewApi {
    /** How many cameras a cell draws one by one; of a larger group the worst ones and their number. */
    private static final int MOST_MARKS = 60;

    record Column(String key, String title) {}

    record MemberMark(String camera, String label, String kind, int size, String text) {}

    /**
     * @param marks the members that are not in tune first, at most 60
     * @param members how many the cell stands for
     */
    record Cell(String key, int members, int inTune, List<MemberMark> marks) {}

    record OverviewRow(String group, int cameras, List<Cell> cells) {}

    record AwayRecorder(String recorder, String trouble) {}

    record Overview(
            int cameras,
            int recorders,
            int inTune,
            int drifted,
            int waiting,
            int unknown,
            int atRisk,
            int notGoverned,
            long minutesWithoutRecording,
            List<AwayRecorder> away,
            List<Column> columns,
            List<OverviewRow> rows) {}

    /** A group of the tree with the cameras in it and below it. */
    record GroupRow(
            String group, int direct, int cameras, int inTune, int drifted, int waiting, int unknown, int atRisk) {}

    private final Standings standings;
    private final FleetStore fleet;

    OverviewApi(Standings standings, FleetStore fleet) {
        this.standings = standings;
        this.fleet = fleet;
    }

    @GetMapping("/api/v1/overview")
    Overview overview() {
        var all = standings.all();
        var recorders = fleet.recorders();
        Map<Node.Group, List<Standing>> byGroup = new java.util.TreeMap<>();
        all.forEach(s -> byGroup.computeIfAbsent(s.camera().group(), g -> new ArrayList<>())
                .add(s));
        List<OverviewRow> rows = new ArrayList<>();
        byGroup.forEach((group, members) -> rows.add(new OverviewRow(group.text(), members.size(), cells(members))));
        var counts = Counts.of(all);
        return new Overview(
                all.size(),
                recorders.size(),
                counts.of("in-tune"),
                counts.of("drifted"),
                counts.of("waiting"),
                counts.of("unknown"),
                counts.of("at-risk"),
                counts.of("not-governed"),
                minutesWithoutRecording(all),
                recorders.stream()
                        .filter(r -> !r.trouble().isEmpty())
                        .map(OverviewApi::away)
                        .toList(),
                Catalogue.settings().stream()
                        .map(s -> new Column(s.key().text(), s.title()))
                        .toList(),
                rows);
    }

    /** How many cameras are in each state, looked at once. */
    private record Counts(Map<String, Integer> byState) {
        static Counts of(List<Standing> cameras) {
            Map<String, Integer> byState = new HashMap<>();
            cameras.forEach(c -> c.states().forEach(state -> byState.merge(state, 1, Integer::sum)));
            return new Counts(byState);
        }

        int of(String state) {
            return byState.getOrDefault(state, 0);
        }
    }

    private static AwayRecorder away(StoredRecorder recorder) {
        return new AwayRecorder(recorder.name(), recorder.trouble());
    }

    /** For each camera its worst setting, so that a minute is not counted twice. */
    private static long minutesWithoutRecording(List<Standing> all) {
        return all.stream()
                .mapToLong(s -> s.deviations().stream()
                        .filter(d -> d.cause().isDeviation() && d.severity() == Severity.HIGH)
                        .mapToLong(d -> d.cost().minutesWithoutRecording())
                        .max()
                        .orElse(0))
                .sum();
    }

    /** One setting of one group. Words are made for the few marks that are drawn, not for all that are counted. */
    private static final class Tally {
        private record Seen(Standing member, Deviation deviation) {}

        private int governed;
        private int astray;
        private final List<Seen> drawnAstray = new ArrayList<>();
        private final List<Seen> drawnWell = new ArrayList<>();

        void count(Standing member, Deviation deviation) {
            governed++;
            boolean well = deviation.cause() == Cause.IN_TUNE;
            astray += well ? 0 : 1;
            var drawn = well ? drawnWell : drawnAstray;
            if (drawn.size() < MOST_MARKS) {
                drawn.add(new Seen(member, deviation));
            }
        }

        Cell cell(String key) {
            var marks = Stream.concat(drawnAstray.stream(), drawnWell.stream())
                    .limit(MOST_MARKS)
                    .map(s -> memberMark(s.member(), MarkView.of(List.of(s.deviation()))))
                    .toList();
            return new Cell(key, governed, governed - astray, marks);
        }
    }

    private static List<Cell> cells(List<Standing> members) {
        Map<SettingKey, Tally> tallies = new HashMap<>();
        Catalogue.settings().forEach(s -> tallies.put(s.key(), new Tally()));
        members.forEach(m -> m.deviations().forEach(d -> tallies.get(d.key()).count(m, d)));
        return Catalogue.settings().stream()
                .map(s -> tallies.get(s.key()).cell(s.key().text()))
                .toList();
    }

    private static MemberMark memberMark(Standing member, MarkView mark) {
        return new MemberMark(
                member.camera().camera().text(), member.camera().label(), mark.kind(), mark.size(), mark.text());
    }

    @GetMapping("/api/v1/groups")
    List<GroupRow> groups() {
        Map<Node.Group, List<Standing>> below = new LinkedHashMap<>();
        fleet.groups().forEach(g -> below.put(g, new ArrayList<>()));
        for (var standing : standings.all()) {
            standing.camera().group().chain().forEach(g -> below.get(g).add(standing));
        }
        List<GroupRow> rows = new ArrayList<>();
        below.forEach((group, members) -> {
            var counts = Counts.of(members);
            rows.add(new GroupRow(
                    group.text(),
                    (int) members.stream().filter(in(group)).count(),
                    members.size(),
                    counts.of("in-tune"),
                    counts.of("drifted"),
                    counts.of("waiting"),
                    counts.of("unknown"),
                    counts.of("at-risk")));
        });
        return rows;
    }

    private static Predicate<Standing> in(Node.Group group) {
        return s -> s.camera().group().equals(group);
    }
}
