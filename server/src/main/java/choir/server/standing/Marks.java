package choir.server.standing;

import choir.drift.Cause;
import choir.drift.Deviation;
import choir.fleet.Node;
import choir.policy.SettingKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * For each group and setting the cameras that are drawn one by one: those that are not in tune first, then others, up to a
 * number. Words are made for these few and not for all that are counted.
 */
final class Marks {
    record Seen(Standing camera, Deviation deviation) {}

    /** The marks of one group, by the place of the setting. */
    private static final class OfGroup {
        private final List<List<Seen>> astray = lists();
        private final List<List<Seen>> well = lists();

        private static List<List<Seen>> lists() {
            List<List<Seen>> lists = new ArrayList<>();
            for (int i = 0; i < Tally.settings(); i++) {
                lists.add(new ArrayList<>());
            }
            return lists;
        }
    }

    private final int most;
    private final Map<Node.Group, OfGroup> byGroup = new HashMap<>();

    private Marks(int most) {
        this.most = most;
    }

    static Marks of(Snapshot snapshot, int most) {
        var marks = new Marks(most);
        snapshot.blocks().stream().filter(marks::wants).forEach(b -> b.cameras().forEach(marks::take));
        return marks;
    }

    /** False when every place that the recorder's cameras could fill is full. */
    private boolean wants(Block block) {
        return block.byGroup().entrySet().stream().anyMatch(e -> wants(group(e.getKey()), e.getValue()));
    }

    private boolean wants(OfGroup marks, Tally tally) {
        for (int i = 0; i < Tally.settings(); i++) {
            boolean someAstray = tally.governedAt(i) > tally.inTuneAt(i);
            boolean someWell = tally.inTuneAt(i) > 0;
            if (someAstray && isOpen(marks.astray.get(i)) || someWell && isOpen(marks.well.get(i))) {
                return true;
            }
        }
        return false;
    }

    private boolean isOpen(List<Seen> marks) {
        return marks.size() < most;
    }

    private OfGroup group(Node.Group group) {
        return byGroup.computeIfAbsent(group, g -> new OfGroup());
    }

    private void take(Standing camera) {
        var marks = group(camera.group());
        for (var deviation : camera.deviations()) {
            var of = deviation.cause() == Cause.IN_TUNE ? marks.well : marks.astray;
            Tally.place(deviation.key())
                    .map(of::get)
                    .filter(this::isOpen)
                    .ifPresent(list -> list.add(new Seen(camera, deviation)));
        }
    }

    List<Seen> of(Node.Group group, SettingKey key) {
        var marks = group(group);
        List<Seen> drawn = new ArrayList<>();
        Tally.place(key).ifPresent(i -> {
            drawn.addAll(marks.astray.get(i));
            drawn.addAll(marks.well.get(i));
        });
        return drawn.subList(0, Math.min(most, drawn.size()));
    }
}
