package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;

import choir.link.AddressRange;
import choir.link.RecorderSearch.Answer;
import choir.sim.Simulator;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is made of the addresses that a recorder says of itself. Each test waits as a search does, so all wait at once. */
@Execution(ExecutionMode.CONCURRENT)
class ProbeSearchTest {
    private static final Pattern MESSAGE = Pattern.compile("urn:uuid:[0-9a-f-]{36}");

    /** Answers each probe with these addresses. */
    private record Responder(DatagramSocket socket) implements AutoCloseable {
        static Responder naming(String addresses) throws IOException {
            var responder = new Responder(new DatagramSocket(0, InetAddress.getLoopbackAddress()));
            Thread.ofVirtual().start(() -> responder.answer(addresses));
            return responder;
        }

        private void answer(String addresses) {
            var buffer = new byte[10_000];
            try {
                while (true) {
                    var packet = new DatagramPacket(buffer, buffer.length);
                    socket.receive(packet);
                    var probe = new String(packet.getData(), 0, packet.getLength(), StandardCharsets.UTF_8);
                    var message = MESSAGE.matcher(probe);
                    assertThat(message.find()).isTrue();
                    var answer = """
                            <e:Envelope xmlns:e="http://www.w3.org/2003/05/soap-envelope" \
                            xmlns:a="http://schemas.xmlsoap.org/ws/2004/08/addressing" \
                            xmlns:p="http://schemas.xmlsoap.org/ws/2005/04/discovery"><e:Header><a:RelatesTo>%s</a:RelatesTo></e:Header>\
                            <e:Body><p:ProbeMatches><p:ProbeMatch><a:EndpointReference><a:Address>urn:uuid:1</a:Address>\
                            </a:EndpointReference><p:XAddrs>%s</p:XAddrs></p:ProbeMatch></p:ProbeMatches></e:Body></e:Envelope>""".formatted(message.group(), addresses).getBytes(StandardCharsets.UTF_8);
                    socket.send(new DatagramPacket(answer, answer.length, packet.getSocketAddress()));
                }
            } catch (IOException closed) {
                // It is over.
            }
        }

        @Override
        public void close() {
            socket.close();
        }
    }

    private static Answer search(int port, int webPort) {
        return new ProbeSearch(Duration.ofSeconds(5))
                .search(AddressRange.parse("127.0.0.1"), port, webPort)
                .getFirst();
    }

    @ParameterizedTest
    @CsvSource({
        // Its own address before others, and one without TLS before one with it.
        "http://127.0.0.1:81/x, http://127.0.0.1:81/x",
        "https://127.0.0.1/x http://127.0.0.1:81/y, http://127.0.0.1:81/y",
        "http://10.9.8.7/y https://127.0.0.1/x, https://127.0.0.1/x",
        "https://127.0.0.1:8443/x, https://127.0.0.1:8443/x",
        // By name, behind a translation, and of the other kind of address: at the host that answered.
        "http://nvr-16.local:81/x, http://127.0.0.1:81/x",
        "http://192.168.7.7/onvif/device_service, http://127.0.0.1/onvif/device_service",
        "http://[fe80::1]/x http://192.168.7.7/y, http://127.0.0.1/x",
        "ftp://127.0.0.1/x nonsense http://127.0.0.1/z, http://127.0.0.1/z",
    })
    void theAddressThatCanBeUsedIsTaken(String said, String taken) throws IOException {
        try (var responder = Responder.naming(said)) {
            assertThat(search(responder.socket().getLocalPort(), 1).service()).contains(URI.create(taken));
        }
    }

    @ParameterizedTest
    @CsvSource({"''", "ftp://127.0.0.1/x", "nonsense"})
    void oneThatNamesNoneIsSaidToNameNone(String said) throws IOException {
        try (var responder = Responder.naming(said)) {
            var answer = search(responder.socket().getLocalPort(), 1);
            assertThat(answer.service()).isEmpty();
            assertThat(answer.why()).isEqualTo("answers, but names no address of its service");
        }
    }

    @Test
    void whoAnswersNoProbeIsAskedAtTheWebPort() throws IOException {
        try (var simulator = Simulator.start(0);
                var silent = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            simulator.add("onvif", "tern", "choir", "harbour", 1);
            var answer = search(silent.getLocalPort(), simulator.port());
            assertThat(answer.service())
                    .contains(URI.create("http://127.0.0.1:" + simulator.port() + "/onvif/device_service"));
            assertThat(search(silent.getLocalPort(), silent.getLocalPort()).service())
                    .isEmpty();
        }
    }
}
