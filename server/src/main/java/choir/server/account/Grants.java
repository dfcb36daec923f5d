package choir.server.account;

import choir.fleet.Node;
import choir.refusal.Refusal;
import choir.server.reach.Reach;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What a person may do, and where: roles, each for the fleet or for a group with all below it. Seeing footage and deciding
 * findings go with a role, unless it is said otherwise of this person.
 *
 * @param given never empty
 * @param footage whether they see footage wherever they see anything; empty for as their roles have it
 * @param decides the same of deciding findings
 */
record Grants(List<Grant> given, Optional<Boolean> footage, Optional<Boolean> decides) {
    static final int MOST = 20;

    /** What {@link #of(ResultSet)} reads, of a query over accounts. */
    static final String COLUMNS = """
            footage, decides,
            (SELECT group_concat(role || ' ' || place, char(10)) FROM account_grant WHERE account = account.name) AS grants
            """;

    /** One role at one place, which is the root for the whole fleet. */
    record Grant(Role role, Node.Group place) {
        /** {@code technician}, or {@code technician:terminals/haldr}. */
        static Grant of(String text) {
            int colon = text.indexOf(':');
            return colon < 0
                    ? new Grant(Role.of(text), Node.Group.ROOT)
                    : new Grant(
                            Role.of(text.substring(0, colon)),
                            Node.Group.of(text.substring(colon + 1).strip()));
        }

        String text() {
            return place.equals(Node.Group.ROOT)
                    ? role.word()
                    : role.word() + ":" + place.text().substring((Node.Group.ROOT.text() + "/").length());
        }
    }

    Grants {
        if (given.isEmpty() || given.size() > MOST) {
            throw new Problem(Problem.Kind.INVALID, "a person has 1 to " + MOST + " roles, not " + given.size());
        }
        given = given.stream()
                .distinct()
                .sorted(Comparator.comparing(Grant::role).reversed().thenComparing(Grant::place))
                .toList();
    }

    static Grants of(Role role) {
        return new Grants(List.of(new Grant(role, Node.Group.ROOT)), Optional.empty(), Optional.empty());
    }

    /**
     * @param texts as {@link Grant#of} reads them
     * @throws Refusal when one cannot be read
     */
    static Grants of(Collection<String> texts, @Nullable Boolean footage, @Nullable Boolean decides) {
        return new Grants(
                texts.stream().map(Grant::of).toList(), Optional.ofNullable(footage), Optional.ofNullable(decides));
    }

    /** Where they may do that. */
    Reach reach(Right right) {
        return switch (right) {
            case SEE -> from(Role.VIEWER);
            case FOOTAGE -> footage.map(this::everySeen).orElseGet(() -> from(Role.TECHNICIAN));
            case WORK -> from(Role.TECHNICIAN);
            case DECIDE -> decides.map(this::everySeen).orElseGet(() -> from(Role.EDITOR));
            case EDIT -> from(Role.EDITOR);
            case ADMINISTER -> from(Role.ADMINISTRATOR);
        };
    }

    private Reach everySeen(boolean may) {
        return may ? from(Role.VIEWER) : Reach.NOWHERE;
    }

    private Reach from(Role least) {
        return Reach.of(given.stream()
                .filter(g -> g.role().compareTo(least) >= 0)
                .map(Grant::place)
                .toList());
    }

    /** The highest of all roles, wherever it counts. */
    Role highest() {
        return given.getFirst().role();
    }

    /** The same with no role above that one; what was said of footage and findings is not widened by it. */
    Grants atMost(Role most) {
        return new Grants(
                given.stream()
                        .map(g -> g.role().compareTo(most) > 0 ? new Grant(most, g.place()) : g)
                        .toList(),
                limited(footage, most, Role.TECHNICIAN),
                limited(decides, most, Role.EDITOR));
    }

    /** A token that only looks does not show footage because its person may see it everywhere. */
    private static Optional<Boolean> limited(Optional<Boolean> said, Role most, Role usual) {
        return said.filter(may -> !may || most.compareTo(usual) >= 0);
    }

    /** The same within a group; empty when nothing of it is there. */
    Optional<Grants> within(Node.Group place) {
        var left = given.stream()
                .filter(g -> g.place().contains(place) || place.contains(g.place()))
                .map(g -> g.place().contains(place) ? new Grant(g.role(), place) : g)
                .toList();
        return left.isEmpty() ? Optional.empty() : Optional.of(new Grants(left, footage, decides));
    }

    List<String> texts() {
        return given.stream().map(Grant::text).toList();
    }

    /** For the journal. */
    @Override
    public String toString() {
        return texts().stream().collect(Collectors.joining(", "))
                + footage.map(f -> f ? ", sees footage" : ", sees no footage").orElse("")
                + decides.map(d -> d ? ", decides findings" : ", decides no findings")
                        .orElse("");
    }

    /** As the database holds them, in columns of an account. */
    static Grants of(ResultSet row) throws SQLException {
        return new Grants(
                row.getString("grants")
                        .lines()
                        .map(line -> line.split(" ", 2))
                        .map(parts -> new Grant(Role.valueOf(parts[0]), new Node.Group(parts[1])))
                        .toList(),
                said(row.getObject("footage")),
                said(row.getObject("decides")));
    }

    private static Optional<Boolean> said(@Nullable Object column) {
        return Optional.ofNullable(column).map(c -> ((Number) c).intValue() != 0);
    }

    static @Nullable Integer column(Optional<Boolean> said) {
        return said.map(s -> s ? 1 : 0).orElse(null);
    }
}
