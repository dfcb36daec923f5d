package choir.fleet;

import choir.refusal.Refusal;
import java.util.regex.Pattern;

/** What a recorder is called in Choir: lower-case letters, digits and dashes, up to 40 characters. */
public record RecorderName(String text) implements Comparable<RecorderName> {
    private static final Pattern FORM = Pattern.compile("[a-z0-9][a-z0-9-]{0,39}");

    public RecorderName {
        if (!FORM.matcher(text).matches()) {
            throw new Refusal("\"" + text + "\" is not a recorder name; expected lower-case letters,"
                    + " digits and dashes, at most 40, such as haldr-1");
        }
        if (text.equals("fleet")) {
            throw new Refusal("\"fleet\" is the name of the root group; call the recorder something else");
        }
    }

    @Override
    public int compareTo(RecorderName other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
