package choir.server.policy;

import choir.document.PolicySchema;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingType;
import choir.policy.Template;
import choir.policy.TemplateName;
import choir.server.fleet.FleetStore;
import choir.server.reach.Keeper;
import choir.server.web.Dates;
import choir.server.web.Problem;
import choir.server.web.Versions;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PolicyApi {
    record TemplateRow(
            String name,
            int revision,
            String title,
            @Nullable String base,
            List<String> usedAt,
            String author,
            String at) {}

    record TemplateView(String name, int revision, String text, String author, String at, List<String> usedAt) {}

    record RevisionView(String name, int revision, String text, String author, String at) {}

    record TemplateText(String text) {}

    record Created(String name) {}

    /**
     * @param prune also removes what the files do not name; not when it is not said
     * @param onlyTry tells what would change and changes nothing
     * @param newGroups makes groups that the files name and that are not there; otherwise such a name is a fault
     * @param inForceSince a past date since which all of it has been in force, so that what was recorded is compared with it;
     *     from now on when not said
     */
    record PolicyFiles(
            List<PolicyFile> files,
            boolean prune,
            boolean onlyTry,
            @Nullable Boolean newGroups,
            @Nullable String inForceSince) {}

    /** @param warnings policies that defeat themselves, as they are with the files */
    record Loaded(List<PolicyLoad.Change> changes, List<String> warnings) {}

    record Doubts(List<String> warnings) {}

    record Saved(List<PolicyFile> files) {}

    record Use(String template, String node) {}

    /**
     * @param templates in their order; what a later one says wins
     * @param version of what is said at the node
     */
    record Used(String node, List<String> templates, long version) {}

    record UseThese(String node, List<String> templates) {}

    /**
     * @param kind a word for the control that fits it
     * @param choices the only values that there are; empty when there are more than can be listed
     * @param unit of an amount; empty otherwise
     */
    record SettingView(
            String key,
            String title,
            String meaning,
            String kind,
            String unit,
            String expected,
            List<String> choices,
            String loss,
            String waste) {}

    private final PolicyStore store;
    private final NodeStore nodes;
    private final Clock clock;
    private final Policies policies;
    private final PolicyLoad load;
    private final Warnings warnings;
    private final FleetStore fleet;
    private final Keeper keeper;

    PolicyApi(
            PolicyStore store,
            NodeStore nodes,
            Policies policies,
            PolicyLoad load,
            Warnings warnings,
            FleetStore fleet,
            Keeper keeper,
            Clock clock) {
        this.keeper = keeper;
        this.fleet = fleet;
        this.warnings = warnings;
        this.clock = clock;
        this.store = store;
        this.nodes = nodes;
        this.policies = policies;
        this.load = load;
    }

    @GetMapping("/api/v1/settings")
    List<SettingView> settings() {
        return Catalogue.settings().stream()
                .map(s -> new SettingView(
                        s.key().text(),
                        s.title(),
                        s.meaning(),
                        s.type().kind(),
                        s.type() instanceof SettingType.Amount a ? a.unit().symbol() : "",
                        s.type().expected(),
                        s.type().choices(),
                        s.loss(),
                        s.waste()))
                .toList();
    }

    @GetMapping("/api/v1/templates")
    List<TemplateRow> templates() {
        Map<TemplateName, Template> understood =
                store.templates().stream().collect(Collectors.toMap(Template::name, t -> t));
        var uses = nodes.uses();
        return store.latest().stream()
                .map(t -> row(t, Optional.ofNullable(understood.get(new TemplateName(t.name()))), uses))
                .toList();
    }

    private TemplateRow row(
            PolicyStore.StoredRevision latest, Optional<Template> template, Map<Node, List<TemplateName>> uses) {
        return new TemplateRow(
                latest.name(),
                latest.revision(),
                template.map(Template::title).orElse("cannot be understood; write it again"),
                template.flatMap(Template::base).map(TemplateName::text).orElse(null),
                usedAt(uses, latest.name()),
                latest.author(),
                latest.at());
    }

    private List<String> usedAt(Map<Node, List<TemplateName>> uses, String template) {
        return uses.entrySet().stream()
                .filter(e -> keeper.sees(e.getKey()))
                .filter(e -> e.getValue().contains(new TemplateName(template)))
                .map(e -> e.getKey().text())
                .toList();
    }

    @GetMapping("/api/v1/templates/{name}")
    ResponseEntity<TemplateView> template(@PathVariable String name) {
        var t = policies.require(new TemplateName(name));
        return ResponseEntity.ok()
                .eTag(Versions.tag(t.revision()))
                .body(new TemplateView(
                        t.name(), t.revision(), t.text(), t.author(), t.at(), usedAt(nodes.uses(), name)));
    }

    @GetMapping("/api/v1/templates/{name}/revisions")
    List<RevisionView> revisions(@PathVariable String name) {
        policies.require(new TemplateName(name));
        return store.revisions(new TemplateName(name)).stream()
                .map(r -> new RevisionView(r.name(), r.revision(), r.text(), r.author(), r.at()))
                .toList();
    }

    @PostMapping("/api/v1/templates")
    @ResponseStatus(HttpStatus.CREATED)
    Created create(@RequestBody TemplateText given, Principal who) {
        return new Created(policies.create(given.text(), who.getName()));
    }

    @PutMapping("/api/v1/templates/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revise(
            @PathVariable String name,
            @RequestBody TemplateText given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        policies.revise(new TemplateName(name), given.text(), Optional.ofNullable(ifMatch), who.getName());
    }

    /** One that is used nowhere and that no other extends; what it said before stays in the history of those cameras. */
    @DeleteMapping("/api/v1/templates/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            @PathVariable String name,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        policies.remove(new TemplateName(name), Optional.ofNullable(ifMatch), who.getName());
    }

    /** Takes the files, all or none. */
    @PostMapping("/api/v1/policy")
    Loaded load(@RequestBody PolicyFiles given, Principal who) {
        var outcome = load.load(
                given.files(),
                new PolicyLoad.How(
                        given.prune(),
                        given.onlyTry(),
                        Boolean.TRUE.equals(given.newGroups()),
                        Optional.ofNullable(given.inForceSince()).map(this::since)),
                who.getName());
        return new Loaded(outcome.changes(), outcome.warnings());
    }

    /** The whole policy in its canonical form. */
    @GetMapping("/api/v1/policy")
    Saved save() {
        return new Saved(load.save());
    }

    /** JSON Schema of a document of a policy file. */
    @GetMapping("/api/v1/policy/schema")
    Map<String, Object> schema() {
        return PolicySchema.tree();
    }

    @PostMapping("/api/v1/uses")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void use(@RequestBody Use given, Principal who) {
        policies.use(new TemplateName(given.template()), keeper.held(given.node()), who.getName());
    }

    /** The templates of a node in their order. */
    @GetMapping("/api/v1/uses")
    ResponseEntity<Used> used(@RequestParam String node) {
        var at = Node.parse(node);
        long version = nodes.versionOf(at);
        return ResponseEntity.ok()
                .eTag(Versions.tag(version))
                .body(new Used(
                        at.text(),
                        nodes.usesAt(at).stream().map(TemplateName::text).toList(),
                        version));
    }

    /** Uses these templates at a node and no others, in this order. */
    @PutMapping("/api/v1/uses")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void useThese(
            @RequestBody UseThese given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        policies.useThese(
                keeper.held(given.node()),
                given.templates().stream().map(TemplateName::new).toList(),
                Optional.ofNullable(ifMatch),
                who.getName());
    }

    @DeleteMapping("/api/v1/uses")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stopUsing(@RequestParam String template, @RequestParam String node, Principal who) {
        policies.stopUsing(new TemplateName(template), Node.parse(node), who.getName());
    }

    /** What is said at a node that makes its policy defeat itself. */
    @GetMapping("/api/v1/policy/warnings")
    Doubts warnings(@RequestParam String node) {
        var at = Node.parse(node);
        fleet.require(at);
        return new Doubts(warnings.at(List.of(at)));
    }

    private Instant since(String date) {
        var day = Dates.parse(date);
        if (day.isAfter(LocalDate.now(clock))) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    day + " is still to come; what is in force from a later day on is an"
                            + " override with its reason, or a rollout with its hours");
        }
        return day.atStartOfDay(clock.getZone()).toInstant();
    }
}
