package choir.rollout;

import choir.family.NativeValue;
import java.util.Optional;

/** One native value that a rollout changes; the old one is missing when the recorder did not show any. */
public record Change(Optional<NativeValue> before, NativeValue after) {}
