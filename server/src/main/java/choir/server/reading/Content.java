package choir.server.reading;

import choir.family.NativeConfig;
import org.jspecify.annotations.Nullable;

/** A configuration with the hash of its stored form; two are the same when their hashes are. */
public record Content(String hash, NativeConfig config) {
    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Content content && content.hash.equals(hash);
    }

    @Override
    public int hashCode() {
        return hash.hashCode();
    }
}
