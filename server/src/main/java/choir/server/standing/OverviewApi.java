package choir.server.standing;

import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PauseStore;
import choir.server.reach.Reach;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The fleet in one sheet: groups down, settings across. */
@RestController
class OverviewApi {
    /** How many cameras a cell draws one by one; of a larger group the worst ones and their number. */
    private static final int MOST_MARKS = 60;

    private static final int MOST_SAID = 100;

    record Column(String key, String title) {}

    record MemberMark(String camera, String label, String kind, int size, String text) {}

    /**
     * @param marks the members that are not in tune first, at most 60
     * @param members how many the cell stands for
     */
    record Cell(String key, int members, int inTune, List<MemberMark> marks) {}

    record OverviewRow(String group, int cameras, List<Cell> cells) {}

    /**
     * @param away by their reasons, at most a hundred
     * @param paused in words, at most the first hundred by name
     */
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
            List<Away> away,
            List<String> paused,
            List<Column> columns,
            List<OverviewRow> rows) {}

    /** A group of the tree with the cameras in it and below it. */
    record GroupRow(
            String group, int direct, int cameras, int inTune, int drifted, int waiting, int unknown, int atRisk) {}

    private final Standings standings;
    private final FleetStore fleet;
    private final PauseStore pauses;

    OverviewApi(Standings standings, FleetStore fleet, PauseStore pauses) {
        this.pauses = pauses;
        this.standings = standings;
        this.fleet = fleet;
    }

    @GetMapping("/api/v1/overview")
    Overview overview() {
        var snapshot = standings.seen();
        var byGroup = snapshot.byGroup();
        var all = new Tally();
        byGroup.values().forEach(all::add);
        var marks = Marks.of(snapshot, MOST_MARKS);
        List<OverviewRow> rows = new ArrayList<>();
        byGroup.forEach(
                (group, tally) -> rows.add(new OverviewRow(group.text(), tally.cameras(), cells(group, tally, marks))));
        return new Overview(
                all.cameras(),
                snapshot.blocks().size(),
                all.in(CameraState.IN_TUNE),
                all.in(CameraState.DRIFTED),
                all.in(CameraState.WAITING),
                all.in(CameraState.UNKNOWN),
                all.in(CameraState.AT_RISK),
                all.in(CameraState.NOT_GOVERNED),
                all.minutesWithoutRecording(),
                Away.of(snapshot.blocks().stream().map(Block::recorder).toList()).stream()
                        .limit(MOST_SAID)
                        .toList(),
                pauses.inForce().entrySet().stream()
                        .filter(e -> snapshot.block(e.getKey()).isPresent())
                        .map(e -> e.getValue().words(e.getKey()))
                        .sorted()
                        .limit(MOST_SAID)
                        .toList(),
                Catalogue.settings().stream()
                        .map(s -> new Column(s.key().text(), s.title()))
                        .toList(),
                rows);
    }

    private static List<Cell> cells(Node.Group group, Tally tally, Marks marks) {
        return Catalogue.settings().stream()
                .map(s -> new Cell(
                        s.key().text(),
                        tally.governed(s.key()),
                        tally.inTune(s.key()),
                        marks.of(group, s.key()).stream()
                                .map(seen -> memberMark(seen.camera(), MarkView.of(List.of(seen.deviation()))))
                                .toList()))
                .toList();
    }

    private static MemberMark memberMark(Standing member, MarkView mark) {
        return new MemberMark(member.camera().text(), member.row().label(), mark.kind(), mark.size(), mark.text());
    }

    @GetMapping("/api/v1/groups")
    List<GroupRow> groups() {
        var direct = standings.seen().byGroup();
        Map<Node.Group, Tally> below = new TreeMap<>();
        fleet.groups().stream().filter(Reach.current()::touches).forEach(g -> below.put(g, new Tally()));
        // A group of a camera is in the snapshot when it is on the disk, or a moment before it is gone from there.
        direct.forEach((group, tally) -> group.chain()
                .forEach(g -> below.computeIfAbsent(g, x -> new Tally()).add(tally)));
        List<GroupRow> rows = new ArrayList<>();
        below.forEach((group, tally) -> rows.add(new GroupRow(
                group.text(),
                direct.containsKey(group) ? direct.get(group).cameras() : 0,
                tally.cameras(),
                tally.in(CameraState.IN_TUNE),
                tally.in(CameraState.DRIFTED),
                tally.in(CameraState.WAITING),
                tally.in(CameraState.UNKNOWN),
                tally.in(CameraState.AT_RISK))));
        return rows;
    }
}
