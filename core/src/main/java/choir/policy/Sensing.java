package choir.policy;

import choir.refusal.Refusal;
import choir.scale.Sensitivity;
import java.math.BigDecimal;
import java.util.Optional;

/**
 * A sensitivity fixed by hand, or adapted by the device to the noise of the picture.
 *
 * @param auto whether the device adapts; {@code number} is then what a device takes that cannot
 */
public record Sensing(boolean auto, Optional<Sensitivity> number) {
    public Sensing {
        if (!auto && number.isEmpty()) {
            throw new Refusal("a sensitivity that is not auto needs a number");
        }
    }

    /** Reads {@code 55}, {@code auto} or {@code auto, else 55}. */
    static Sensing parse(String text) {
        var trimmed = text.strip();
        if (trimmed.equals("auto")) {
            return new Sensing(true, Optional.empty());
        }
        boolean auto = trimmed.matches("auto\\s*,\\s*else\\s+.*");
        var number = auto ? trimmed.replaceFirst("auto\\s*,\\s*else\\s+", "") : trimmed;
        if (!number.matches("\\d{1,3}(\\.\\d{1,4})?")) {
            throw new Refusal(
                    "\"" + text + "\" is not a sensitivity; expected 0 to 100, auto, or" + " \"auto, else 55\"");
        }
        return new Sensing(auto, Optional.of(new Sensitivity(new BigDecimal(number))));
    }

    @Override
    public String toString() {
        return auto
                ? number.map(n -> "auto, else " + n).orElse("auto")
                : number.orElseThrow().toString();
    }
}
