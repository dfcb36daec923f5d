package choir.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What breaks a decoder ends in one line and leaves no process behind. */
class HostileFootageTest {
    private static final Duration LONG = Duration.ofSeconds(60);
    private static final Look LOOK = new Look(64, 36, 2, false);

    @TempDir
    static Path folder;

    private static Decoder decoder;
    private static byte[] film;

    @BeforeAll
    static void start() throws IOException {
        decoder = Decoder.in(folder);
        film = Film.of(60);
    }

    @AfterEach
    void nothingRuns() throws InterruptedException {
        for (int i = 0; i < 300 && running(); i++) {
            Thread.sleep(20);
        }
        assertThat(running()).as("a decoder still runs").isFalse();
    }

    private static boolean running() {
        return ProcessHandle.current()
                .descendants()
                .anyMatch(p -> p.info().command().orElse("").contains("ff"));
    }

    private static int pictures(Source source, Duration deadline) {
        int n = 0;
        try (var footage = decoder.open(source, LOOK, deadline)) {
            while (footage.next().isPresent()) {
                n++;
            }
        }
        return n;
    }

    private static Path file(String name, byte[] content) throws IOException {
        return Files.write(folder.resolve(name), content);
    }

    private static void isOneLine(Throwable e) {
        assertThat(e).isInstanceOf(FootageException.class);
        assertThat(e.getMessage()).doesNotContain("\n").hasSizeLessThan(300).doesNotContain(folder.toString());
    }

    @Test
    void aFilmIsRead() throws IOException {
        assertThat(pictures(Source.File.whole(file("good.mjpeg", film)), LONG)).isBetween(4, 6);
    }

    static LongStream seeds() {
        return LongStream.range(0, Integer.getInteger("choir.films", 12)).map(n -> 4_711 + n);
    }

    /** Bytes turned over, left out and doubled: it is read in part, or refused in a line. */
    @ParameterizedTest
    @MethodSource("seeds")
    void aBrokenFilmIsReadInPartOrRefused(long seed) throws IOException {
        var random = new Random(seed);
        var kept = folder.resolve("kept-" + seed + ".mkv");
        decoder.keep(Source.File.whole(file("whole-" + seed + ".mjpeg", film)), kept, LONG, 1 << 28);
        byte[] broken = Files.readAllBytes(kept);
        for (int i = 0; i < 1 + random.nextInt(60); i++) {
            broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
        }
        if (random.nextBoolean()) {
            broken = java.util.Arrays.copyOf(broken, random.nextInt(broken.length));
        }
        var source = Source.File.whole(file("broken-" + seed + ".mkv", broken));
        try {
            assertThat(pictures(source, LONG)).isBetween(0, 5_000);
        } catch (FootageException e) {
            isOneLine(e);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "no film",
                "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\nfile:///etc/passwd\n#EXT-X-ENDLIST\n",
                "ffconcat version 1.0\nfile '/etc/hostname'\n",
                "v=0\no=- 0 0 IN IP4 127.0.0.1\ns=x\nc=IN IP4 127.0.0.1\nt=0 0\nm=video 9 RTP/AVP 96\na=rtpmap:96 H264/90000\n",
                "<?xml version=\"1.0\"?><MPD><BaseURL>http://127.0.0.1/</BaseURL></MPD>"
            })
    void whatNamesOtherFilesOrIsNoFilmIsRefused(String content) throws IOException {
        var source = Source.File.whole(file("odd.mp4", content.getBytes(StandardCharsets.UTF_8)));
        assertThatThrownBy(() -> pictures(source, LONG)).satisfies(HostileFootageTest::isOneLine);
        var kept = folder.resolve("never.mkv");
        assertThatThrownBy(() -> decoder.keep(source, kept, LONG, 1 << 20)).satisfies(HostileFootageTest::isOneLine);
        assertThat(kept).doesNotExist();
    }

    /** It answers as a stream does, and never sends a picture. */
    @Test
    void aStreamThatSaysNothingEndsAtTheDeadline() throws IOException {
        try (var silent = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            var source = new Source.Stream(URI.create("rtsp://127.0.0.1:" + silent.getLocalPort() + "/x"));
            assertThatThrownBy(() -> pictures(source, Duration.ofSeconds(2)))
                    .hasMessageContaining("longer than 2 s")
                    .satisfies(HostileFootageTest::isOneLine);
        }
    }

    @Test
    void anEndlessAnswerEndsAtTheDeadline() throws IOException {
        try (var endless = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Thread.ofVirtual().start(() -> {
                try (var connection = endless.accept()) {
                    var _ = new BufferedInputStream(connection.getInputStream()).read();
                    byte[] noise = "RTSP/1.0 200 OK\r\nX: ".getBytes(StandardCharsets.US_ASCII);
                    while (true) {
                        connection.getOutputStream().write(noise);
                    }
                } catch (IOException e) {
                    // It was broken off.
                }
            });
            var source = new Source.Stream(URI.create("rtsp://127.0.0.1:" + endless.getLocalPort() + "/x"));
            assertThatThrownBy(() -> pictures(source, Duration.ofSeconds(3))).satisfies(HostileFootageTest::isOneLine);
        }
    }

    @Test
    void whoStopsReadingStopsTheDecoder() throws IOException {
        var footage =
                decoder.open(Source.File.whole(file("half.mjpeg", film)), new Look(2_000, 2_000, 25, false), LONG);
        assertThat(footage.next()).isPresent();
        footage.close();
        footage.close();
    }

    @Test
    void onlyTheLoopbackInterfaceIsAStream() {
        assertThatThrownBy(() -> new Source.Stream(URI.create("rtsp://192.0.2.7/stream")))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Source.Stream(URI.create("http://127.0.0.1/stream")))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Look(4, 36, 2, false)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Look(64, 36, Double.NaN, false)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Single pictures of the film. */
    private static List<byte[]> stills() {
        List<byte[]> stills = new ArrayList<>();
        int begin = 0;
        for (int i = 2; i < film.length - 1; i++) {
            if ((film[i] & 0xFF) == 0xFF && (film[i + 1] & 0xFF) == 0xD8) {
                stills.add(Arrays.copyOfRange(film, begin, i));
                begin = i;
            }
        }
        return stills;
    }

    private static Source.Stills one(Iterator<byte[]> pictures) {
        return new Source.Stills(1, () -> pictures.hasNext() ? Optional.of(pictures.next()) : Optional.empty());
    }

    @Test
    void stillsAreReadOneAfterTheOtherWhateverOneOfThemIs() {
        var good = stills().subList(0, 10);
        // One a second, looked at twice a second.
        assertThat(pictures(one(good.iterator()), LONG)).isBetween(18, 21);
        List<byte[]> odd = new ArrayList<>(good);
        odd.add(3, "<html>no picture now</html>".getBytes(StandardCharsets.UTF_8));
        odd.add(6, Arrays.copyOf(good.get(0), good.get(0).length / 2));
        odd.add(8, new byte[Source.Stills.LARGEST + 1]);
        odd.add(9, new byte[0]);
        assertThat(pictures(one(odd.iterator()), LONG)).isBetween(16, 24);
    }

    @Test
    void stillsThatAreNoneEndInALineAndEndlessOnesAtTheDeadline() {
        var none = List.of("no picture".getBytes(StandardCharsets.UTF_8), new byte[4_000]);
        assertThatThrownBy(() -> pictures(one(none.iterator()), LONG)).satisfies(HostileFootageTest::isOneLine);
        var endless = Stream.generate(() -> stills().getFirst()).iterator();
        assertThatThrownBy(() -> pictures(one(endless), Duration.ofSeconds(3)))
                .satisfies(HostileFootageTest::isOneLine);
    }
}
