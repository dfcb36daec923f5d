package choir.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.footage.Footage.Moment;
import choir.link.LinkException;
import choir.link.Playing;
import choir.link.RecorderAccess;
import choir.onvif.OnvifLink;
import choir.onvif.Patience;
import choir.sim.Simulator;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** From a recorder's stream to pictures: what is seen is what its camera saw at that time. */
class RecorderFootageTest {
    private static final int SQUARE = 8;

    private static final Duration LONG = Duration.ofSeconds(60);
    private static final Look WHOLE = new Look(320, 176, 4, false);

    @TempDir
    static Path folder;

    private static Simulator simulator;
    private static Decoder decoder;
    private static OnvifLink link;

    @BeforeAll
    static void start() {
        simulator = Simulator.start(0);
        // One sends H.264, the other JPEG.
        simulator.add("tern", "tern", "viewer", "quiet harbour", 2);
        simulator.add("gannet", "gannet", "viewer", "quiet harbour", 2);
        simulator.turn("tern/01?scene=quay");
        simulator.turn("gannet/01?scene=lanes");
        decoder = Decoder.in(folder);
        link = new OnvifLink(Patience.ofCall(Duration.ofSeconds(10)));
    }

    @AfterAll
    static void stop() {
        simulator.close();
    }

    private static RecorderAccess access(String recorder) {
        return new RecorderAccess(simulator.address(recorder), "viewer", "quiet harbour", Optional.empty());
    }

    private static List<Moment> all(Playing playing, Look look) {
        List<Moment> moments = new ArrayList<>();
        try (playing;
                var footage = decoder.open(new Source.Stream(playing.address()), look, LONG)) {
            footage.next().ifPresent(moments::add);
            for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                moments.add(next.get());
            }
        }
        return moments;
    }

    /** On average over squares in which a night's grain, which compression loses, comes to nothing. */
    private static double differs(byte[] one, byte[] other) {
        long sum = 0;
        int squares = 0;
        for (int top = 0; top < WHOLE.height(); top += SQUARE) {
            for (int left = 0; left < WHOLE.width(); left += SQUARE) {
                long difference = 0;
                for (int y = top; y < top + SQUARE; y++) {
                    for (int x = left; x < left + SQUARE; x++) {
                        int i = y * WHOLE.width() + x;
                        difference += (one[i] & 0xFF) - (other[i] & 0xFF);
                    }
                }
                sum += Math.abs(difference);
                squares++;
            }
        }
        return (double) sum / (squares * SQUARE * SQUARE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void whatWasRecordedIsSeenAsItWas(String recorder) {
        var from = lastNoon();
        var playing = link.playRecorded(access(recorder), "01", from, from.plusSeconds(20), false)
                .orElseThrow();
        var moments = all(playing, WHOLE);
        assertThat(playing.trouble()).isEmpty();
        var begins = playing.begins().orElseThrow();
        assertThat(Duration.between(from, begins)).isBetween(Duration.ofMillis(-1_500), Duration.ofMillis(1_500));
        assertAreWhatWas(moments, recorder, begins);
    }

    /** By daylight, whenever the test runs: the dark is noisy, and what is sent of it differs more from what was there. */
    private static Instant lastNoon() {
        var noon = Instant.now().truncatedTo(ChronoUnit.DAYS).plus(Duration.ofHours(12));
        return noon.isBefore(Instant.now().minus(Duration.ofHours(1))) ? noon : noon.minus(Duration.ofDays(1));
    }

    private static void assertAreWhatWas(List<Moment> moments, String recorder, Instant begins) {
        assertThat(moments).extracting(Moment::since).hasSize(80);
        assertThat(moments.stream()
                        .map(moment -> Math.round(100
                                        * differs(
                                                moment.picture().luminance(),
                                                simulator.picture(
                                                        recorder,
                                                        "01",
                                                        begins.plus(moment.since())
                                                                .plusMillis(2)
                                                                .truncatedTo(ChronoUnit.MILLIS))))
                                / 100.0))
                .as("how many grey levels each is from what was at its moment")
                .allMatch(levels -> levels < 0.5);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void whatIsKeptHasEachPictureAtItsTime(String recorder, @TempDir Path folder) {
        var from = lastNoon();
        var file = folder.resolve("kept.mkv");
        try (var playing = link.playRecorded(access(recorder), "01", from, from.plusSeconds(20), false)
                .orElseThrow()) {
            decoder.keep(new Source.Stream(playing.address()), file, LONG, 100 << 20);
            List<Moment> moments = new ArrayList<>();
            try (var footage = decoder.open(new Source.File(file, Duration.ZERO, Optional.empty()), WHOLE, LONG)) {
                for (var next = footage.next(); next.isPresent(); next = footage.next()) {
                    moments.add(next.get());
                }
            }
            assertAreWhatWas(moments, recorder, playing.begins().orElseThrow());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void whatIsSeenNowComesAsItHappens(String recorder) {
        var before = Instant.now();
        try (var playing = link.playLive(access(recorder), "02").orElseThrow();
                var footage = decoder.open(new Source.Stream(playing.address()), new Look(160, 88, 4, false), LONG)) {
            for (int i = 0; i < 6; i++) {
                assertThat(footage.next()).as("%s", playing.trouble()).isPresent();
            }
            assertThat(playing.begins().orElseThrow()).isBetween(before, Instant.now());
        }
    }

    @Test
    void aRecorderWhoseClockIsWrongIsAskedByItsOwnClockAndToldOfByTheTrueOne() {
        simulator.turn("tern?clock=-PT37M");
        try {
            var from = Instant.now().minus(Duration.ofHours(3)).truncatedTo(ChronoUnit.MINUTES);
            var playing = link.playRecorded(access("tern"), "01", from, from.plusSeconds(10), false)
                    .orElseThrow();
            assertThat(all(playing, WHOLE).size()).isBetween(37, 42);
            assertThat(Duration.between(from, playing.begins().orElseThrow()).abs())
                    .isLessThan(Duration.ofSeconds(2));
        } finally {
            simulator.turn("tern?clock=PT0S");
        }
    }

    @Test
    void aGapInTheFootageEndsIt() {
        for (var day : List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun")) {
            simulator.turn("tern/02?erase=" + day + "&since=P1D");
        }
        var from = Instant.now().minus(Duration.ofHours(3));
        var playing = link.playRecorded(access("tern"), "02", from, from.plusSeconds(60), false)
                .orElseThrow();
        assertThatThrownBy(() -> all(playing, WHOLE)).isInstanceOf(FootageException.class);
        assertThat(playing.begins()).isEmpty();
    }

    @Test
    void aWrongPasswordIsSaidAndTriedOnce() {
        var wrong = new RecorderAccess(simulator.address("tern"), "viewer", "loud harbour", Optional.empty());
        assertThatThrownBy(() -> link.playLive(wrong, "01"))
                .isInstanceOf(LinkException.class)
                .hasMessageContaining("does not take the user name and password");
    }

    @Test
    void aStrangerAtTheRelayGetsNothing() {
        try (var playing = link.playLive(access("tern"), "01").orElseThrow()) {
            var other = java.net.URI.create(
                    "rtsp://127.0.0.1:" + playing.address().getPort() + "/00000000-0000-0000-0000-000000000000/0");
            assertThatThrownBy(() -> {
                        try (var footage = decoder.open(new Source.Stream(other), WHOLE, LONG)) {
                            footage.next();
                        }
                    })
                    .isInstanceOf(FootageException.class);
            assertThat(playing.address().toString()).doesNotContain("harbour").doesNotContain("viewer");
        }
    }

    @Test
    void whatIsKeptIsWhatCame() throws IOException {
        var from = Instant.now().minus(Duration.ofHours(7)).truncatedTo(ChronoUnit.MINUTES);
        var file = folder.resolve("kept.mkv");
        try (var playing = link.playRecorded(access("tern"), "01", from, from.plusSeconds(20), false)
                .orElseThrow()) {
            decoder.keep(new Source.Stream(playing.address()), file, LONG, 100 << 20);
        }
        assertThat(decoder.length(file, LONG).orElseThrow().toMillis()).isBetween(18_500L, 21_500L);
        try (var footage = decoder.open(Source.File.whole(file), WHOLE, LONG)) {
            int n = 0;
            while (footage.next().isPresent()) {
                n++;
            }
            assertThat(n).isBetween(78, 81);
        }
        byte[] still = decoder.still(file, Duration.ofSeconds(5), 200, LONG);
        assertThat(still).startsWith(0xFF, 0xD8);
        assertThat(Files.size(file)).isGreaterThan(100_000);
    }

    /** Bytes of pictures that a player gets which reads nothing until long after the recorder has sent all, or reads at once. */
    private long played(Instant from, boolean slow) throws Exception {
        try (var playing = link.playRecorded(access("tern"), "01", from, from.plusSeconds(12), true)
                        .orElseThrow();
                var socket = new Socket("127.0.0.1", playing.address().getPort())) {
            socket.setReceiveBufferSize(4 << 20);
            var in = new BufferedInputStream(socket.getInputStream());
            var described = asked(socket, in, "DESCRIBE", playing.address().toString(), "");
            var track = described.replaceFirst("(?s).*a=control:(rtsp://\\S+)\\s*$", "$1");
            asked(socket, in, "SETUP", track, "Transport: RTP/AVP/TCP;unicast;interleaved=0-1\r\n");
            asked(socket, in, "PLAY", playing.address().toString(), "");
            for (int i = 0; slow && i < 4; i++) {
                Thread.sleep(500);
                socket.getOutputStream()
                        .write(request("GET_PARAMETER", playing.address().toString(), ""));
            }
            long bytes = 0;
            for (int begin = in.read(); begin >= 0; begin = in.read()) {
                if (begin == '$') {
                    in.read();
                    int length = in.read() << 8 | in.read();
                    in.skipNBytes(length);
                    bytes += length;
                } else {
                    text(in);
                }
            }
            return bytes;
        }
    }

    private static byte[] request(String method, String address, String headers) {
        return (method + " " + address + " RTSP/1.0\r\nCSeq: 1\r\n" + headers + "\r\n")
                .getBytes(StandardCharsets.US_ASCII);
    }

    private static String asked(Socket socket, BufferedInputStream in, String method, String address, String headers)
            throws IOException {
        socket.getOutputStream().write(request(method, address, headers));
        return text(in);
    }

    /** An answer with its body. */
    private static String text(BufferedInputStream in) throws IOException {
        var head = new StringBuilder();
        while (head.indexOf("\r\n\r\n") < 0) {
            head.append((char) in.read());
        }
        var length = Pattern.compile("Content-Length: (\\d+)").matcher(head);
        return head
                + (length.find()
                        ? new String(in.readNBytes(Integer.parseInt(length.group(1))), StandardCharsets.US_ASCII)
                        : "");
    }

    @Test
    void aSlowPlayerGetsAllThatTheRecorderSentAlsoWhenItAsksForSomethingMeanwhile() throws Exception {
        var from = Instant.now().minus(Duration.ofHours(4)).truncatedTo(ChronoUnit.MINUTES);
        assertThat(played(from, true)).isPositive().isEqualTo(played(from, false));
    }
}
