package choir.server;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;

/** Strings that a device or a person could send: all of Unicode that is text. */
public final class Strings {
    private static final List<String> ODD = List.of(
            "Feast | Easter",
            "A^B",
            "a\tb",
            "line\nbreak",
            "carriage\r\nreturn",
            "\"quoted\" 'too'",
            "back\\slash",
            "{\"v\":1}",
            "<a href=\"x\">&amp;</a>",
            "--- # yaml: [1]",
            "=1+1",
            "\u202Eright to left\u202C",
            "\u05D0\u05D1 \u0627\u0644",
            "\uD83D\uDEA2 ship",
            "e\u0301 combining",
            "\u0000 nul",
            "\u0001\u0002\u001B[31m bell \u0007",
            "\u007F\u0085\u009F",
            "\u2028\u2029\uFEFF",
            " leading and trailing ",
            "camera:haldr-1/07",
            "fleet/yard",
            "*",
            "~tilde",
            "..",
            "%2F%00",
            "x".repeat(64));

    private Strings() {}

    public static List<String> odd() {
        return ODD;
    }

    /** The odd ones, and as many made of any characters. */
    public static List<String> any(RandomGenerator random, int most) {
        List<String> all = new ArrayList<>(ODD);
        for (int i = 0; i < 200; i++) {
            all.add(anyText(random, 1 + random.nextInt(most)));
        }
        return all;
    }

    public static String anyText(RandomGenerator random, int length) {
        var text = new StringBuilder();
        while (text.length() < length) {
            int c = random.nextInt(
                    switch (random.nextInt(4)) {
                        case 0 -> 0x80;
                        case 1 -> 0x800;
                        case 2 -> 0x10000;
                        default -> 0x110000;
                    });
            boolean half = c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE;
            if (!half && text.length() + Character.charCount(c) <= length) {
                text.appendCodePoint(c);
            }
        }
        return text.toString();
    }
}
