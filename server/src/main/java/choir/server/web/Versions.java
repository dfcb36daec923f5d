package choir.server.web;

import java.util.Optional;

/** Entity versions as entity tags. */
public final class Versions {
    private Versions() {}

    public static String tag(long version) {
        return "\"" + version + "\"";
    }

    /** Refuses a write that does not know the current version. */
    public static void check(Optional<String> ifMatch, long current, String what) {
        var given = ifMatch.orElseThrow(() -> new Problem(
                Problem.Kind.VERSION_MISSING,
                "say which version of " + what + " you change, by If-Match: " + tag(current)));
        if (!given.equals(tag(current)) && !given.equals("*")) {
            throw new Problem(
                    Problem.Kind.STALE,
                    what + " was changed by somebody else; it is now at version " + current
                            + "; look at it again before you change it");
        }
    }
}
