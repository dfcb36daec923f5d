package choir.server.link;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The certificates of those who vouch for recorders by TLS. */
public final class Authorities {
    private Authorities() {}

    /**
     * @param folder every file in it holds one or more certificates
     * @throws IllegalArgumentException for a folder or a file that cannot be used; a fleet with fewer authorities than were
     *     meant is not started
     */
    public static List<X509Certificate> in(Optional<Path> folder) {
        if (folder.isEmpty()) {
            return List.of();
        }
        List<X509Certificate> all = new ArrayList<>();
        try (var files = Files.list(folder.get())) {
            for (var file : files.filter(Files::isRegularFile).sorted().toList()) {
                all.addAll(read(file));
            }
        } catch (IOException e) {
            throw new IllegalArgumentException(
                    "choir.authorities: " + folder.get() + " cannot be read: " + e.getMessage(), e);
        }
        return all;
    }

    private static List<X509Certificate> read(Path file) {
        try (var in = Files.newInputStream(file)) {
            var certificates = CertificateFactory.getInstance("X.509").generateCertificates(in).stream()
                    .map(X509Certificate.class::cast)
                    .toList();
            if (certificates.isEmpty()) {
                throw new CertificateException("it is empty");
            }
            return certificates;
        } catch (IOException | CertificateException e) {
            throw new IllegalArgumentException(
                    "choir.authorities: " + file + " holds no certificate: " + e.getMessage(), e);
        }
    }
}
