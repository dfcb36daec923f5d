package choir.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "compare", description = "Several settings beside each other, on the same clips.")
final class TrialCompare extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "all clips that are kept of these cameras")
    private List<String> words = List.of();

    @Option(names = "--clip", paramLabel = "CLIP", description = "this clip; once for each")
    private List<Long> clips = List.of();

    @Option(
            names = "--try",
            required = true,
            paramLabel = "SETTING",
            description =
                    "policy, recorder, or values such as \"sensitivity=70 threshold=0.5%% area=door pictures=5\"; once for each")
    private List<String> tried = List.of();

    @Option(names = "--by-events", description = TrialRun.BY_EVENTS)
    private boolean byEvents;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        List<Map<String, Object>> settings = new ArrayList<>();
        for (var one : tried) {
            settings.add(setting(one.strip()));
        }
        return TrialRun.tried(this, service, listing, Selections.joined(words, ""), clips, settings, byEvents);
    }

    private static final Set<String> VALUES = Set.of("sensitivity", "threshold", "area", "pictures", "size");

    private static Map<String, Object> setting(String text) {
        if (text.equals("policy") || text.equals("recorder")) {
            var setting = TrialRun.setting(text, Map.of());
            setting.put("as", text.equals("policy") ? "policy" : "held");
            return setting;
        }
        Map<String, String> values = new HashMap<>();
        for (var part : text.split("[ ,]+")) {
            var sides = part.split("=", 2);
            if (sides.length != 2 || !VALUES.contains(sides[0])) {
                throw new Failure(
                        Failure.WRONG_USAGE,
                        "\"" + part + "\" is nothing to try; expected policy, recorder, sensitivity=70, threshold=0.5%,"
                                + " area=NAME, pictures=5 (a second) or size=320x180");
            }
            values.put(sides[0], sides[1]);
        }
        return TrialRun.setting(text, values);
    }
}
