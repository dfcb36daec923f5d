package choir.server.copy;

import choir.document.SettingReader;
import choir.policy.Layer.Statement;
import choir.policy.SettingKey;
import choir.server.policy.Policies;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The same exception for many cameras at once, all of them or none. */
@RestController
class ManyApi {
    record OverridesOfMany(
            @Nullable String select,
            Map<String, String> set,
            String because,
            @Nullable String until) {}

    record Done(int cameras) {}

    private final Standings standings;
    private final Policies policies;

    ManyApi(Standings standings, Policies policies) {
        this.standings = standings;
        this.policies = policies;
    }

    @PostMapping("/api/v1/overrides-of-many")
    Done override(@RequestBody OverridesOfMany given, Principal who) {
        if (given.select() == null || given.select().isBlank()) {
            throw new Problem(Problem.Kind.INVALID, "say which cameras are meant; an exception for all is a template");
        }
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        given.set()
                .forEach((key, text) ->
                        statements.put(new SettingKey(key), new Statement.Set(SettingReader.read(key, text))));
        if (statements.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "nothing to set");
        }
        var cameras = standings.someOf(given.select()).stream()
                .map(s -> s.camera().camera())
                .toList();
        policies.override(
                cameras,
                statements,
                given.because(),
                Optional.ofNullable(given.until()).map(Dates::parse),
                who.getName());
        return new Done(cameras.size());
    }
}
