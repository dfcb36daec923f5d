package choir.server.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.sim.Simulator;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.Base64;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AuthoritiesTest {
    @TempDir
    private Path folder;

    private static String pem(String alias) throws Exception {
        var store = KeyStore.getInstance("PKCS12");
        try (var in = Simulator.class.getResourceAsStream("certificates.p12")) {
            store.load(in, "simulated".toCharArray());
        }
        return "-----BEGIN CERTIFICATE-----\n"
                + Base64.getMimeEncoder()
                        .encodeToString(store.getCertificate(alias).getEncoded())
                + "\n-----END CERTIFICATE-----\n";
    }

    @Test
    void everyFileHoldsOneOrMoreOfThem() throws Exception {
        Files.writeString(folder.resolve("both.pem"), pem("first") + pem("second"));
        Files.writeString(folder.resolve("one.pem"), pem("first"));
        assertThat(Authorities.in(Optional.of(folder))).hasSize(3);
        assertThat(Authorities.in(Optional.empty())).isEmpty();
    }

    @Test
    void aServiceWithFewerThanWereMeantDoesNotStart() throws Exception {
        Files.writeString(folder.resolve("one.pem"), pem("first"));
        Files.writeString(folder.resolve("two.pem"), "no certificate at all");
        assertThatThrownBy(() -> Authorities.in(Optional.of(folder)))
                .hasMessageContaining("choir.authorities")
                .hasMessageContaining("two.pem");
        assertThatThrownBy(() -> Authorities.in(Optional.of(folder.resolve("missing"))))
                .hasMessageContaining("missing");
    }

    @Test
    void anEmptyFileVouchesForNobodyAndIsTold() throws Exception {
        Files.writeString(folder.resolve("empty.pem"), "");
        assertThatThrownBy(() -> Authorities.in(Optional.of(folder))).hasMessageContaining("empty.pem");
    }
}
