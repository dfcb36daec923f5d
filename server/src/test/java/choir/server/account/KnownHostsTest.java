package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** By which names the service answers. */
class KnownHostsTest {
    private static String answer(TestService service, String host) throws Exception {
        var at = URI.create(service.address());
        try (var socket = new Socket(at.getHost(), at.getPort())) {
            socket.getOutputStream()
                    .write(("GET /actuator/health HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n")
                            .getBytes(StandardCharsets.UTF_8));
            InputStream in = socket.getInputStream();
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void onLoopbackItAnswersToTheNamesOfThisMachineAlone() throws Exception {
        try (var service = TestService.start()) {
            assertThat(answer(service, "127.0.0.1:7480")).startsWith("HTTP/1.1 200");
            assertThat(answer(service, "LOCALHOST")).startsWith("HTTP/1.1 200");
            assertThat(answer(service, "[::1]:7480")).startsWith("HTTP/1.1 200");
            assertThat(answer(service, "somebody-elses-page.example"))
                    .startsWith("HTTP/1.1 421")
                    .contains("not called by that name")
                    .doesNotContain("somebody-elses-page");
        }
    }

    @Test
    void furtherNamesAreSaid() throws Exception {
        try (var service = TestService.start("--choir.hosts=watch.skerry-line.example")) {
            assertThat(answer(service, "Watch.Skerry-Line.example:443")).startsWith("HTTP/1.1 200");
            assertThat(answer(service, "127.0.0.1")).startsWith("HTTP/1.1 200");
            assertThat(answer(service, "watch.skerry-line.example.org")).startsWith("HTTP/1.1 421");
        }
    }

    @ParameterizedTest
    @CsvSource({"a:1, a", "[::1]:80, ::1", "[::1, ''", "A.B, a.b", "'', ''"})
    void aNameIsWithoutItsPort(String host, String name) {
        assertThat(KnownHosts.name(host)).isEqualTo(name);
        assertThat(KnownHosts.name(null)).isEmpty();
    }
}
