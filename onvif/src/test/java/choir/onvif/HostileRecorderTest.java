package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.Written;
import choir.week.Week;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Recorders that answer in ways that could be waited for without end, or that could fill the memory. */
@Timeout(120)
class HostileRecorderTest {
    private static final Patience SHORT =
            new Patience(Duration.ofMillis(400), Duration.ofMillis(900), Duration.ofMillis(900));

    /** What is sent after a request came in. */
    private enum Trick {
        A_HEADER_BYTE_BY_BYTE("HTTP/1.1 200 OK\r\nX-Slow: ", "z"),
        A_CHUNK_EXTENSION_BYTE_BY_BYTE(
                "HTTP/1.1 200 OK\r\nContent-Type: application/soap+xml\r\nTransfer-Encoding: chunked\r\n\r\n5;", "z"),
        INTERIM_ANSWERS_WITHOUT_END("", "HTTP/1.1 103 Early Hints\r\n\r\n"),
        A_BODY_BYTE_BY_BYTE("HTTP/1.1 200 OK\r\nContent-Type: application/soap+xml\r\n\r\n<a>", " "),
        NOTHING_AT_ALL("", "");

        private final String first;
        private final String again;

        Trick(String first, String again) {
            this.first = first;
            this.again = again;
        }
    }

    /** Plays one trick to everybody who connects. */
    private static final class Hostile implements AutoCloseable {
        private final ServerSocket server;
        private final String first;
        private final String again;

        Hostile(String first, String again) throws IOException {
            this.first = first;
            this.again = again;
            server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
            Thread.ofVirtual().start(this::accept);
        }

        private void accept() {
            while (!server.isClosed()) {
                try {
                    var socket = server.accept();
                    Thread.ofVirtual().start(() -> play(socket));
                } catch (IOException e) {
                    return;
                }
            }
        }

        private void play(Socket socket) {
            try (socket) {
                request(socket.getInputStream());
                OutputStream out = socket.getOutputStream();
                out.write(first.getBytes(StandardCharsets.US_ASCII));
                out.flush();
                while (!server.isClosed()) {
                    Thread.sleep(20);
                    out.write(again.getBytes(StandardCharsets.US_ASCII));
                    out.flush();
                }
            } catch (IOException | InterruptedException e) {
                // The other side has had enough, as it ought to.
            }
        }

        private static void request(InputStream in) throws IOException {
            in.read(new byte[8_192]);
        }

        RecorderAccess access() {
            return new RecorderAccess(
                    URI.create("http://127.0.0.1:" + server.getLocalPort() + "/"), "u", "p", Optional.empty());
        }

        @Override
        public void close() throws IOException {
            server.close();
        }
    }

    @ParameterizedTest
    @EnumSource
    void nothingThatADeviceSendsMakesAReadingLonger(Trick trick) throws IOException {
        try (var hostile = new Hostile(trick.first, trick.again);
                var link = new OnvifLink(SHORT)) {
            var thrown = catchThrowableOfType(LinkException.class, () -> link.read(hostile.access()));
            assertThat(thrown.reason()).isEqualTo(Reason.TIMED_OUT);
            assertThat(thrown).hasMessageContaining("127.0.0.1:" + hostile.server.getLocalPort());
            assertThat(link.write(hostile.access(), List.of(new ChannelWrite("01", Map.of(), Map.of())))
                            .channels())
                    .hasEntrySatisfying(
                            "01",
                            w -> assertThat(w).isInstanceOfSatisfying(Written.BrokenOff.class, b -> {
                                assertThat(b.why().reason()).isEqualTo(Reason.TIMED_OUT);
                                assertThat(b.sent()).isEmpty();
                            }));
        }
    }

    @Test
    void aConversationThatIsOverAsksNothingMore() throws IOException {
        try (var hostile = new Hostile("", "");
                var transport = new SoapTransport(Duration.ofHours(1))) {
            var thrown = catchThrowableOfType(
                    LinkException.class,
                    () -> transport.send(
                            hostile.access().address(),
                            Element.of("urn:x", "Question"),
                            org.apache.hc.client5.http.protocol.HttpClientContext.create(),
                            Deadline.of("it", Duration.ZERO),
                            true));
            assertThat(thrown.reason()).isEqualTo(Reason.TIMED_OUT);
            assertThat(thrown).hasMessageContaining("so slowly");
        }
    }

    @Test
    void aScheduleThatIsLongerThanAnyIsNotUnderstoodAndNotKept() {
        var longText = "BEGIN:VCALENDAR\n" + "X-NOTE:y\n".repeat(20_000) + "END:VCALENDAR\n";
        assertThat(OnvifLink.schedule(longText)).isEmpty();
        assertThat(OnvifLink.schedule("nonsense")).isEmpty();
        var week = choir.document.WeekCalendar.write(Week.always(true), on -> "recording");
        assertThat(OnvifLink.schedule(week)).contains(Week.always(true));
    }

    @Test
    void anAnswerOfVeryManySmallElementsIsNotRead() {
        var many = "<a>" + "<b/>".repeat(70_000) + "</a>";
        assertThat(catchThrowableOfType(
                        javax.xml.stream.XMLStreamException.class,
                        () -> ElementReader.read(
                                new java.io.ByteArrayInputStream(many.getBytes(StandardCharsets.UTF_8)))))
                .isNotNull();
    }

    @Test
    void aNameForPeopleIsCutWithoutBreakingACharacter() {
        assertThat(Element.shortened("a".repeat(256))).hasSize(256);
        assertThat(Element.shortened("a".repeat(1_000_000))).hasSize(257).endsWith("…");
        assertThat(Element.shortened("a".repeat(255) + "\uD83D\uDEA2" + "b".repeat(9)))
                .isEqualTo("a".repeat(255) + "…");
    }

    @Test
    void aPasswordIsNotGivenInAFormThatCanBeRead() throws IOException {
        var heard = new java.util.concurrent.ConcurrentLinkedQueue<String>();
        var server = com.sun.net.httpserver.HttpServer.create(
                new java.net.InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            heard.addAll(exchange.getRequestHeaders().getOrDefault("Authorization", java.util.List.of()));
            heard.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            exchange.getResponseHeaders().add("WWW-Authenticate", "Basic realm=\"recorder\"");
            exchange.sendResponseHeaders(401, -1);
            exchange.close();
        });
        server.start();
        try (var link = new OnvifLink(SHORT)) {
            var access = new RecorderAccess(
                    URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/"),
                    "u",
                    "a-secret-word",
                    Optional.empty());
            assertThatThrownBy(() -> link.read(access))
                    .isInstanceOf(LinkException.class)
                    .hasMessageContaining("anybody on the way can read");
            assertThat(heard).isNotEmpty().noneMatch(h -> h.startsWith("Basic") || h.contains("a-secret-word"));
        } finally {
            server.stop(0);
        }
    }
}
