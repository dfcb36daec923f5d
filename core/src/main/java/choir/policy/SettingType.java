package choir.policy;

import java.math.BigDecimal;
import java.util.regex.Pattern;

/** What kind of thing a setting's value is, with its unit and range. */
public sealed interface SettingType {
    /** The range in words, for messages, forms and the reference. */
    String expected();

    /** The types of which a value is one word of text. */
    sealed interface Scalar extends SettingType {
        /**
         * Reads the text form.
         *
         * @throws IllegalArgumentException saying what was expected
         */
        Value parse(String text);
    }

    record OnOff() implements Scalar {
        @Override
        public Value parse(String text) {
            return switch (text) {
                case "on" -> new Value.Flag(true);
                case "off" -> new Value.Flag(false);
                default -> throw new IllegalArgumentException("\"" + text + "\" is neither on nor off");
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
                throw new IllegalArgumentException(
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
     * A number with a unit; at most {@code decimals} digits after the point.
     *
     * @param cap the value is a limit from above: a device that knows only coarser values takes the next lower one
     *     (otherwise the next higher one, so that rounding never loses footage)
     */
    record Amount(String unit, int min, int max, int decimals, boolean cap) implements Scalar {
        private static final Pattern FORM = Pattern.compile("(\\d{1,9}(?:\\.\\d{1,4})?)\\s*([a-z]*)");

        @Override
        public Value parse(String text) {
            var match = FORM.matcher(text.strip());
            if (!match.matches() || !match.group(2).isEmpty() && !match.group(2).equals(unit)) {
                throw refused(text);
            }
            var number = new BigDecimal(match.group(1));
            boolean inRange =
                    number.compareTo(BigDecimal.valueOf(min)) >= 0 && number.compareTo(BigDecimal.valueOf(max)) <= 0;
            if (!inRange || number.stripTrailingZeros().scale() > decimals) {
                throw refused(text);
            }
            return new Value.Amount(number, unit);
        }

        private IllegalArgumentException refused(String text) {
            return new IllegalArgumentException("\"" + text + "\" is out of range; expected " + expected());
        }

        @Override
        public String expected() {
            return min + unit + " to " + max + unit;
        }
    }

    record WeekOfTriggers() implements SettingType {
        @Override
        public String expected() {
            return "lines such as \"mon-fri 06:00-18:30 continuous\"";
        }
    }

    record AreaList() implements SettingType {
        @Override
        public String expected() {
            return "areas, each watch or ignore, with a polygon, a rectangle or cells";
        }
    }
}
