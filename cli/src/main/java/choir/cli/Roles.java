package choir.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** What somebody may do, and where. */
final class Roles {
    enum YesOrNo {
        yes,
        no
    }

    @Option(
            names = "--role",
            paramLabel = "ROLE[:GROUP]",
            description = {
                "viewer, technician, editor or administrator; for the whole fleet, or for a group with all below it, such as"
                        + " technician:terminals/haldr. May be given several times."
            })
    private List<String> roles = new ArrayList<>();

    @Option(
            names = "--footage",
            paramLabel = "yes|no",
            description =
                    "whether they see footage wherever they may look; without it, where they are technician or more")
    private @Nullable YesOrNo footage;

    @Option(
            names = "--decide",
            paramLabel = "yes|no",
            description = "whether they decide findings there; without it, where they are editor or more")
    private @Nullable YesOrNo decides;

    boolean isSaid() {
        return !roles.isEmpty();
    }

    boolean isHalfSaid() {
        return roles.isEmpty() && (footage != null || decides != null);
    }

    /** As the service takes it. */
    Map<String, Object> body() {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("roles", roles);
        if (footage != null) {
            body.put("footage", footage == YesOrNo.yes);
        }
        if (decides != null) {
            body.put("decides", decides == YesOrNo.yes);
        }
        return body;
    }

    /** For a sentence or a table, of what the service says. */
    static String words(JsonNode person) {
        List<String> words = new ArrayList<>();
        person.path("roles").forEach(r -> words.add(r.asString("")));
        if (person.hasNonNull("footage")) {
            words.add(person.path("footage").asBoolean() ? "sees footage" : "no footage");
        }
        if (person.hasNonNull("decides")) {
            words.add(person.path("decides").asBoolean() ? "decides findings" : "decides no findings");
        }
        return String.join(", ", words);
    }
}
