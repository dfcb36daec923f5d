package choir.fleet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * Which cameras are meant. Words narrow, commas widen and bind tighter, {@code not:} excludes the one term after it,
 * quotes hold spaces. An empty text selects every camera.
 *
 * <pre>group:terminals/haldr template:quay-outside,night-lamps not:tag:far-view pier</pre>
 */
public record Selection(String text, List<List<Term>> alternatives) implements Predicate<CameraFacts> {
    private static final List<String> KINDS =
            List.of("group", "recorder", "camera", "template", "family", "tag", "state", "label");
    private static final Set<String> STATES =
            Set.of("in-tune", "drifted", "waiting", "unknown", "cannot-honour", "not-governed", "at-risk");

    /** One term; {@code kind} is one of the known words, a bare word is a {@code label} that may stand anywhere. */
    public record Term(String kind, String value, boolean excluded, Pattern pattern) {
        boolean holds(CameraFacts camera) {
            return excluded != matches(camera);
        }

        private boolean matches(CameraFacts c) {
            return switch (kind) {
                case "group" -> Node.Group.of(value).contains(c.group());
                case "recorder" -> pattern.matcher(c.camera().recorder().text()).matches();
                case "camera" -> pattern.matcher(c.camera().text()).matches();
                case "template" ->
                    c.templates().stream().anyMatch(t -> pattern.matcher(t).matches());
                case "family" -> pattern.matcher(c.family()).matches();
                case "tag" -> c.tags().stream().anyMatch(t -> pattern.matcher(t).matches());
                case "state" -> c.states().contains(value);
                case "label" ->
                    pattern.matcher(c.label().toLowerCase(Locale.ROOT)).matches();
                default -> throw new IllegalStateException(kind);
            };
        }
    }

    public Selection {
        alternatives = alternatives.stream().map(List::copyOf).toList();
    }

    public static final Selection ALL = new Selection("", List.of());

    @Override
    public boolean test(CameraFacts camera) {
        return alternatives.stream().allMatch(or -> or.stream().anyMatch(t -> t.holds(camera)));
    }

    /** True when some term asks for the camera's state, which costs more to know than the rest. */
    public boolean asksForState() {
        return alternatives.stream()
                .flatMap(List::stream)
                .anyMatch(t -> t.kind().equals("state"));
    }

    /**
     * Reads the language.
     *
     * @throws SelectionException with the place of the character that cannot be understood
     */
    public static Selection parse(String text) {
        if (text.length() > 4_000) {
            throw new SelectionException("the selection is longer than 4,000 characters", 4_000);
        }
        var reader = new Reader(text);
        List<List<Term>> all = new ArrayList<>();
        for (reader.skipSpaces(); !reader.atEnd(); reader.skipSpaces()) {
            all.add(reader.alternatives());
        }
        return new Selection(text.strip(), all);
    }

    @Override
    public String toString() {
        return text;
    }

    private static final class Reader {
        private final String text;
        private int at;

        Reader(String text) {
            this.text = text;
        }

        boolean atEnd() {
            return at >= text.length();
        }

        void skipSpaces() {
            while (!atEnd() && Character.isWhitespace(text.charAt(at))) {
                at++;
            }
        }

        List<Term> alternatives() {
            List<Term> terms = new ArrayList<>();
            boolean excluded = take("not:");
            String kind = kind();
            terms.add(term(kind, excluded));
            while (!atEnd() && text.charAt(at) == ',') {
                at++;
                boolean excludedToo = take("not:");
                int before = at;
                String next = kind();
                terms.add(term(at == before ? kind : next, excludedToo));
            }
            return terms;
        }

        private boolean take(String word) {
            boolean found = text.startsWith(word, at);
            at += found ? word.length() : 0;
            return found;
        }

        /** The word before a colon, or {@code label} for a bare word. */
        private String kind() {
            int end = at;
            while (end < text.length() && Character.isLetter(text.charAt(end))) {
                end++;
            }
            if (end == at || end >= text.length() || text.charAt(end) != ':') {
                return "bare";
            }
            String word = text.substring(at, end);
            if (!KINDS.contains(word)) {
                throw new SelectionException(
                        "\"" + word + ":\" is not known; expected one of " + String.join(": ", KINDS) + ":"
                                + Nearest.hint(word, KINDS),
                        at);
            }
            at = end + 1;
            return word;
        }

        private Term term(String kind, boolean excluded) {
            int start = at;
            String value = value();
            if (value.isEmpty()) {
                throw new SelectionException("something to look for is missing", start);
            }
            if (kind.equals("state") && !STATES.contains(value)) {
                throw new SelectionException(
                        "\"" + value + "\" is not a state; expected one of "
                                + String.join(", ", STATES.stream().sorted().toList()) + Nearest.hint(value, STATES),
                        start);
            }
            if (kind.equals("group")) {
                checkGroup(value, start);
            }
            boolean anywhere = kind.equals("bare");
            var pattern = pattern(anywhere ? "*" + value + "*" : value, anywhere || kind.equals("label"));
            return new Term(anywhere ? "label" : kind, value, excluded, pattern);
        }

        private static void checkGroup(String value, int start) {
            try {
                Node.Group.of(value);
            } catch (IllegalArgumentException e) {
                throw new SelectionException(e.getMessage(), start);
            }
        }

        private String value() {
            if (!atEnd() && text.charAt(at) == '"') {
                int end = text.indexOf('"', at + 1);
                if (end < 0) {
                    throw new SelectionException("the quote is not closed", at);
                }
                String quoted = text.substring(at + 1, end);
                at = end + 1;
                return quoted;
            }
            int end = at;
            while (end < text.length() && !Character.isWhitespace(text.charAt(end)) && text.charAt(end) != ',') {
                end++;
            }
            String word = text.substring(at, end);
            at = end;
            return word;
        }

        private static Pattern pattern(String glob, boolean lowerCase) {
            var regex = new StringBuilder();
            for (var part : (lowerCase ? glob.toLowerCase(Locale.ROOT) : glob).split("((?<=\\*)|(?=\\*))")) {
                regex.append(part.equals("*") ? ".*" : Pattern.quote(part));
            }
            return Pattern.compile(regex.toString());
        }
    }
}
