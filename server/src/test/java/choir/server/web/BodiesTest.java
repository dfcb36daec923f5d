package choir.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What strangers send, however much of it and however slowly, harms nobody else. */
class BodiesTest {
    private static final int SLOW = Integer.getInteger("choir.slow-connections", 300);
    private static TestService service;

    @BeforeAll
    static void start() {
        service = TestService.start();
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static Socket connect() throws IOException {
        var socket = new Socket();
        socket.connect(
                new InetSocketAddress("127.0.0.1", URI.create(service.address()).getPort()), 5_000);
        socket.setSoTimeout(30_000);
        return socket;
    }

    private static void send(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
    }

    private static String head(String path, String more) {
        return "POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\n" + more + "\r\n";
    }

    private static String answer(Socket socket) throws IOException {
        var text = new StringBuilder();
        var bytes = new byte[4_096];
        for (int count = socket.getInputStream().read(bytes);
                count > 0;
                count = socket.getInputStream().read(bytes)) {
            text.append(new String(bytes, 0, count, StandardCharsets.UTF_8));
            if (text.toString().contains("detail")) {
                break;
            }
        }
        return text.toString();
    }

    /** More than there are threads: of those who are not signed in, at the door and elsewhere. */
    @Test
    void manySlowBodiesKeepNobodyWaiting() throws IOException {
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < SLOW; i++) {
                var socket = connect();
                slow.add(socket);
                var path = i % 2 == 0 ? "/api/v1/session/token" : "/api/v1/policy";
                send(socket, head(path, "Content-Length: 1000\r\n") + "{\"user\":");
            }
            var signedIn = service.post(
                    "/api/v1/session/token",
                    Map.of("user", "ada", "password", "a long enough password", "label", "meanwhile"));
            assertThat(signedIn.status()).as(signedIn.detail()).isEqualTo(200);
            assertThat(service.get("/api/v1/cameras").status()).isEqualTo(200);
            assertThat(service.busyThreads())
                    .as("threads that wait for one of them")
                    .isLessThan(20);
        } finally {
            for (var socket : slow) {
                socket.close();
            }
        }
    }

    @Test
    void aBodyThatIsTooLargeIsRefusedBeforeItCame() throws IOException {
        for (var path : List.of("/api/v1/session", "/api/v1/policy")) {
            try (var socket = connect()) {
                send(socket, head(path, "Content-Length: 90000000\r\n"));
                assertThat(answer(socket)).startsWith("HTTP/1.1 413").contains("is not taken here");
            }
        }
    }

    @Test
    void aBodyWithoutALengthIsRefusedOnceItIsTooLarge() throws IOException {
        try (var socket = connect()) {
            send(socket, head("/api/v1/session", "Transfer-Encoding: chunked\r\n"));
            var piece = "1000\r\n" + "x".repeat(0x1000) + "\r\n";
            for (int i = 0; i < 5; i++) {
                send(socket, piece);
            }
            assertThat(answer(socket)).startsWith("HTTP/1.1 413");
        }
    }

    @Test
    void aBodyThatComesInPiecesIsTakenWhole() throws IOException {
        var body = "{\"user\":\"ada\",\"password\":\"a long enough password\",\"label\":\"in pieces\"}";
        try (var socket = connect()) {
            send(socket, head("/api/v1/session/token", "Content-Length: " + body.length() + "\r\n"));
            for (int i = 0; i < body.length(); i += 10) {
                send(socket, body.substring(i, Math.min(body.length(), i + 10)));
            }
            var answered = new byte[4_096];
            int count = socket.getInputStream().read(answered);
            assertThat(new String(answered, 0, count, StandardCharsets.UTF_8)).startsWith("HTTP/1.1 200");
        }
    }

    /** Also where no controller is ever asked. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "GET /a|b HTTP/1.1",
                "GET /%zz HTTP/1.1",
                "NONSENSE",
                "TRACE / HTTP/1.1",
                "GET //api/v1/groups HTTP/1.1",
                "GET /api/v1/groups;x=1 HTTP/1.1",
                "GET /error HTTP/1.1",
                "GET /api/v1/nothing HTTP/1.1"
            })
    void whatIsWrongIsToldAsProblemDetails(String line) throws IOException {
        try (var socket = connect()) {
            send(socket, line + "\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n");
            assertThat(answer(socket))
                    .containsPattern("^HTTP/1.1 4\\d\\d")
                    .contains("application/problem+json", "\"detail\":")
                    .doesNotContain("<html", "Tomcat");
        }
    }

    /** The body comes before anybody asks who sent it, and that is still asked. */
    @Test
    void whoIsNotSignedInIsToldSoAndNothingElse() {
        var before = service.get("/api/v1/groups").body();
        for (var path : List.of("/api/v1/groups", "/api/v1/policy", "/api/v1/people")) {
            assertThat(service.anonymous("POST", path)).as(path).isEqualTo(401);
        }
        service.as(
                "vic",
                "viewer",
                () -> assertThat(service.post("/api/v1/groups", Map.of("path", "fleet/new"))
                                .status())
                        .isEqualTo(403));
        assertThat(service.get("/api/v1/groups").body()).isEqualTo(before);
    }
}
