package choir.drift;

import choir.family.NativeValue;

/** The last write of a setting that did not read back equal. */
public record Attempt(NativeValue written, NativeValue readBack) {}
