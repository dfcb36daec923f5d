package choir.onvif;

import org.apache.hc.client5.http.auth.AuthCache;
import org.apache.hc.client5.http.auth.AuthScheme;
import org.apache.hc.core5.http.HttpHost;
import org.jspecify.annotations.Nullable;

/**
 * Keeps the answer to one challenge for all services of a recorder, whatever their paths, so that a conversation is
 * challenged once.
 */
final class OneChallenge implements AuthCache {
    private @Nullable AuthScheme scheme;

    @Override
    public void put(HttpHost host, AuthScheme answered) {
        scheme = answered;
    }

    @Override
    public @Nullable AuthScheme get(HttpHost host) {
        return scheme;
    }

    @Override
    public void remove(HttpHost host) {
        scheme = null;
    }

    @Override
    public void clear() {
        scheme = null;
    }
}
