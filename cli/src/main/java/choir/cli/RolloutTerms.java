package choir.cli;

import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** How a rollout, or an undo, is to go. */
final class RolloutTerms {
    private static final Pattern TIME = Pattern.compile("(\\d{1,6})(s|m|h|d)");

    @Option(names = "--first", defaultValue = "3", paramLabel = "COUNT", description = "cameras that go first")
    private int first = 3;

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

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    Map<String, Object> body() {
        var body = Client.body();
        body.put("first", first);
        body.put("maxFailedPercent", mayFail);
        if (patience != null) {
            body.put("patience", isoTime(patience));
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
