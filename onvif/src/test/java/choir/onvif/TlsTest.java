package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import choir.family.Families;
import choir.link.Fingerprint;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.sim.Simulator;
import java.net.URI;
import java.security.KeyStore;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A recorder by TLS is told nothing before its certificate is known to be the right one. */
class TlsTest {
    private final Simulator simulator = Simulator.start(0);
    private final int port = simulator.secure(0);
    private OnvifLink link = link(List.of());

    private static OnvifLink link(List<X509Certificate> authorities) {
        return new OnvifLink(Patience.ofCall(Duration.ofMinutes(2)), authorities, InstantSource.system());
    }

    @BeforeEach
    void add() {
        simulator.add("tern-1", "tern", "choir", "harbour", 2);
    }

    @AfterEach
    void stop() {
        link.close();
        simulator.close();
    }

    private static X509Certificate shown(String alias) throws Exception {
        var store = KeyStore.getInstance("PKCS12");
        try (var in = Simulator.class.getResourceAsStream("certificates.p12")) {
            store.load(in, "simulated".toCharArray());
        }
        return (X509Certificate) store.getCertificate(alias);
    }

    private static Fingerprint print(String alias) throws Exception {
        return Fingerprint.of(shown(alias).getEncoded());
    }

    private RecorderAccess access(String host, Optional<Fingerprint> pinned) {
        return new RecorderAccess(
                "pier",
                URI.create("https://" + host + ":" + port + "/tern-1/device_service"),
                "choir",
                "harbour",
                pinned,
                Families.shipped().named("tern"));
    }

    private int channels(Optional<Fingerprint> pinned) {
        return link.read(access("127.0.0.1", pinned)).channels().size();
    }

    private LinkException refusal(Optional<Fingerprint> pinned) {
        var thrown = catchThrowableOfType(LinkException.class, () -> channels(pinned));
        assertThat(thrown.reason()).isEqualTo(Reason.CERTIFICATE);
        assertThat(thrown.endsConversation()).isTrue();
        return thrown;
    }

    private String calls() {
        return simulator.display("tern-1").split(" calls ")[1].split(" ")[0];
    }

    @Test
    void aCertificateThatNobodyConfirmedIsShownAndNothingIsSent() throws Exception {
        var thrown = refusal(Optional.empty());
        assertThat(thrown.presented()).contains(print("first"));
        assertThat(thrown)
                .hasMessageContaining(
                        "pier was told nothing: its certificate is not known here: SHA-256 " + print("first"))
                .hasMessageContaining("for CN=simulated recorder, until ");
        assertThat(calls()).isEqualTo("0");
    }

    @Test
    void theConfirmedOneIsSpokenToAndAnotherIsNot() throws Exception {
        var first = Optional.of(print("first"));
        assertThat(channels(first)).isEqualTo(2);
        refusal(Optional.of(print("second")));
        assertThat(refusal(Optional.empty()))
                .as("the connection that is still open is nobody else's")
                .hasMessageContaining("not known here");
        link.close();
        link = link(List.of());
        simulator.showCertificate("second");
        var before = calls();
        assertThat(refusal(first))
                .hasMessageContaining("another certificate than the one that was confirmed")
                .hasMessageContaining(print("second") + " and not " + print("first"));
        assertThat(calls()).isEqualTo(before);
        assertThat(channels(Optional.of(print("second")))).isEqualTo(2);
    }

    @Test
    void anAuthorityOfTheFleetVouchesForItsOwnAndForTheirAddressesAlone() throws Exception {
        link.close();
        link = link(List.of(shown("first")));
        assertThat(channels(Optional.empty())).isEqualTo(2);
        var elsewhere =
                catchThrowableOfType(LinkException.class, () -> link.read(access("localhost", Optional.empty())));
        assertThat(elsewhere.reason()).as("it is for another address").isEqualTo(Reason.CERTIFICATE);
        link.close();
        link = link(List.of(shown("first")));
        simulator.showCertificate("second");
        refusal(Optional.empty());
    }

    @Test
    void aHandshakeThatDripsIsBrokenOff() throws Exception {
        link.close();
        link = new OnvifLink(Patience.ofCall(Duration.ofSeconds(1)));
        try (var server = new java.net.ServerSocket(0, 10, java.net.InetAddress.getLoopbackAddress())) {
            Thread.ofVirtual().start(() -> drip(server));
            var dripping = new RecorderAccess(
                    URI.create("https://127.0.0.1:" + server.getLocalPort() + "/x"), "u", "p", Optional.empty());
            var thrown = catchThrowableOfType(LinkException.class, () -> link.read(dripping));
            assertThat(thrown.reason()).isIn(Reason.TIMED_OUT, Reason.UNREACHABLE);
        }
    }

    /** The beginning of a long record of the handshake, and then a byte now and then, without end. */
    private static void drip(java.net.ServerSocket server) {
        try {
            while (true) {
                var socket = server.accept();
                Thread.ofVirtual().start(() -> {
                    try {
                        var out = socket.getOutputStream();
                        out.write(new byte[] {0x16, 3, 3, 0x3f, 0});
                        while (true) {
                            out.write(2);
                            out.flush();
                            Thread.sleep(100);
                        }
                    } catch (java.io.IOException | InterruptedException e) {
                        // The other end has had enough.
                    }
                });
            }
        } catch (java.io.IOException e) {
            // It is over.
        }
    }

    @Test
    void aRecorderWithoutTlsAtTheAddressIsSaidToHaveNone() {
        var plain = new RecorderAccess(
                URI.create("https://127.0.0.1:" + simulator.port() + "/tern-1/device_service"),
                "choir",
                "harbour",
                Optional.empty());
        var thrown = catchThrowableOfType(LinkException.class, () -> link.read(plain));
        assertThat(thrown.reason()).isEqualTo(Reason.UNREACHABLE);
        assertThat(thrown).hasMessageContaining("no TLS could be agreed on");
    }
}
