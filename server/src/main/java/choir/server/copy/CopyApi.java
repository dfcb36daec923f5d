package choir.server.copy;

import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.Layer.Statement;
import choir.policy.Setting;
import choir.policy.SettingKey;
import choir.server.policy.Policies;
import choir.server.policy.Saying;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/**
 * Gives cameras the settings of one that is good, as overrides. Settings that depend on the scene stay behind unless
 * they are named, and then their copying is warned of.
 */
@RestController
class CopyApi {
    /** @param settings which to copy; when none is named, all that travel well */
    record CopyRequest(
            String from,
            String select,
            @Nullable List<String> settings,
            String because,
            @Nullable String until) {}

    record Copied(int cameras, List<String> settings, List<String> leftBehind, List<String> warnings) {}

    private final Standings standings;
    private final Policies policies;

    CopyApi(Standings standings, Policies policies) {
        this.standings = standings;
        this.policies = policies;
    }

    @PostMapping("/api/v1/copies")
    Copied copy(@RequestBody CopyRequest given, Principal who) {
        var from = standings.of(Node.Camera.parse(given.from()));
        var targets = standings.someOf(given.select()).stream()
                .map(Standing::camera)
                .filter(c -> !c.equals(from.camera()))
                .toList();
        if (targets.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "the selection holds no other camera than the one to copy from");
        }
        List<String> left = new ArrayList<>();
        List<String> warnings = new ArrayList<>();
        Map<SettingKey, Statement> statements =
                given.settings() == null || given.settings().isEmpty()
                        ? travelling(from, left)
                        : named(from, given.settings(), warnings);
        policies.say(targets, Saying.of(statements, false, given.because(), given.until(), who.getName()));
        return new Copied(
                targets.size(),
                statements.keySet().stream().map(SettingKey::text).toList(),
                left,
                warnings);
    }

    private static Map<SettingKey, Statement> travelling(Standing from, List<String> left) {
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        for (var setting : Catalogue.settings()) {
            from.policy().get(setting.key()).ifPresent(effective -> {
                if (setting.dependsOnScene()) {
                    left.add(setting.key().text());
                } else {
                    statements.put(setting.key(), said(effective));
                }
            });
        }
        if (statements.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "nothing that travels is governed at " + from.camera());
        }
        return statements;
    }

    private static Map<SettingKey, Statement> named(Standing from, List<String> names, List<String> warnings) {
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        for (var name : names) {
            Setting setting = Catalogue.named(name);
            var effective = from.policy()
                    .get(setting.key())
                    .orElseThrow(
                            () -> new Problem(Problem.Kind.INVALID, name + " is not governed at " + from.camera()));
            if (setting.dependsOnScene()) {
                warnings.add(setting.title() + " depends on the scene: what is right for "
                        + from.row().label() + " may be wrong where another camera looks; look at each picture");
            }
            statements.put(setting.key(), said(effective));
        }
        return statements;
    }

    private static Statement said(Effective effective) {
        return new Statement.Set(effective.asSaid());
    }
}
