package choir.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLSocketFactory;
import javax.net.ssl.TrustManagerFactory;

/** Who vouches for a service whose certificate comes from the organisation itself. */
final class Trust {
    private Trust() {}

    /** @throws Failure when the file cannot be read, or holds none */
    static SSLSocketFactory in(Path file) {
        try (var in = Files.newInputStream(file)) {
            var store = KeyStore.getInstance(KeyStore.getDefaultType());
            store.load(null, null);
            int number = 0;
            for (var certificate : CertificateFactory.getInstance("X.509").generateCertificates(in)) {
                store.setCertificateEntry("authority-" + number++, certificate);
            }
            if (number == 0) {
                throw new Failure(Failure.WRONG_USAGE, "CHOIR_CA: there is no certificate in " + file);
            }
            var managers = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
            managers.init(store);
            var context = SSLContext.getInstance("TLS");
            context.init(null, managers.getTrustManagers(), null);
            return context.getSocketFactory();
        } catch (IOException | GeneralSecurityException e) {
            throw new Failure(Failure.WRONG_USAGE, "CHOIR_CA: " + file + " holds no certificates: " + e.getMessage());
        }
    }
}
