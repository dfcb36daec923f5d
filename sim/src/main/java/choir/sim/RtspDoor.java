package choir.sim;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;

/**
 * Live streams and replay of all recorders by RTSP (RFC 2326), interleaved over the connection, behind one port: {@code
 * /NAME/stream/07} and {@code /NAME/replay/07}.
 */
final class RtspDoor implements AutoCloseable {
    private static final int PER_SECOND = 4;
    private static final int KEY_EVERY = 2 * PER_SECOND;
    private static final int CLOCK = 90_000;
    private static final long BEFORE_THE_WRAP = (1L << 32) - 5 * CLOCK;
    private static final int MOST_HEADERS = 60;
    private static final Duration LONGEST_SILENCE = Duration.ofSeconds(60);
    private static final DateTimeFormatter RANGE = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss");
    private static final Pattern PATH = Pattern.compile("rtsp://[^/]+(/([^/]+)/(stream|replay)/([^/?]+))(/.*)?");

    private final Map<String, SimRecorder> recorders;
    private final ServerSocket socket;
    private final Credentials credentials = new Credentials();

    RtspDoor(Map<String, SimRecorder> recorders) {
        this.recorders = recorders;
        try {
            socket = new ServerSocket(0, 200, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Thread.ofVirtual().name("streams").start(this::accept);
    }

    int port() {
        return socket.getLocalPort();
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void accept() {
        while (!socket.isClosed()) {
            try {
                var connection = socket.accept();
                Thread.ofVirtual().start(() -> serve(connection));
            } catch (IOException e) {
                return;
            }
        }
    }

    private record Request(String method, String address, Map<String, String> headers) {
        String header(String name) {
            return headers.getOrDefault(name, "");
        }
    }

    /** What is played on a connection. */
    private static final class Session {
        final String token = UUID.randomUUID().toString().substring(0, 8);
        volatile boolean playing;
        volatile boolean ended;
    }

    private void serve(Socket connection) {
        var session = new Session();
        try (connection) {
            connection.setSoTimeout((int) LONGEST_SILENCE.toMillis());
            var in = new BufferedInputStream(connection.getInputStream());
            var out = new BufferedOutputStream(connection.getOutputStream(), 1 << 16);
            while (!session.ended) {
                var request = request(in);
                if (request.isEmpty()) {
                    break;
                }
                answer(request.get(), session, out);
            }
        } catch (IOException e) {
            // The other side is gone.
        } finally {
            session.ended = true;
        }
    }

    private static Optional<Request> request(InputStream in) throws IOException {
        var first = line(in);
        while (first.startsWith("$")) {
            first = line(in);
        }
        if (first.isEmpty()) {
            return Optional.empty();
        }
        Map<String, String> headers = new LinkedHashMap<>();
        for (int i = 0; i < MOST_HEADERS; i++) {
            var header = line(in);
            if (header.isEmpty()) {
                break;
            }
            int colon = header.indexOf(':');
            if (colon > 0) {
                headers.put(
                        header.substring(0, colon).strip().toLowerCase(Locale.ROOT),
                        header.substring(colon + 1).strip());
            }
        }
        var parts = first.split(" ");
        return parts.length == 3 ? Optional.of(new Request(parts[0], parts[1], headers)) : Optional.empty();
    }

    private static String line(InputStream in) throws IOException {
        var line = new StringBuilder();
        int c = in.read();
        while (c >= 0 && c != '\n' && line.length() < 2_000) {
            if (c != '\r') {
                line.append((char) c);
            }
            c = in.read();
        }
        return line.toString();
    }

    private void answer(Request request, Session session, OutputStream out) throws IOException {
        var path = PATH.matcher(request.address());
        if (request.method().equals("OPTIONS")) {
            send(out, request, "200 OK", "Public: OPTIONS, DESCRIBE, SETUP, PLAY, TEARDOWN, GET_PARAMETER\r\n", "");
            return;
        }
        var recorder = path.matches() ? recorders.get(path.group(2)) : null;
        if (recorder == null) {
            send(out, request, "404 Not Found", "", "");
            return;
        }
        if (recorder.faults.has(SimFault.AWAY)) {
            session.ended = true;
            return;
        }
        boolean replay = path.group(3).equals("replay");
        var channel = recorder.channels.stream()
                .filter(c -> c.place.equals(path.group(4)))
                .findFirst();
        if (channel.isEmpty() || !channel.get().active) {
            send(out, request, "404 Not Found", "", "");
            return;
        }
        if (!credentials.http(recorder, request.header("authorization"), request.method(), request.address())) {
            send(out, request, "401 Unauthorized", "WWW-Authenticate: " + credentials.challenge() + "\r\n", "");
            return;
        }
        if (replay && !request.header("require").contains("onvif-replay")) {
            send(
                    out,
                    request,
                    "551 Option not supported",
                    "Unsupported: a replay is asked for as onvif-replay\r\n",
                    "");
            return;
        }
        switch (request.method()) {
            case "DESCRIBE" -> describe(out, request, recorder);
            case "SETUP" -> setup(out, request, session);
            case "PLAY" -> play(out, request, session, recorder, channel.get(), replay);
            case "GET_PARAMETER" -> send(out, request, "200 OK", "Session: " + session.token + "\r\n", "");
            case "TEARDOWN" -> {
                session.ended = true;
                send(out, request, "200 OK", "Session: " + session.token + "\r\n", "");
            }
            default -> send(out, request, "405 Method Not Allowed", "", "");
        }
    }

    private static boolean isJpeg(SimRecorder recorder) {
        return recorder.model.habits().contains("jpeg");
    }

    private static void describe(OutputStream out, Request request, SimRecorder recorder) throws IOException {
        var media = isJpeg(recorder)
                ? "m=video 0 RTP/AVP 26\r\n"
                : "m=video 0 RTP/AVP 96\r\na=rtpmap:96 H264/90000\r\na=fmtp:96 packetization-mode=1\r\n";
        // As with many, the sound comes first.
        var sound = isJpeg(recorder) ? "m=audio 0 RTP/AVP 0\r\na=control:track0\r\n" : "";
        var text = "v=0\r\no=- 0 0 IN IP4 127.0.0.1\r\ns=" + recorder.model.model()
                + "\r\nc=IN IP4 0.0.0.0\r\nt=0 0\r\na=control:*\r\n" + sound + media + "a=control:track1\r\n";
        send(
                out,
                request,
                "200 OK",
                "Content-Base: " + request.address() + "/\r\nContent-Type: application/sdp\r\n",
                text);
    }

    private static void setup(OutputStream out, Request request, Session session) throws IOException {
        if (!request.header("transport").contains("TCP")) {
            send(out, request, "461 Unsupported Transport", "", "");
            return;
        }
        send(
                out,
                request,
                "200 OK",
                "Transport: RTP/AVP/TCP;unicast;interleaved=0-1\r\nSession: " + session.token + ";timeout=60\r\n",
                "");
    }

    /** @param end missing when it goes on for ever */
    private record Range(Instant from, Optional<Instant> end) {}

    private static Optional<Range> range(String text) {
        var parts = text.replaceFirst("^clock=", "").split("-", -1);
        try {
            return parts.length != 2 || !text.startsWith("clock=")
                    ? Optional.empty()
                    : Optional.of(new Range(
                            instant(parts[0]), parts[1].isEmpty() ? Optional.empty() : Optional.of(instant(parts[1]))));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Instant instant(String text) {
        return LocalDateTime.parse(text.replaceFirst("(\\.\\d+)?Z$", ""), RANGE).toInstant(ZoneOffset.UTC);
    }

    private static void play(
            OutputStream out,
            Request request,
            Session session,
            SimRecorder recorder,
            SimChannel channel,
            boolean replay)
            throws IOException {
        var now = SimTime.now();
        var wanted = replay ? range(request.header("range")) : Optional.of(new Range(now, Optional.empty()));
        if (wanted.isEmpty() || session.playing) {
            send(out, request, "457 Invalid Range", "", "");
            return;
        }
        session.playing = true;
        send(out, request, "200 OK", "Session: " + session.token + "\r\nRTP-Info: url=track1;seq=0\r\n", "");
        boolean atOnce = request.header("rate-control").equals("no");
        int every = replay && request.header("frames").startsWith("intra") ? KEY_EVERY : 1;
        Thread.ofVirtual().start(() -> {
            try {
                if (replay) {
                    replay(out, session, recorder, channel, wanted.get(), atOnce, every);
                } else {
                    pictures(out, session, recorder, channel, wanted.get(), false, false, every);
                }
                session.ended = true;
                out.close();
            } catch (IOException e) {
                session.ended = true;
            }
        });
    }

    private static void replay(
            OutputStream out,
            Session session,
            SimRecorder recorder,
            SimChannel channel,
            Range wanted,
            boolean atOnce,
            int every)
            throws IOException {
        // Asked for, and told, by its own clock.
        var from = wanted.from().minus(recorder.clockAhead);
        var end = wanted.end().map(e -> e.minus(recorder.clockAhead)).orElse(SimTime.now());
        for (var stretch : new SimLife(recorder, channel).recorded(from, end)) {
            pictures(
                    out,
                    session,
                    recorder,
                    channel,
                    new Range(stretch.from(), Optional.of(stretch.until())),
                    true,
                    atOnce,
                    every);
        }
    }

    private static void pictures(
            OutputStream out,
            Session session,
            SimRecorder recorder,
            SimChannel channel,
            Range span,
            boolean replay,
            boolean atOnce,
            int every)
            throws IOException {
        var scene = new MovingScene(recorder, channel);
        boolean jpeg = isJpeg(recorder);
        var encoder = new PlainH264(MovingScene.WIDTH, MovingScene.HEIGHT, KEY_EVERY / every);
        var packets = new RtpPackets(jpeg, replay, recorder.name.hashCode());
        // Where timestamps begin is a recorder's own matter: with some at nought, with others shortly before they wrap.
        long first = jpeg ? BEFORE_THE_WRAP : 0;
        var began = Instant.now();
        for (long n = 0; !session.ended; n += every) {
            var at = span.from().plusMillis(n * 1000 / PER_SECOND);
            if (span.end().filter(e -> !at.isBefore(e)).isPresent()) {
                return;
            }
            if (!atOnce) {
                pause(Duration.between(Instant.now(), began.plusMillis(n * 1000 / PER_SECOND)));
            }
            byte[] picture = scene.at(at);
            List<byte[]> units = jpeg
                    ? List.of(RtpPackets.jpegFile(picture, MovingScene.WIDTH, MovingScene.HEIGHT))
                    : encoder.next(picture);
            int flags = (n % KEY_EVERY == 0 ? 0x80 : 0) | (n == 0 ? 0x20 : 0);
            long ticks = first + n * CLOCK / PER_SECOND;
            for (byte[] packet : packets.packets(units, ticks, at.plus(recorder.clockAhead), flags)) {
                synchronized (out) {
                    out.write(new byte[] {'$', 0, (byte) (packet.length >> 8), (byte) packet.length});
                    out.write(packet);
                }
            }
            out.flush();
        }
    }

    private static void pause(Duration wait) throws IOException {
        if (wait.isPositive()) {
            try {
                Thread.sleep(wait);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException(e);
            }
        }
    }

    private static void send(OutputStream out, Request request, String status, String headers, String body)
            throws IOException {
        var bytes = body.getBytes(StandardCharsets.UTF_8);
        var head = "RTSP/1.0 " + status + "\r\nCSeq: " + request.header("cseq") + "\r\n" + headers
                + (bytes.length == 0 ? "" : "Content-Length: " + bytes.length + "\r\n") + "\r\n";
        synchronized (out) {
            out.write(head.getBytes(StandardCharsets.ISO_8859_1));
            out.write(bytes);
            out.flush();
        }
    }
}
