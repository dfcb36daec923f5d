package choir.cli;

import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** How a rollout, or an undo, is to go. */
final class RolloutTerms {
    private static final Pattern TIME = Pattern.compile("(\\d{1,6})(s|m|h|d)");

    @Option(
            names = "--waves",
            defaultValue = "3",
            split = ",",
            paramLabel = "SIZE",
            description = "cameras of the waves before the rest, such as 3 or 5%%,25%%")
    private List<String> waves = List.of("3");

    @Option(
            names = "--may-fail",
            defaultValue = "0",
            paramLabel = "PERCENT",
            description = "share of a wave that may fail before the rest is left alone")
    private int mayFail;

    @Option(
            names = "--keep-trying",
            paramLabel = "TIME",
            description =
                    "how long recorders that are away are tried again, such as 30m or 8h; ten minutes if not said")
    private @Nullable String patience;

    @Option(
            names = "--between",
            paramLabel = "HOURS",
            description = "write each recorder only in these hours of its own zone, such as 22:00-05:00")
    private @Nullable String hours;

    @Option(names = "--second-person", description = "nothing is written before somebody else approves it")
    private boolean secondPerson;

    @Option(
            names = "--may-miss",
            paramLabel = "MOMENT",
            description = "a marked moment that may be lost, as the preview names it; once for each")
    private List<String> mayMiss = List.of();

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    Map<String, Object> body() {
        var body = Client.body();
        body.put("waves", waves);
        body.put("maxFailedPercent", mayFail);
        if (patience != null) {
            body.put("patience", isoTime(patience));
        }
        if (hours != null) {
            body.put("hours", hours);
        }
        body.put("secondPerson", secondPerson);
        if (!mayMiss.isEmpty()) {
            body.put("mayMiss", mayMiss);
        }
        return body;
    }

    static String isoTime(String text) {
        var match = TIME.matcher(text.strip());
        if (!match.matches()) {
            throw new Failure(
                    Failure.WRONG_USAGE, "\"" + text + "\" is no time; expected a form like 45s, 30m, 8h or 2d");
        }
        var unit = match.group(2);
        return (unit.equals("d") ? "P" : "PT") + match.group(1) + unit.toUpperCase(java.util.Locale.ROOT);
    }

    void ask(String question, String otherwise) {
        if (!yes && !Confirmation.given(question)) {
            throw new Failure(Failure.FAILED, otherwise + "; say --yes to start without a question");
        }
    }
}
