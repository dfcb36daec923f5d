package choir.server.copy;

import choir.fleet.Node;
import choir.policy.TemplateName;
import choir.server.policy.Policies;
import choir.server.policy.Saying;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.List;
import java.util.Map;
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
        var statements = Policies.statements(
                given.set() == null ? Map.of() : given.set(), given.unset() == null ? List.of() : given.unset());
        policies.say(cameras, Saying.of(statements, false, given.because(), given.until(), who.getName()));
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
        return standings.someOf(select).stream().map(Standing::camera).toList();
    }
}
