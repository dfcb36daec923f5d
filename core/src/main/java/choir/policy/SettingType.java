package choir.policy;

import choir.fleet.Nearest;
import choir.refusal.Refusal;
import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;

/** What kind of thing a setting's value is, with its unit and range. */
public sealed interface SettingType {
    /** The range in words, for messages, forms and the reference. */
    String expected();

    /** A word for the control that fits it. */
    default String kind() {
        return switch (this) {
            case OnOff o -> "on-off";
            case Choice c -> "choice";
            case SensitivityOrAuto s -> "sensitivity";
            case ShareOfPicture s -> "share";
            case Amount a -> "amount";
            case Named n -> "name";
            case ClipEvery c -> "clip";
            case OffOr o -> "off-or";
            case WeekOfTriggers w -> "week";
            case WeekOfSensitivities w -> "levels";
            case DayPlans d -> "special-days";
            case AreaList a -> "areas";
        };
    }

    /** The only values that there are; empty when there are more than can be listed. */
    default List<String> choices() {
        return switch (this) {
            case OnOff o -> List.of("on", "off");
            case Choice c -> c.words();
            case SensitivityOrAuto s -> List.of();
            case ShareOfPicture s -> List.of();
            case Amount a -> List.of();
            case Named n -> List.of();
            case ClipEvery c -> List.of();
            case OffOr o -> List.of();
            case WeekOfTriggers w -> List.of();
            case WeekOfSensitivities w -> List.of();
            case DayPlans d -> List.of();
            case AreaList a -> List.of();
        };
    }

    /** The types of which a value is one word of text. */
    sealed interface Scalar extends SettingType {
        /**
         * Reads the text form.
         *
         * @throws Refusal saying what was expected
         */
        Value parse(String text);
    }

    record OnOff() implements Scalar {
        @Override
        public Value parse(String text) {
            return switch (text) {
                case "on" -> new Value.Flag(true);
                case "off" -> new Value.Flag(false);
                default -> throw new Refusal("\"" + text + "\" is neither on nor off");
            };
        }

        @Override
        public String expected() {
            return "on or off";
        }
    }

    record SensitivityOrAuto() implements Scalar {
        @Override
        public Value parse(String text) {
            return new Value.Sense(Sensing.parse(text));
        }

        @Override
        public String expected() {
            return "0 to 100, auto, or \"auto, else 55\"";
        }
    }

    record ShareOfPicture() implements Scalar {
        private static final Pattern FORM = Pattern.compile("(\\d{1,3}(?:\\.\\d{1,4})?)\\s*%");

        @Override
        public Value parse(String text) {
            var match = FORM.matcher(text.strip());
            if (!match.matches()) {
                throw new Refusal(
                        "\"" + text + "\" is not a share of the picture; expected " + expected() + ", such as 0.6%");
            }
            return new Value.Share(new choir.scale.Threshold(new BigDecimal(match.group(1))));
        }

        @Override
        public String expected() {
            return "above 0% and at most 100%";
        }
    }

    /**
     * A number with its unit, which goes without saying only where there is no other; at most {@code decimals} digits after
     * the point.
     *
     * @param cap the value is a limit from above: a device that knows only coarser values takes the next lower one
     *     (otherwise the next higher one, so that rounding never loses footage)
     * @param moreLoses a larger value records less, such as a longer delay before motion counts
     */
    record Amount(Unit unit, int min, int max, int decimals, boolean cap, boolean moreLoses) implements Scalar {
        Amount(Unit unit, int min, int max, int decimals, boolean cap) {
            this(unit, min, max, decimals, cap, false);
        }

        private static final Pattern FORM = Pattern.compile("(\\d{1,9}(?:\\.\\d{1,4})?)\\s*([a-z/]*)");

        @Override
        public Value parse(String text) {
            var match = FORM.matcher(text.strip());
            if (!match.matches()) {
                throw new Refusal("\"" + text + "\" is no number with a unit; expected " + expected());
            }
            if (match.group(2).isEmpty() && unit.isOneOfSeveral() && new BigDecimal(match.group(1)).signum() != 0) {
                throw new Refusal("\"" + text + "\" has no unit; expected " + expected() + ", such as " + match.group(1)
                        + unit.symbol());
            }
            var said = match.group(2).isEmpty() ? unit.symbol() : match.group(2);
            var factor = unit.of(said)
                    .orElseThrow(() -> new Refusal("\"" + text + "\": " + said + " is no unit here; expected "
                            + expected() + ", in " + unit.words()));
            var number = new BigDecimal(match.group(1)).multiply(factor);
            boolean inRange =
                    number.compareTo(BigDecimal.valueOf(min)) >= 0 && number.compareTo(BigDecimal.valueOf(max)) <= 0;
            if (!inRange || number.stripTrailingZeros().scale() > decimals) {
                var read = choir.scale.Decimals.plain(number).toPlainString() + unit;
                throw new Refusal("\"" + text + "\""
                        + (read.equals(text.strip()) ? "" : " (" + read + ")")
                        + (inRange ? " is finer than can be set" : " is out of range") + "; expected " + expected()
                        + (decimals == 0 ? ", whole" : ""));
            }
            return new Value.Amount(number, unit);
        }

        @Override
        public String expected() {
            return min + unit.symbol() + " to " + max + unit;
        }
    }

    /** One of a few words. */
    record Choice(List<String> words) implements Scalar {
        public Choice {
            words = List.copyOf(words);
        }

        @Override
        public Value parse(String text) {
            if (!words.contains(text)) {
                throw new Refusal("\"" + text + "\" is none of " + expected() + Nearest.hint(text, words));
            }
            return new Value.Word(text);
        }

        @Override
        public String expected() {
            return String.join(", ", words);
        }
    }

    /** The name of something that the recorder has, such as a stream or a store. */
    record Named(String example) implements Scalar {
        private static final Pattern FORM = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,63}");

        @Override
        public Value parse(String text) {
            if (!FORM.matcher(text).matches()) {
                throw new Refusal("\"" + text + "\" is not a name; expected " + expected());
            }
            return new Value.Word(text);
        }

        @Override
        public String expected() {
            return "a name of at most 64 letters, digits, points and dashes, such as " + example;
        }
    }

    /** Something done now and then, such as a clip: how long, and how often. */
    record ClipEvery() implements Scalar {
        private static final Pattern FORM = Pattern.compile("(\\d{1,4})s every (\\d{1,4})min");

        @Override
        public Value parse(String text) {
            var match = FORM.matcher(text.strip());
            if (text.equals("off")) {
                return new Value.Word(text);
            }
            if (!match.matches()) {
                throw new Refusal("\"" + text + "\" is not a clip; expected " + expected());
            }
            int seconds = Integer.parseInt(match.group(1));
            int minutes = Integer.parseInt(match.group(2));
            if (seconds == 0 || minutes == 0 || seconds > minutes * 60) {
                throw new Refusal(
                        "\"" + text + "\": a clip has some length and is not longer than the time to the next one");
            }
            return new Value.Word(seconds + "s every " + minutes + "min");
        }

        @Override
        public String expected() {
            return "off, or a length and an interval such as 10s every 30min";
        }
    }

    /** Off, or with a parameter that is one line of text. */
    record OffOr(String parameter, String example) implements Scalar {
        @Override
        public Value parse(String text) {
            var trimmed = text.strip();
            if (trimmed.isEmpty() || trimmed.length() > 200 || trimmed.chars().anyMatch(Character::isISOControl)) {
                throw new Refusal("\"" + trimmed + "\" is not a value here; expected " + expected());
            }
            return new Value.Word(trimmed);
        }

        @Override
        public String expected() {
            return "off, or " + parameter + " such as " + example;
        }
    }

    record WeekOfTriggers() implements SettingType {
        @Override
        public String expected() {
            return "lines such as \"mon-fri 06:00-18:30 continuous\"";
        }
    }

    record WeekOfSensitivities() implements SettingType {
        @Override
        public String expected() {
            return "lines such as \"daily 21:00-05:30 45\", the number being a sensitivity of 0 to 100";
        }
    }

    /** Calendars, or dates, with the plan that holds on them. */
    record DayPlans() implements SettingType {
        @Override
        public String expected() {
            return "a calendar or a date with its plan, such as \"public-holidays: daily continuous\"";
        }
    }

    record AreaList() implements SettingType {
        @Override
        public String expected() {
            return "areas, each watch or ignore, with a polygon, a rectangle or cells";
        }
    }
}
