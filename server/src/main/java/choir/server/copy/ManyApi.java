package choir.server.copy;

import choir.fleet.Node;
import choir.policy.TemplateName;
import choir.server.policy.Policies;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The same act on many cameras at once, on all of them or on none. */
@RestController
class ManyApi {
    record OverridesOfMany(
            @Nullable String select,
            @Nullable Map<String, String> set,
            @Nullable List<String> unset,
            String because,
            @Nullable String until) {}

    record UseOfMany(@Nullable String select, String template) {}

    record Done(int cameras) {}

    private final Standings standings;
    private final Policies policies;

    ManyApi(Standings standings, Policies policies) {
        this.standings = standings;
        this.policies = policies;
    }

    @PostMapping("/api/v1/overrides-of-many")
    Done override(@RequestBody OverridesOfMany given, Principal who) {
        var cameras = chosen(given.select(), "an exception for all is a template");
        policies.override(
                cameras,
                Policies.statements(
                        given.set() == null ? Map.of() : given.set(),
                        given.unset() == null ? List.of() : given.unset()),
                false,
                given.because(),
                Optional.ofNullable(given.until()).map(Dates::parse),
                who.getName());
        return new Done(cameras.size());
    }

    /** Uses a template at each of the cameras themselves; those that do so already are passed over. */
    @PostMapping("/api/v1/uses-of-many")
    Done use(@RequestBody UseOfMany given, Principal who) {
        var cameras = chosen(given.select(), "for all of them, use the template at the fleet");
        return new Done(policies.use(new TemplateName(given.template()), cameras, who.getName()));
    }

    private List<Node.Camera> chosen(@Nullable String select, String advice) {
        if (select == null || select.isBlank()) {
            throw new Problem(Problem.Kind.INVALID, "say which cameras are meant; " + advice);
        }
        return standings.someOf(select).stream().map(s -> s.camera().camera()).toList();
    }
}
