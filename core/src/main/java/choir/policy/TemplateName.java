package choir.policy;

import choir.refusal.Refusal;
import java.util.regex.Pattern;

/** Lower-case letters, digits and dashes, up to 60 characters. */
public record TemplateName(String text) implements Comparable<TemplateName> {
    private static final Pattern FORM = Pattern.compile("[a-z0-9][a-z0-9-]{0,59}");

    public TemplateName {
        if (!FORM.matcher(text).matches()) {
            throw new Refusal("\"" + text + "\" is not a template name; expected lower-case letters,"
                    + " digits and dashes, such as quay-outside");
        }
    }

    @Override
    public int compareTo(TemplateName other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
