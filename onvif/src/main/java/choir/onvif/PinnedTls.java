package choir.onvif;

import choir.link.Fingerprint;
import java.io.IOException;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateException;
import java.security.cert.X509Certificate;
import java.util.Collection;
import java.util.Optional;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLEngine;
import javax.net.ssl.SSLException;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.TrustManager;
import javax.net.ssl.TrustManagerFactory;
import javax.net.ssl.X509ExtendedTrustManager;
import org.apache.hc.client5.http.ssl.TlsSocketStrategy;
import org.apache.hc.core5.http.protocol.HttpContext;
import org.jspecify.annotations.Nullable;

/**
 * TLS to recorders. A certificate is good when one of the fleet's own authorities vouches for it and for the address, or when
 * it is the very one that a person has confirmed. There is no third way, and nothing is sent before.
 */
final class PinnedTls implements TlsSocketStrategy {
    private static final String PINNED = "choir.pinned";
    private static final int HANDSHAKE_MILLIS = 5_000;

    private final Optional<X509ExtendedTrustManager> authorities;

    /** @param authorities the certificates of the fleet's own authorities; may be none */
    PinnedTls(Collection<X509Certificate> authorities) {
        this.authorities = authorities.isEmpty() ? Optional.empty() : Optional.of(trusting(authorities));
    }

    private static X509ExtendedTrustManager trusting(Collection<X509Certificate> authorities) {
        try {
            var store = KeyStore.getInstance(KeyStore.getDefaultType());
            store.load(null, null);
            int number = 0;
            for (var authority : authorities) {
                store.setCertificateEntry("authority-" + number++, authority);
            }
            var factory = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
            factory.init(store);
            for (var manager : factory.getTrustManagers()) {
                if (manager instanceof X509ExtendedTrustManager extended) {
                    return extended;
                }
            }
            throw new IllegalStateException("this Java knows no trust manager for certificates");
        } catch (GeneralSecurityException | IOException e) {
            throw new IllegalStateException("the authorities cannot be used: " + e.getMessage(), e);
        }
    }

    /** Notes which certificate was confirmed for the recorder that a conversation is with. */
    static void expect(HttpContext context, Optional<Fingerprint> pinned) {
        context.setAttribute(PINNED, pinned);
    }

    private static Optional<Fingerprint> expected(@Nullable HttpContext context) {
        return Optional.ofNullable(context)
                .map(c -> c.getAttribute(PINNED))
                .filter(Optional.class::isInstance)
                .flatMap(o -> ((Optional<?>) o).map(Fingerprint.class::cast));
    }

    /** What a connection is kept for: the certificate that was confirmed, nothing without one. */
    static @Nullable Object state(HttpContext context) {
        return expected(context).map(Fingerprint::text).orElse(null);
    }

    /** The certificate was not taken; nothing of the conversation was sent. */
    static final class RefusedException extends CertificateException {
        private final transient Fingerprint presented;

        private final boolean another;

        /** @param another where some other certificate was confirmed */
        RefusedException(Fingerprint presented, boolean another, String why) {
            super(why);
            this.presented = presented;
            this.another = another;
        }

        boolean isAnother() {
            return another;
        }

        Fingerprint presented() {
            return presented;
        }

        static Optional<RefusedException> in(@Nullable Throwable thrown) {
            for (var cause = thrown; cause != null; cause = cause.getCause()) {
                if (cause instanceof RefusedException refused) {
                    return Optional.of(refused);
                }
            }
            return Optional.empty();
        }
    }

    @Override
    public SSLSocket upgrade(
            Socket socket, String host, int port, @Nullable Object attachment, @Nullable HttpContext context)
            throws IOException {
        try {
            var tls = SSLContext.getInstance("TLS");
            tls.init(null, new TrustManager[] {new Check(expected(context))}, null);
            var secured = (SSLSocket) tls.getSocketFactory().createSocket(socket, host, port, true);
            var parameters = secured.getSSLParameters();
            parameters.setEndpointIdentificationAlgorithm("HTTPS");
            secured.setSSLParameters(parameters);
            int before = secured.getSoTimeout();
            secured.setSoTimeout(HANDSHAKE_MILLIS);
            secured.startHandshake();
            secured.setSoTimeout(before);
            return secured;
        } catch (SocketTimeoutException e) {
            throw new SSLException("it was silent for " + HANDSHAKE_MILLIS / 1_000 + " s", e);
        } catch (GeneralSecurityException e) {
            throw new IOException("TLS cannot be used here: " + e.getMessage(), e);
        }
    }

    private final class Check extends X509ExtendedTrustManager {
        private final Optional<Fingerprint> pinned;

        Check(Optional<Fingerprint> pinned) {
            this.pinned = pinned;
        }

        private void check(X509Certificate[] chain, boolean vouchedFor) throws CertificateException {
            var presented = Fingerprint.of(chain[0].getEncoded());
            if (vouchedFor || pinned.filter(presented::equals).isPresent()) {
                return;
            }
            throw new RefusedException(
                    presented,
                    pinned.isPresent(),
                    pinned.isEmpty()
                            ? "its certificate is not known here: SHA-256 " + presented + ", " + words(chain[0])
                            : "it shows another certificate than the one that was confirmed: SHA-256 " + presented
                                    + " and not " + pinned.get() + ", " + words(chain[0]));
        }

        private static String words(X509Certificate certificate) {
            return Element.shortened(
                            "for " + certificate.getSubjectX500Principal().getName()) + ", until "
                    + certificate.getNotAfter().toInstant();
        }

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type, Socket socket)
                throws CertificateException {
            check(chain, vouched(t -> t.checkServerTrusted(chain, type, socket)));
        }

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type, SSLEngine engine)
                throws CertificateException {
            check(chain, vouched(t -> t.checkServerTrusted(chain, type, engine)));
        }

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type) throws CertificateException {
            check(chain, false);
        }

        private boolean vouched(Vouching vouching) {
            try {
                if (authorities.isPresent()) {
                    vouching.by(authorities.get());
                    return true;
                }
            } catch (CertificateException e) {
                // Then only the confirmed certificate will do.
            }
            return false;
        }

        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type, Socket socket)
                throws CertificateException {
            throw new CertificateException("nobody connects to this end");
        }

        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type, SSLEngine engine)
                throws CertificateException {
            throw new CertificateException("nobody connects to this end");
        }

        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type) throws CertificateException {
            throw new CertificateException("nobody connects to this end");
        }

        @Override
        public X509Certificate[] getAcceptedIssuers() {
            return new X509Certificate[0];
        }
    }

    @FunctionalInterface
    private interface Vouching {
        void by(X509ExtendedTrustManager authorities) throws CertificateException;
    }
}
