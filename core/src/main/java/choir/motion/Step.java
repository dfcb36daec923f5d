package choir.motion;

/** By how much a pixel has to differ to count. */
public sealed interface Step {
    /** @param luminance 1 to 255 */
    record Fixed(int luminance) implements Step {
        public Fixed {
            if (luminance < 1 || luminance > 255) {
                throw new IllegalArgumentException("no step of luminance: " + luminance);
            }
        }

        /** @param sensitivity 0 to 100 */
        public static Fixed ofSensitivity(double sensitivity) {
            return new Fixed(Sensitivity.step(sensitivity));
        }
    }

    /** In each cell by the noise that was measured there. */
    record Adapted() implements Step {}
}
