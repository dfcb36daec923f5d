package choir.family;

import choir.refusal.Refusal;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Where a device keeps a setting. The wire client alone knows what to do with it. */
public sealed interface Place {
    /** A parameter of an analytics module of that type, such as {@code tt:CellMotionEngine}. */
    record Module(String type, String item) implements Place {}

    /** A parameter of an analytics rule of that type. */
    record Rule(String type, String item) implements Place {}

    /** A parameter that every rule of a type has, one rule for each area. */
    record EachArea(String type, String item) implements Place {}

    /** A menu and an entry of a device that a person sets by hand. */
    record Sheet(String menu, String entry) implements Place {}

    /** What the standard has one field for. */
    enum Field implements Place {
        /** Whether the recording jobs are active. */
        JOB_MODE("job-mode"),
        /** The jobs' schedules. */
        LANES("lanes"),
        /** The jobs' buffers of footage from before and after an event. */
        EVENT_BEFORE("event-before"),
        EVENT_AFTER("event-after"),
        /** The recording's upper bound. */
        RETENTION("retention"),
        /** The encoder's cap. */
        ENCODER_FRAME_RATE("encoder-frame-rate"),
        /** The schedules' groups of dates. */
        SPECIAL_DAYS("special-days");

        private final String word;

        Field(String word) {
            this.word = word;
        }
    }

    /** The words with which a place begins in a family file. */
    static List<String> kinds() {
        return Stream.concat(
                        FormOfType.BY_WORD.keySet().stream().sorted(),
                        Stream.of(Field.values()).map(f -> f.word))
                .toList();
    }

    /** The form of a family file: a word, for some of them followed by a type and a parameter. */
    static Place parse(String text) {
        var match = FormOfType.FORM.matcher(text.strip());
        if (!match.matches()) {
            throw unknown(text);
        }
        var word = match.group(1);
        var ofType = FormOfType.BY_WORD.get(word);
        var field = Stream.of(Field.values()).filter(f -> f.word.equals(word)).findFirst();
        if (ofType == null && field.isEmpty()) {
            throw unknown(text);
        }
        if ((ofType != null) != (match.group(2) != null)) {
            throw new Refusal("\"" + text + "\": "
                    + String.join(
                            ", ", FormOfType.BY_WORD.keySet().stream().sorted().toList())
                    + ", and only they, are followed by a type and a parameter");
        }
        return ofType != null ? ofType.place(match.group(2), match.group(3)) : field.orElseThrow();
    }

    private static Refusal unknown(String text) {
        return new Refusal(
                "\"" + text + "\" is not a place on a device; expected one of " + String.join(", ", kinds()));
    }

    /** The places that name a type and a parameter. */
    @FunctionalInterface
    interface FormOfType {
        Pattern FORM = Pattern.compile("([a-z-]+)(?: ([A-Za-z0-9:._-]+) ([A-Za-z0-9._-]+))?");
        Map<String, FormOfType> BY_WORD =
                Map.of("module", Module::new, "rule", Rule::new, "zones", EachArea::new, "sheet", Sheet::new);

        Place place(String type, String item);
    }
}
