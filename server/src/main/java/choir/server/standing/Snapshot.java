package choir.server.standing;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.reach.Reach;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Where every camera stood at one moment. It never changes, so that whoever looks at it waits for nobody; what is asked of
 * it more than once is worked out once.
 */
final class Snapshot {
    private static final int MOST_COUNTED = 200;
    /** With more recorders changed at once it is cheaper to work things out when they are asked for. */
    private static final int MOST_ADJUSTED = 64;

    /** A part of the cameras that a selection means. */
    record Part(List<Standing> cameras, @Nullable String next, int total) {}

    private final LocalDate day;
    private final Said said;
    private final Block[] blocks;
    private final int cameras;
    private final Cache<String, Integer> counts =
            Caffeine.newBuilder().maximumSize(MOST_COUNTED).build();
    private volatile @Nullable Map<Node.Group, Tally> byGroup;

    private Snapshot(LocalDate day, Said said, Block[] blocks) {
        this.day = day;
        this.said = said;
        this.blocks = blocks;
        this.cameras =
                Arrays.stream(blocks).mapToInt(b -> b.summary().cameras()).sum();
    }

    static Snapshot of(LocalDate day, Said said, List<Block> blocks) {
        var sorted = blocks.toArray(Block[]::new);
        Arrays.sort(sorted, Comparator.comparing(Block::name));
        return new Snapshot(day, said, sorted);
    }

    /**
     * This snapshot with some recorders as they stand now.
     *
     * @param fresh by name; empty for those that are gone
     */
    Snapshot with(Said now, Map<String, Optional<Block>> fresh) {
        boolean sameRecorders = fresh.entrySet().stream()
                .allMatch(e -> e.getValue().isPresent() && block(e.getKey()).isPresent());
        if (sameRecorders) {
            var copy = blocks.clone();
            fresh.forEach((name, block) -> copy[place(name)] = block.orElseThrow());
            var next = new Snapshot(day, now, copy);
            if (fresh.size() <= MOST_ADJUSTED) {
                next.takeOver(this, fresh.keySet());
            }
            return next;
        }
        List<Block> all = new ArrayList<>();
        for (var block : blocks) {
            if (!fresh.containsKey(block.name())) {
                all.add(block);
            }
        }
        fresh.values().forEach(block -> block.ifPresent(all::add));
        return of(day, now, all);
    }

    /** What of it lies within reach: those cameras, and their recorders. */
    Snapshot within(Reach reach) {
        List<Block> seen = new ArrayList<>();
        for (var block : blocks) {
            block.within(reach).ifPresent(seen::add);
        }
        return new Snapshot(day, said, seen.toArray(Block[]::new));
    }

    /** What was asked of the one before is not worked out anew over all recorders when a few have changed. */
    private void takeOver(Snapshot before, Collection<String> changed) {
        var sums = before.byGroup;
        if (sums != null) {
            Map<Node.Group, Tally> adjusted = new TreeMap<>(sums);
            for (var name : changed) {
                int place = place(name);
                before.blocks[place].byGroup().forEach((group, tally) -> adjusted.merge(group, tally, Tally::minus));
                blocks[place].byGroup().forEach((group, tally) -> adjusted.merge(group, tally, Tally::plus));
            }
            adjusted.values().removeIf(t -> t.cameras() == 0);
            byGroup = adjusted;
        }
        before.counts.asMap().forEach((text, count) -> {
            var selection = Selection.parse(text);
            int now = count;
            for (var name : changed) {
                int place = place(name);
                now += blocks[place].count(selection) - before.blocks[place].count(selection);
            }
            counts.put(text, now);
        });
    }

    LocalDate day() {
        return day;
    }

    Said said() {
        return said;
    }

    /** In the order of their recorders' names. */
    List<Block> blocks() {
        return Collections.unmodifiableList(Arrays.asList(blocks));
    }

    int cameras() {
        return cameras;
    }

    /** The place of the first block that is not before that name. */
    private int place(String recorder) {
        int low = 0;
        int high = blocks.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (blocks[middle].name().compareTo(recorder) < 0) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    Optional<Block> block(String recorder) {
        int place = place(recorder);
        return place < blocks.length && blocks[place].name().equals(recorder)
                ? Optional.of(blocks[place])
                : Optional.empty();
    }

    Optional<Standing> of(Node.Camera camera) {
        return block(camera.recorder().text())
                .flatMap(b -> b.cameras().stream()
                        .filter(s -> s.camera().equals(camera))
                        .findFirst());
    }

    /** Gives every camera that is meant, in order. */
    void each(Selection selection, Consumer<Standing> consumer) {
        for (var block : blocks) {
            if (block.mayHold(selection)) {
                for (var camera : block.cameras()) {
                    if (selection.test(camera)) {
                        consumer.accept(camera);
                    }
                }
            }
        }
    }

    List<Standing> select(Selection selection) {
        List<Standing> all = new ArrayList<>();
        each(selection, all::add);
        return all;
    }

    int count(Selection selection) {
        return selection.alternatives().isEmpty()
                ? cameras
                : counts.get(selection.text(), text -> {
                    int[] count = new int[1];
                    each(selection, c -> count[0]++);
                    return count[0];
                });
    }

    /**
     * The cameras after the cursor, which is a camera; when that is gone meanwhile, those after the place where it was.
     *
     * @param limit how many at most
     */
    Part part(Selection selection, Optional<Node.Camera> after, int limit) {
        List<Standing> found = new ArrayList<>();
        boolean more = false;
        int first = after.map(c -> place(c.recorder().text())).orElse(0);
        for (int i = first; i < blocks.length && !more; i++) {
            var block = blocks[i];
            if (!block.mayHold(selection)) {
                continue;
            }
            for (var camera : block.cameras()) {
                boolean isPast = after.isPresent() && compare(camera.camera(), after.get()) <= 0;
                if (isPast || !selection.test(camera)) {
                    continue;
                }
                if (found.size() == limit) {
                    more = true;
                    break;
                }
                found.add(camera);
            }
        }
        var next = more ? found.getLast().camera().text() : null;
        return new Part(found, next, count(selection));
    }

    /**
     * The cameras after a place in another order. All that are meant are looked at, and no more than one part of them kept.
     *
     * @param limit how many at most
     */
    Part part(Selection selection, CameraOrder order, Optional<CameraOrder.Place> after, int limit) {
        record Placed(CameraOrder.Place place, Standing camera) {}
        Comparator<Placed> inOrder = Comparator.comparing(Placed::place, order);
        var first = new PriorityQueue<>(limit + 1, inOrder.reversed());
        each(selection, camera -> {
            var place = order.place(camera);
            boolean isPast = after.isPresent() && order.compare(place, after.get()) <= 0;
            boolean isLate =
                    first.size() > limit && order.compare(place, first.element().place()) > 0;
            if (!isPast && !isLate) {
                first.add(new Placed(place, camera));
                if (first.size() > limit + 1) {
                    first.remove();
                }
            }
        });
        boolean more = first.size() > limit;
        var found = first.stream().sorted(inOrder).limit(limit).toList();
        return new Part(
                found.stream().map(Placed::camera).toList(),
                more ? found.getLast().place().text() : null,
                count(selection));
    }

    static int compare(Node.Camera a, Node.Camera b) {
        int byRecorder = a.recorder().compareTo(b.recorder());
        return byRecorder != 0 ? byRecorder : a.channel().compareTo(b.channel());
    }

    /** How the cameras that stand in each group itself stand. */
    Map<Node.Group, Tally> byGroup() {
        var known = byGroup;
        if (known == null) {
            Map<Node.Group, Tally> sums = new HashMap<>();
            for (var block : blocks) {
                block.byGroup()
                        .forEach((group, tally) ->
                                sums.computeIfAbsent(group, g -> new Tally()).add(tally));
            }
            known = new TreeMap<>(sums);
            byGroup = known;
        }
        return known;
    }
}
