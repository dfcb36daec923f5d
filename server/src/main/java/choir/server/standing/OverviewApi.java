package choir.server.standing;

import choir.drift.Severity;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
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
        return new Overview(
                all.size(),
                recorders.size(),
                count(all, "in-tune"),
                count(all, "drifted"),
                count(all, "waiting"),
                count(all, "unknown"),
                count(all, "at-risk"),
                count(all, "not-governed"),
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

    private static AwayRecorder away(StoredRecorder recorder) {
        return new AwayRecorder(recorder.name(), recorder.trouble());
    }

    private static int count(List<Standing> all, String state) {
        return (int) all.stream().filter(s -> s.states().contains(state)).count();
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

    private static List<Cell> cells(List<Standing> members) {
        return Catalogue.settings().stream()
                .map(setting -> {
                    List<MemberMark> astray = new ArrayList<>();
                    List<MemberMark> well = new ArrayList<>();
                    for (var member : members) {
                        var deviation = member.deviation(setting.key());
                        var mark = MarkView.of(deviation.stream().toList());
                        var quiet = mark.kind().equals("in-tune") || mark.kind().equals("not-governed");
                        (quiet ? well : astray).add(memberMark(member, mark));
                    }
                    int governed = (int) members.stream()
                            .filter(m -> m.deviation(setting.key()).isPresent())
                            .count();
                    int astrayCount = astray.size();
                    well.removeIf(m -> m.kind().equals("not-governed"));
                    astray.addAll(well);
                    return new Cell(
                            setting.key().text(),
                            governed,
                            governed - astrayCount,
                            List.copyOf(astray.subList(0, Math.min(MOST_MARKS, astray.size()))));
                })
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
        below.forEach((group, members) -> rows.add(new GroupRow(
                group.text(),
                (int) members.stream().filter(in(group)).count(),
                members.size(),
                count(members, "in-tune"),
                count(members, "drifted"),
                count(members, "waiting"),
                count(members, "unknown"),
                count(members, "at-risk"))));
        return rows;
    }

    private static Predicate<Standing> in(Node.Group group) {
        return s -> s.camera().group().equals(group);
    }
}
