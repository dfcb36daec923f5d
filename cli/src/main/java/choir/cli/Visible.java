package choir.cli;

import java.util.regex.Pattern;

/**
 * Text that others wrote, as it may be shown on a terminal: what would move the cursor, ring a bell, change colours or turn
 * the direction of writing is shown by its number instead. Line breaks stay.
 */
final class Visible {
    private Visible() {}

    /** Bold, faint, underlined and coloured, which our own lines may be. */
    private static final Pattern STYLE = Pattern.compile("\u001b\\[(?:(?:0|1|2|4|21|22|24|39|3[0-7])?;?)*m");

    /** A line of our own with words of others in it: styles stay, everything else that acts is shown. */
    static String line(String line) {
        var shown = new StringBuilder();
        var styles = STYLE.matcher(line);
        int from = 0;
        while (styles.find()) {
            shown.append(text(line.substring(from, styles.start()))).append(styles.group());
            from = styles.end();
        }
        return shown.append(text(line.substring(from))).toString();
    }

    static String text(String text) {
        if (text.codePoints().noneMatch(Visible::acts)) {
            return text;
        }
        var shown = new StringBuilder();
        text.codePoints().forEach(c -> {
            if (acts(c)) {
                shown.append("\\u%04x".formatted(c));
            } else {
                shown.appendCodePoint(c);
            }
        });
        return shown.toString();
    }

    private static boolean acts(int c) {
        return c != '\n'
                && switch (Character.getType(c)) {
                    case Character.CONTROL,
                            Character.FORMAT,
                            Character.LINE_SEPARATOR,
                            Character.PARAGRAPH_SEPARATOR,
                            Character.SURROGATE -> true;
                    default -> false;
                };
    }
}
