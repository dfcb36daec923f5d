package choir.server.policy;

import choir.document.PolicyWriter;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Layer.Statement;
import choir.policy.NodeWords;
import choir.policy.PolicyBook;
import choir.policy.PolicyOverride;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.reach.Keeper;
import choir.server.web.Versions;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is put straight on groups and cameras, and what it does there. */
@RestController
class OverrideApi {
    record Overrides(
            String node,
            @Nullable Map<String, String> set,
            @Nullable List<String> unset,
            boolean fixed,
            @Nullable String because,
            @Nullable String until) {}

    /**
     * @param value as a policy file holds it, on one line; missing when farther values are dropped
     * @param effect what it does: COUNTS, SAYS_THE_SAME, FIXED_ABOVE, OVERLAID or ENDED
     * @param words the same in words
     * @param otherwise what would hold at the node without it; missing when the setting would not be governed
     */
    record OverrideView(
            String node,
            String key,
            @Nullable String value,
            boolean fixed,
            String because,
            String author,
            @Nullable String until,
            String effect,
            String words,
            @Nullable String otherwise) {}

    private final NodeStore nodes;
    private final PolicyStore store;
    private final Policies policies;
    private final FleetStore fleet;
    private final Keeper keeper;
    private final Clock clock;

    OverrideApi(NodeStore nodes, PolicyStore store, Policies policies, FleetStore fleet, Keeper keeper, Clock clock) {
        this.nodes = nodes;
        this.store = store;
        this.policies = policies;
        this.fleet = fleet;
        this.keeper = keeper;
        this.clock = clock;
    }

    /** What is put straight on a node, or everywhere; those past their last day included. */
    @GetMapping("/api/v1/overrides")
    ResponseEntity<List<OverrideView>> overrides(@RequestParam(defaultValue = "") String node) {
        var book = store.book(LocalDate.now(clock));
        if (node.isEmpty()) {
            return ResponseEntity.ok(everywhere(book));
        }
        var at = Node.parse(node);
        return ResponseEntity.ok()
                .eTag(Versions.tag(nodes.versionOf(at)))
                .body(views(book, at, new NodeWords(nodes.usesAt(at), nodes.overridesAt(at))));
    }

    private List<OverrideView> everywhere(PolicyBook book) {
        Map<Node, NodeWords> said = new HashMap<>(nodes.wordsOfGroups());
        said.putAll(nodes.wordsOfCameras(Optional.empty()));
        Map<Node, Node.Group> groups = fleet.cameras().stream()
                .filter(c -> said.containsKey(c.camera()))
                .collect(Collectors.toMap(StoredCamera::camera, StoredCamera::group));
        return said.entrySet().stream()
                .filter(e -> keeper.sees(e.getKey()))
                .flatMap(e -> e.getValue().overrides().stream()
                        .map(o -> view(book, o, above(book, e.getKey(), groups), e.getValue())))
                .sorted(Comparator.comparing(OverrideView::node).thenComparing(OverrideView::key))
                .toList();
    }

    private List<OverrideView> views(PolicyBook book, Node at, NodeWords said) {
        Map<Node, Node.Group> groups = at instanceof Node.Camera camera
                ? Map.of(at, fleet.camera(camera).group())
                : Map.of();
        return said.overrides().stream()
                .map(o -> view(book, o, above(book, at, groups), said))
                .toList();
    }

    /** What comes down to a node. */
    private static EffectivePolicy above(PolicyBook book, Node node, Map<Node, Node.Group> groups) {
        return switch (node) {
            case Node.Group group -> group.parent().map(book::of).orElse(EffectivePolicy.EMPTY);
            // It may have gone since.
            case Node.Camera camera ->
                Optional.ofNullable(groups.get(camera)).map(book::of).orElse(EffectivePolicy.EMPTY);
        };
    }

    private static OverrideView view(PolicyBook book, PolicyOverride o, EffectivePolicy above, NodeWords said) {
        var effect = book.effect(o, above, said);
        return new OverrideView(
                o.node().text(),
                o.key().text(),
                o.statement() instanceof Statement.Set(var value) ? PolicyWriter.value(value) : null,
                o.fixed(),
                o.because(),
                o.author(),
                o.until().map(LocalDate::toString).orElse(null),
                effect.kind().name(),
                effect.kind().words(),
                effect.otherwise().map(Effective::text).orElse(null));
    }

    /** Takes the version of what is said at the node, as {@code GET} tells it. */
    @PostMapping("/api/v1/overrides")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void override(
            @RequestBody Overrides given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        var statements = Policies.statements(
                given.set() == null ? Map.of() : given.set(), given.unset() == null ? List.of() : given.unset());
        policies.say(
                keeper.held(given.node()),
                Saying.of(statements, given.fixed(), given.because(), given.until(), who.getName()),
                Optional.ofNullable(ifMatch));
    }

    /** Takes overrides of one setting at a node away, with and without an end date. */
    @DeleteMapping("/api/v1/overrides")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(
            @RequestParam String node,
            @RequestParam String key,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        policies.takeBack(Node.parse(node), Catalogue.named(key).key(), Optional.ofNullable(ifMatch), who.getName());
    }
}
