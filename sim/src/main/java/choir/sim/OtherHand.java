package choir.sim;

import java.util.List;
import java.util.regex.Pattern;

/** The same document as somebody else would write it: prefixes that nobody expects, and a comment where one is allowed. */
final class OtherHand {
    private static final List<String> PREFIXES = List.of(
            "env", "wsa", "wsnt", "wstop", "tt", "tds", "tr2", "trt", "tan", "trc", "tsc", "tse", "trp", "tev", "tns1",
            "ter");
    private static final Pattern DECLARED = Pattern.compile("xmlns:(" + String.join("|", PREFIXES) + ")=");
    private static final Pattern USED =
            Pattern.compile("(?<=[<\">|\\s]|</)(" + String.join("|", PREFIXES) + "):(?=[A-Za-z])");

    private OtherHand() {}

    static String write(String document) {
        var declared = DECLARED.matcher(document).replaceAll(m -> "xmlns:" + other(m.group(1)) + "=");
        return USED.matcher(declared)
                .replaceAll(m -> other(m.group(1)) + ":")
                .replaceFirst("(?=<\\w+:Body>)", "<!-- as it came -->");
    }

    private static String other(String prefix) {
        return "n" + PREFIXES.indexOf(prefix);
    }
}
