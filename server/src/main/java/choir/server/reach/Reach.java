package choir.server.reach;

import choir.fleet.Node;
import choir.fleet.Selection;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.SequencedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * The part of the fleet in which somebody may do what they ask for: all of it, or some groups with all below them. What the
 * service does by itself reaches everywhere.
 */
public final class Reach {
    public static final Reach EVERYWHERE = new Reach(List.of(Node.Group.ROOT));
    public static final Reach NOWHERE = new Reach(List.of());

    private static final ThreadLocal<Reach> OF_THIS_REQUEST = new ThreadLocal<>();

    private final List<Node.Group> groups;

    private Reach(List<Node.Group> groups) {
        this.groups = groups;
    }

    /** Groups that lie in others are left out. */
    public static Reach of(Collection<Node.Group> groups) {
        SequencedSet<Node.Group> sorted = new TreeSet<>(groups);
        List<Node.Group> outer = new ArrayList<>();
        for (var group : sorted) {
            if (outer.stream().noneMatch(o -> o.contains(group))) {
                outer.add(group);
            }
        }
        return outer.isEmpty() ? NOWHERE : outer.contains(Node.Group.ROOT) ? EVERYWHERE : new Reach(outer);
    }

    /** Of the request that this thread answers; everywhere where it answers none. */
    public static Reach current() {
        var reach = OF_THIS_REQUEST.get();
        return reach == null ? EVERYWHERE : reach;
    }

    /** What may throw what an act throws. */
    @FunctionalInterface
    public interface Act<A extends Exception, B extends Exception> {
        void run() throws A, B;
    }

    /** Does something for somebody who reaches so far. */
    public <A extends Exception, B extends Exception> void during(Act<A, B> act) throws A, B {
        OF_THIS_REQUEST.set(this);
        try {
            act.run();
        } finally {
            OF_THIS_REQUEST.remove();
        }
    }

    public boolean isEverywhere() {
        return this == EVERYWHERE;
    }

    public boolean isNowhere() {
        return groups.isEmpty();
    }

    /** None lies in another. */
    public List<Node.Group> groups() {
        return groups;
    }

    /** What both reach. */
    public Reach and(Reach other) {
        List<Node.Group> both = new ArrayList<>();
        for (var mine : groups) {
            for (var theirs : other.groups) {
                if (mine.contains(theirs)) {
                    both.add(theirs);
                } else if (theirs.contains(mine)) {
                    both.add(mine);
                }
            }
        }
        return of(both);
    }

    /** Whether all of that group is reached. */
    public boolean contains(Node.Group group) {
        return groups.stream().anyMatch(g -> g.contains(group));
    }

    /** Whether something of that group, or all of it, is reached. */
    public boolean touches(Node.Group group) {
        return groups.stream().anyMatch(g -> g.contains(group) || group.contains(g));
    }

    /** Those of a selection that are reached. */
    public Selection narrow(Selection selection) {
        if (isEverywhere()) {
            return selection;
        }
        List<List<Selection.Term>> alternatives = new ArrayList<>(selection.alternatives());
        alternatives.add(groups.stream()
                .<Selection.Term>map(g -> new Selection.InGroup(g, false))
                .toList());
        return new Selection((selection.text() + " " + text()).strip(), alternatives);
    }

    /** The same as a text that says so wherever it is read. */
    public String narrow(String selection) {
        return narrow(Selection.parse(selection)).text();
    }

    private String text() {
        return groups.stream().map(g -> Selection.within(g).text()).collect(Collectors.joining(","));
    }

    /** For a sentence. */
    @Override
    public String toString() {
        return isEverywhere()
                ? "the fleet"
                : groups.stream().map(Node.Group::text).collect(Collectors.joining(", "));
    }
}
