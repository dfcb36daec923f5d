package choir.server.standing;

import org.jspecify.annotations.Nullable;

/** Equal only to itself; policies of one group are one object, and hashing their content would cost more. */
@SuppressWarnings("ReferenceEquality")
record Identity(Object object) {
    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Identity(var theirs) && theirs == object;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(object);
    }
}
