package choir.cli;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "set", description = "Override settings at a group or a camera, with a reason.")
final class SetCommand extends Act {
    @Parameters(index = "0", paramLabel = "NODE", description = "such as haldr-1/07")
    private String node = "";

    @Parameters(
            index = "1..*",
            arity = "1..*",
            paramLabel = "KEY=VALUE",
            description =
                    "such as motion.threshold=0.25%%; KEY=@FILE takes the value from a file, a week from iCalendar too")
    private List<String> settings = List.of();

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "why it differs here")
    private String because = "";

    @Option(names = "--until", paramLabel = "DATE", description = "the last day on which it counts")
    private @Nullable String until;

    @Option(names = "--fixed", description = "nothing nearer to the camera may change it")
    private boolean fixed;

    @Override
    int run(Client service) {
        Map<String, String> set = new LinkedHashMap<>();
        for (var setting : settings) {
            int cut = setting.indexOf('=');
            if (cut < 1) {
                throw new Failure(Failure.WRONG_USAGE, "\"" + setting + "\" is not of the form KEY=VALUE");
            }
            set.put(setting.substring(0, cut), value(setting.substring(cut + 1)));
        }
        var body = Client.body();
        var at = Nodes.name(service, node);
        body.put("node", at);
        body.put("set", set);
        body.put("because", because);
        body.put("fixed", fixed);
        if (until != null) {
            body.put("until", until);
        }
        var seen = service.getWithVersion("/api/v1/overrides?node=" + Client.encode(at));
        service.write("POST", "/api/v1/overrides", body, seen.version());
        say("set " + String.join(", ", set.keySet()) + " at " + node + "; see what it does with: choir explain");
        PolicyLoad.warn(this, service.get("/api/v1/policy/warnings?node=" + Client.encode(at)));
        return Failure.DONE;
    }

    /** A calendar is a text of many lines, which a policy file would hold as a block. */
    private static String value(String given) {
        if (!given.startsWith("@")) {
            return given;
        }
        var text = Texts.read(Path.of(given.substring(1)));
        return text.startsWith("BEGIN:VCALENDAR")
                ? "|\n" + text.replace("\r", "").indent(2)
                : text;
    }
}
