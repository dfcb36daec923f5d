package choir.server.account;

import choir.server.web.Problem;
import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

/** Which passwords people may choose. What stands here is what the hash keeps: of a longer one it would forget the end. */
final class PasswordRule {
    private static final int SHORTEST = 10;
    /** BCrypt takes no more. */
    private static final int MOST_BYTES = 72;

    private static final int DIFFERENT = 5;
    /** So few are tried in a day, even where guesses are as slow as here and come from many places. */
    private static final double FEW_GUESSES = 1e8;

    private PasswordRule() {}

    static void require(String name, String fresh) {
        if (fresh.codePointCount(0, fresh.length()) < SHORTEST) {
            refuse("a password has at least " + SHORTEST + " characters");
        }
        if (fresh.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            refuse("a password has at most " + MOST_BYTES + " bytes, which are as many plain letters");
        }
        if (fresh.chars().distinct().count() < DIFFERENT) {
            refuse("a password has at least " + DIFFERENT + " different characters");
        }
        var without = fresh.toLowerCase(Locale.ROOT).replace(name.toLowerCase(Locale.ROOT), "");
        if (without.length() < SHORTEST - DIFFERENT && without.length() < fresh.length()) {
            refuse("a password is more than the name of the one whom it lets in");
        }
        if (new Zxcvbn().measure(fresh, List.of(name, "choir")).getGuesses() < FEW_GUESSES) {
            refuse(
                    "that password would be guessed soon: lists of common ones, words, names, dates and keys in a row are"
                            + " tried first; take some words that have nothing to do with each other");
        }
    }

    private static void refuse(String why) {
        throw new Problem(Problem.Kind.INVALID, why);
    }
}
