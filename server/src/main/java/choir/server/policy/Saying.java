package choir.server.policy;

import choir.fleet.Node;
import choir.policy.Layer.Statement;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What somebody says straight at nodes, and why.
 *
 * @param until the last day on which it counts
 */
public record Saying(
        Map<SettingKey, Statement> statements, boolean fixed, String because, Optional<LocalDate> until, String who) {
    public Saying {
        statements = Collections.unmodifiableMap(new LinkedHashMap<>(statements));
        if (because.isBlank()) {
            throw new Refusal("an override needs a reason; say it with --because");
        }
    }

    public static Saying of(
            Map<SettingKey, Statement> statements,
            boolean fixed,
            @Nullable String because,
            @Nullable String until,
            String who) {
        return new Saying(
                statements,
                fixed,
                because == null ? "" : because,
                Optional.ofNullable(until).map(choir.server.web.Dates::parse),
                who);
    }

    PolicyOverride at(Node node, SettingKey key) {
        return new PolicyOverride(0, node, key, statements.get(key), fixed, because, who, until);
    }
}
