package choir.fleet;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/**
 * Which cameras are meant. Words narrow, commas widen and bind tighter, {@code not:} excludes the one term after it. Quotes
 * hold blanks and commas; in quotes a backslash takes its special meaning from the next character. An empty text selects
 * every camera.
 *
 * <pre>group:terminals/haldr template:quay-outside,night-lamps not:tag:far-view camera:"haldr-1/Kanal 7" pier</pre>
 */
public record Selection(String text, List<List<Term>> alternatives) implements Predicate<CameraFacts> {
    public static final int LONGEST = 4_000;

    /** What a term looks at. */
    public enum Kind {
        GROUP,
        RECORDER,
        CAMERA,
        TEMPLATE,
        FAMILY,
        TAG,
        STATE,
        LABEL,
        /** A bare word, which may stand anywhere in the label or in the device's name, or be the camera's own name. */
        BARE;

        private static final List<String> WORDS =
                Arrays.stream(values()).filter(k -> k != BARE).map(Kind::word).toList();

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** One term. */
    public sealed interface Term {
        boolean excluded();

        boolean matches(CameraFacts camera);

        default boolean holds(CameraFacts camera) {
            return excluded() != matches(camera);
        }
    }

    /** Cameras in the group or below it. */
    public record InGroup(Node.Group group, boolean excluded) implements Term {
        @Override
        public boolean matches(CameraFacts camera) {
            return group.contains(camera.group());
        }
    }

    public record InState(CameraState state, boolean excluded) implements Term {
        @Override
        public boolean matches(CameraFacts camera) {
            return camera.states().contains(state);
        }
    }

    /** Names and labels by a pattern. */
    public record Named(Kind kind, Glob glob, boolean excluded) implements Term {
        @Override
        public boolean matches(CameraFacts c) {
            return switch (kind) {
                case RECORDER -> glob.matches(c.camera().recorder().text());
                // Recorder and channel are put together only where they may match.
                case CAMERA ->
                    glob.mayMatchFrom(c.camera().recorder().text())
                            && glob.matches(c.camera().text());
                case TEMPLATE -> c.templates().stream().anyMatch(glob::matches);
                case FAMILY -> glob.matches(c.familyName());
                case TAG -> c.tags().stream().anyMatch(glob::matches);
                case LABEL -> glob.matches(c.loweredLabel());
                case GROUP, STATE, BARE -> throw new IllegalStateException(kind + " is no name");
            };
        }
    }

    /**
     * A bare word.
     *
     * @param within where it stands in a label or a device's name, in lower case
     * @param whole as it is, for recorder and channel
     */
    public record Bare(Glob within, Glob whole, boolean excluded) implements Term {
        @Override
        public boolean matches(CameraFacts c) {
            return within.matches(c.loweredLabel())
                    || within.matches(c.loweredDeviceName())
                    || whole.mayMatchFrom(c.camera().recorder().text())
                            && whole.matches(c.camera().text());
        }
    }

    public Selection {
        alternatives = alternatives.stream().map(List::copyOf).toList();
    }

    public static final Selection ALL = new Selection("", List.of());

    @Override
    public boolean test(CameraFacts camera) {
        for (var or : alternatives) {
            if (!any(or, camera)) {
                return false;
            }
        }
        return true;
    }

    private static boolean any(List<Term> terms, CameraFacts camera) {
        for (var term : terms) {
            if (term.holds(camera)) {
                return true;
            }
        }
        return false;
    }

    /** All cameras in the group or below it. */
    public static Selection within(Node.Group group) {
        return group.equals(Node.Group.ROOT)
                ? ALL
                : new Selection(
                        "group:" + quoted(group.text().substring((Node.Group.ROOT.text() + "/").length())),
                        List.of(List.of(new InGroup(group, false))));
    }

    /** The selection of these cameras and no others. */
    public static String of(List<Node.Camera> cameras) {
        return "camera:"
                + String.join(",", cameras.stream().map(c -> quoted(c.text())).toList());
    }

    /** A value as it stands in a selection when it is meant literally; in quotes only where they are needed. */
    public static String quoted(String value) {
        boolean plain = !value.isEmpty()
                && value.chars().noneMatch(c -> Character.isWhitespace(c) || ",\"\\*:".indexOf(c) >= 0);
        return plain ? value : "\"" + value.replaceAll("[\"\\\\*]", "\\\\$0") + "\"";
    }

    /**
     * Reads the language.
     *
     * @throws SelectionException with the place of the character that cannot be understood
     */
    public static Selection parse(String text) {
        if (text.length() > LONGEST) {
            throw new SelectionException("the selection is longer than 4,000 characters", LONGEST);
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
            var kind = kind();
            terms.add(term(kind, excluded));
            while (!atEnd() && text.charAt(at) == ',') {
                at++;
                boolean excludedToo = take("not:");
                int before = at;
                var next = kind();
                terms.add(term(at == before ? kind : next, excludedToo));
            }
            return terms;
        }

        private boolean take(String word) {
            boolean found = text.startsWith(word, at);
            at += found ? word.length() : 0;
            return found;
        }

        /** The word before a colon; without one it is a bare word. */
        private Kind kind() {
            int end = at;
            while (end < text.length() && Character.isLetter(text.charAt(end))) {
                end++;
            }
            if (end == at || end >= text.length() || text.charAt(end) != ':') {
                return Kind.BARE;
            }
            var word = text.substring(at, end);
            if (!Kind.WORDS.contains(word)) {
                throw new SelectionException(
                        "\"" + word + ":\" is not known; expected one of " + String.join(": ", Kind.WORDS) + ":"
                                + Nearest.hint(word, Kind.WORDS),
                        at);
            }
            at = end + 1;
            return Kind.valueOf(word.toUpperCase(Locale.ROOT));
        }

        private Term term(Kind kind, boolean excluded) {
            int start = at;
            var pieces = pieces(kind);
            if (pieces.size() == 1 && pieces.getFirst().isEmpty()) {
                throw new SelectionException("something to look for is missing", start);
            }
            return switch (kind) {
                case GROUP -> new InGroup(group(String.join("*", pieces), start), excluded);
                case STATE -> new InState(state(String.join("*", pieces), start), excluded);
                case BARE -> new Bare(Glob.containing(Glob.ofPieces(lowered(pieces))), Glob.ofPieces(pieces), excluded);
                case RECORDER, CAMERA, TEMPLATE, FAMILY, TAG, LABEL -> new Named(kind, Glob.ofPieces(pieces), excluded);
            };
        }

        private static CameraState state(String value, int start) {
            return CameraState.of(value)
                    .orElseThrow(() -> new SelectionException(
                            "\"" + value + "\" is not a state; expected one of "
                                    + String.join(", ", CameraState.words())
                                    + Nearest.hint(value, CameraState.words()),
                            start));
        }

        private static Node.Group group(String value, int start) {
            try {
                return Node.Group.of(value);
            } catch (Refusal e) {
                throw new SelectionException(String.valueOf(e.getMessage()), start);
            }
        }

        /** The value's texts between stars; in lower case where either case is meant. */
        private List<String> pieces(Kind kind) {
            boolean quoted = !atEnd() && text.charAt(at) == '"';
            int opening = at;
            at += quoted ? 1 : 0;
            List<String> pieces = new ArrayList<>();
            var piece = new StringBuilder();
            for (; !ends(quoted); at++) {
                char c = text.charAt(at);
                if (c == '*') {
                    pieces.add(piece.toString());
                    piece.setLength(0);
                } else {
                    boolean escape = quoted && c == '\\' && at + 1 < text.length();
                    at += escape ? 1 : 0;
                    piece.append(text.charAt(at));
                }
            }
            if (quoted && atEnd()) {
                throw new SelectionException("the quote is not closed", opening);
            }
            at += quoted ? 1 : 0;
            pieces.add(piece.toString());
            return kind == Kind.LABEL ? lowered(pieces) : pieces;
        }

        private static List<String> lowered(List<String> pieces) {
            return pieces.stream().map(p -> p.toLowerCase(Locale.ROOT)).toList();
        }

        private boolean ends(boolean quoted) {
            return atEnd()
                    || (quoted
                            ? text.charAt(at) == '"'
                            : Character.isWhitespace(text.charAt(at)) || text.charAt(at) == ',');
        }
    }
}
