package choir.family;

import java.util.List;
import java.util.regex.Pattern;

/**
 * Where a device keeps a setting. The wire client alone knows what to do with it.
 *
 * @param kind one of {@link #KINDS}
 * @param type for analytics items: the type of the module or rule, such as {@code tt:CellMotionEngine}
 * @param item for analytics items: the name of the parameter
 */
public record Place(String kind, String type, String item) {
    /**
     * {@code module} and {@code rule}: a parameter of an analytics module or rule. {@code job-mode}: whether the
     * recording jobs are active. {@code lanes}: the jobs' schedules. {@code event-before}, {@code event-after}: the
     * jobs' event buffers. {@code retention}: the recording's upper bound. {@code encoder-frame-rate}: the encoder's cap. {@code zones}: a parameter that every rule of
     * a type has, one rule for each area. {@code special-days}: the schedules' groups of dates. {@code sheet}: a menu and
     * an entry of a device that a person sets by hand.
     */
    public static final List<String> KINDS = List.of(
            "module",
            "rule",
            "job-mode",
            "lanes",
            "event-before",
            "event-after",
            "retention",
            "encoder-frame-rate",
            "zones",
            "special-days",
            "sheet");

    /** Those that are followed by a type and a parameter. */
    private static final List<String> OF_TYPE = List.of("module", "rule", "zones", "sheet");

    private static final Pattern FORM = Pattern.compile("([a-z-]+)(?: ([A-Za-z0-9:._-]+) ([A-Za-z0-9._-]+))?");

    public static Place parse(String text) {
        var match = FORM.matcher(text.strip());
        if (!match.matches() || !KINDS.contains(match.group(1))) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is not a place on a device; expected one of " + String.join(", ", KINDS));
        }
        boolean ofType = OF_TYPE.contains(match.group(1));
        if (ofType != (match.group(2) != null)) {
            throw new IllegalArgumentException("\"" + text + "\": " + String.join(", ", OF_TYPE)
                    + ", and only they, are followed by a type" + " and a parameter");
        }
        return ofType ? new Place(match.group(1), match.group(2), match.group(3)) : new Place(match.group(1), "", "");
    }
}
