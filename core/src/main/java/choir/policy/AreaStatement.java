package choir.policy;

import choir.area.Shape;
import choir.refusal.Refusal;
import choir.scale.Threshold;
import java.util.Optional;

/** What one layer says of one named area. Fields that are absent are left to the layers below. */
public record AreaStatement(
        String name,
        boolean remove,
        Optional<AreaKind> kind,
        Optional<Shape> shape,
        Optional<Sensing> sensitivity,
        Optional<Threshold> threshold) {
    public AreaStatement {
        if (name.isBlank() || name.length() > 64) {
            throw new Refusal("an area needs a name of at most 64 characters");
        }
    }

    public static AreaStatement removal(String name) {
        return new AreaStatement(name, true, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }
}
