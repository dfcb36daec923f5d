package choir.sim;

import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.Principal;
import java.security.PrivateKey;
import java.security.cert.X509Certificate;
import java.util.concurrent.Executors;
import javax.net.ssl.KeyManager;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLEngine;
import javax.net.ssl.X509ExtendedKeyManager;
import org.jspecify.annotations.Nullable;

/** The same recorders by TLS. All show one certificate, signed by nobody; there is a second one for when it is changed. */
final class TlsDoor implements AutoCloseable {
    private static final char[] PASSWORD = "simulated".toCharArray();

    private final HttpsServer server;
    private volatile String alias = "first";

    TlsDoor(int port, HttpHandler recorders) throws IOException {
        try {
            var store = KeyStore.getInstance("PKCS12");
            try (var in = TlsDoor.class.getResourceAsStream("certificates.p12")) {
                store.load(in, PASSWORD);
            }
            var context = SSLContext.getInstance("TLS");
            context.init(new KeyManager[] {new Chosen(store)}, null, null);
            server = HttpsServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 1024);
            server.setHttpsConfigurator(new HttpsConfigurator(context));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
        server.createContext("/", recorders);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.start();
    }

    int port() {
        return server.getAddress().getPort();
    }

    /** @param which {@code first} or {@code second} */
    void show(String which) {
        alias = which;
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private final class Chosen extends X509ExtendedKeyManager {
        private final KeyStore store;

        Chosen(KeyStore store) {
            this.store = store;
        }

        @Override
        public String chooseEngineServerAlias(String type, Principal @Nullable [] issuers, SSLEngine engine) {
            return alias;
        }

        @Override
        public String chooseServerAlias(String type, Principal @Nullable [] issuers, @Nullable Socket socket) {
            return alias;
        }

        @Override
        public String[] getServerAliases(String type, Principal @Nullable [] issuers) {
            return new String[] {alias};
        }

        @Override
        public X509Certificate[] getCertificateChain(String name) {
            try {
                return new X509Certificate[] {(X509Certificate) store.getCertificate(name)};
            } catch (GeneralSecurityException e) {
                throw new IllegalStateException(e);
            }
        }

        @Override
        public PrivateKey getPrivateKey(String name) {
            try {
                return (PrivateKey) store.getKey(name, PASSWORD);
            } catch (GeneralSecurityException e) {
                throw new IllegalStateException(e);
            }
        }

        @Override
        public String @Nullable [] getClientAliases(String type, Principal @Nullable [] issuers) {
            return null;
        }

        @Override
        public @Nullable String chooseClientAlias(
                String @Nullable [] types, Principal @Nullable [] issuers, @Nullable Socket socket) {
            return null;
        }
    }
}
