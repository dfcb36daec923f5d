package choir.onvif;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.Playing;
import choir.link.RecorderAccess;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Stands between a recorder's streams and a general player: it opens the recorder's connection, answers its challenge,
 * says what replay needs and players do not say, and passes on what comes. Only the host and port of the stream are ever
 * connected to; a password that is asked for in the clear is not given.
 */
final class StreamRelay implements Playing {
    /** What is to be played. */
    sealed interface Wanted {
        URI at();

        record Live(URI at) implements Wanted {}

        /**
         * @param ahead how far the recorder's clock, by which it is asked, is ahead of the true time
         * @param keyPictures only those are asked for
         */
        record Recorded(URI at, Instant from, Instant until, Duration ahead, boolean keyPictures) implements Wanted {}
    }

    private static final int RTSP_PORT = 554;
    private static final int LARGEST_PACKET = 65_535;
    /** Pictures further apart than this are not one stretch. */
    private static final Duration GAP = Duration.ofSeconds(5);
    /** The same where only those come that stand alone. */
    private static final Duration KEY_GAP = Duration.ofSeconds(20);
    /** How long a player may take to ask, and a recorder to send the next packet. */
    private static final Duration SILENCE = Duration.ofSeconds(20);

    private static final Pattern ADDRESS = Pattern.compile("^(\\S+) (\\S+) (RTSP/\\S+)$");
    private static final Pattern MEDIA = Pattern.compile("(?m)^(?=m=)");
    private static final Pattern CONTROL = Pattern.compile("(?m)^a=control:\\s*(\\S+)");
    private static final DateTimeFormatter CLOCK =
            DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss.SSS'Z'").withZone(ZoneOffset.UTC);

    private final RecorderAccess access;
    private final Wanted wanted;
    private final Duration patience;
    private final ServerSocket door;
    private final String secret = UUID.randomUUID().toString();
    private final RtspProof proof;
    /** The recorder's own addresses of the whole and its parts, by the number under which a player asks for them. */
    private final List<URI> parts = new ArrayList<>();

    private final List<Closeable> open = new ArrayList<>();
    private final AtomicReference<LinkException> trouble = new AtomicReference<>();
    private final AtomicReference<Instant> begins = new AtomicReference<>();
    private Optional<Instant> last = Optional.empty();
    private final RtpTimestamps timestamps = new RtpTimestamps();
    /** The request that was sent last, until its answer has come. */
    private volatile Optional<RtspMessage> asked = Optional.empty();

    private final InstantSource clock;
    private volatile boolean closed;

    private StreamRelay(
            RecorderAccess access, Wanted wanted, Duration patience, ServerSocket door, InstantSource clock) {
        this.clock = clock;
        this.access = access;
        this.wanted = wanted;
        this.patience = patience;
        this.door = door;
        this.proof = new RtspProof(access, wanted.at());
        parts.add(wanted.at());
        open.add(door);
    }

    /** @throws LinkException when the stream is of a kind that cannot be had */
    static StreamRelay open(RecorderAccess access, Wanted wanted, Duration patience, InstantSource clock) {
        if (!"rtsp".equals(wanted.at().getScheme()) || wanted.at().getHost() == null) {
            throw new LinkException(
                    Reason.NOT_SUPPORTED,
                    access.who() + " plays its streams at " + wanted.at() + ", which is not RTSP");
        }
        try {
            var door = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
            door.setSoTimeout((int) SILENCE.toMillis());
            var relay = new StreamRelay(access, wanted, patience, door, clock);
            Thread.ofVirtual().name("stream of " + access.who()).start(relay::serve);
            return relay;
        } catch (IOException e) {
            throw new LinkException(Reason.UNREACHABLE, "no port for the stream of " + access.who(), e);
        }
    }

    @Override
    public URI address() {
        return URI.create(local(0));
    }

    private String local(int part) {
        return "rtsp://127.0.0.1:" + door.getLocalPort() + "/" + secret + "/" + part;
    }

    @Override
    public Optional<Instant> begins() {
        return Optional.ofNullable(begins.get());
    }

    @Override
    public Optional<LinkException> trouble() {
        return Optional.ofNullable(trouble.get());
    }

    @Override
    public void close() {
        closed = true;
        List<Closeable> all;
        synchronized (open) {
            all = List.copyOf(open);
        }
        for (var one : all) {
            try {
                one.close();
            } catch (IOException e) {
                // It was on its way out anyway.
            }
        }
    }

    private <T extends Closeable> T kept(T one) throws IOException {
        synchronized (open) {
            open.add(one);
        }
        if (closed) {
            one.close();
        }
        return one;
    }

    private void fail(Reason reason, String what) {
        trouble.compareAndSet(null, new LinkException(reason, access.who() + " " + what));
    }

    private void serve() {
        try (door;
                var player = kept(door.accept());
                var recorder = kept(new Socket())) {
            connect(recorder);
            recorder.setSoTimeout((int) SILENCE.toMillis());
            var toRecorder = new BufferedOutputStream(recorder.getOutputStream());
            var asking = Thread.ofVirtual().name("player of " + access.who()).start(() -> requests(player, toRecorder));
            answers(
                    new BufferedInputStream(recorder.getInputStream(), 1 << 16),
                    toRecorder,
                    new BufferedOutputStream(player.getOutputStream(), 1 << 16));
            // What was sent last is read before the connection goes.
            player.shutdownOutput();
            var _ = asking.join(SILENCE);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (java.net.SocketTimeoutException e) {
            if (!closed) {
                fail(Reason.TIMED_OUT, "sent nothing for " + SILENCE.toSeconds() + " s");
            }
        } catch (IOException e) {
            if (!closed) {
                fail(Reason.GARBAGE, "broke off its stream: " + e.getMessage());
            }
        } finally {
            close();
        }
    }

    private void connect(Socket socket) throws IOException {
        var at = wanted.at();
        try {
            socket.connect(new InetSocketAddress(at.getHost(), at.getPort() < 0 ? RTSP_PORT : at.getPort()), (int)
                    patience.toMillis());
        } catch (IOException e) {
            if (!closed) {
                fail(Reason.UNREACHABLE, "cannot be reached at " + at.getAuthority() + " for its stream");
            }
            throw e;
        }
    }

    /**
     * From the player to the recorder; ends with the player. A recorder that has sent all goes first, and a slow player still
     * reads then: what it asks meanwhile is asked of nobody, and must not take from it what it has not read yet.
     */
    private void requests(Socket player, OutputStream toRecorder) {
        boolean there = true;
        try {
            var in = new BufferedInputStream(player.getInputStream());
            for (int begin = in.read(); begin >= 0; begin = in.read()) {
                if (begin == '$') {
                    // Its reports of what it received, which nobody here needs.
                    in.read();
                    in.skipNBytes((in.read() & 0xFF) << 8 | in.read() & 0xFF);
                    continue;
                }
                var request = translated(RtspMessage.read(begin, in));
                there = there && isSent(request, toRecorder);
            }
        } catch (IOException e) {
            // The player is gone.
        }
        close();
    }

    private boolean isSent(RtspMessage request, OutputStream toRecorder) {
        try {
            send(request, toRecorder);
            return true;
        } catch (IOException e) {
            // Whoever reads its answers notices.
            return false;
        }
    }

    private void send(RtspMessage request, OutputStream toRecorder) throws IOException {
        asked = Optional.of(request);
        var signed = proof.signed(request);
        synchronized (toRecorder) {
            signed.write(toRecorder);
        }
    }

    /** A player's request in the recorder's own addresses, with what it needs besides. */
    private RtspMessage translated(RtspMessage request) throws IOException {
        var line = ADDRESS.matcher(request.first());
        if (!line.matches() || !line.group(2).startsWith(local(0).substring(0, local(0).lastIndexOf('/')))) {
            throw new IOException("a stranger asks");
        }
        var after = line.group(2).substring(line.group(2).lastIndexOf(secret) + secret.length() + 1);
        var number = after.replaceAll("/.*$", "");
        int part = number.matches("\\d{1,3}") ? Integer.parseInt(number) : 0;
        URI address;
        synchronized (parts) {
            address = parts.get(Math.min(part, parts.size() - 1));
        }
        var translated = request.withFirst(line.group(1) + " " + address + " " + line.group(3))
                .without("Authorization")
                .with("User-Agent", "Choir");
        if (wanted instanceof Wanted.Recorded recorded) {
            translated = translated.with("Require", "onvif-replay");
            if (request.method().equals("PLAY")) {
                translated = translated
                        .with(
                                "Range",
                                "clock=" + CLOCK.format(recorded.from().plus(recorded.ahead())) + "-"
                                        + CLOCK.format(recorded.until().plus(recorded.ahead())))
                        .with("Rate-Control", "no");
                if (recorded.keyPictures()) {
                    translated = translated.with("Frames", "intra");
                }
            }
        }
        return translated;
    }

    /** From the recorder to the player, until one of them ends. */
    private void answers(InputStream in, OutputStream toRecorder, OutputStream out) throws IOException {
        for (int begin = in.read(); begin >= 0; begin = in.read()) {
            if (begin != '$') {
                answer(RtspMessage.read(begin, in), toRecorder, out);
                continue;
            }
            int channel = in.read();
            int length = (in.read() & 0xFF) << 8 | in.read() & 0xFF;
            byte[] packet = in.readNBytes(length);
            if (packet.length < length) {
                return;
            }
            if (channel % 2 != 0) {
                // Its reports of what it sent tell of timestamps as they were.
                continue;
            }
            var at = wanted instanceof Wanted.Recorded recorded
                    ? RtpTime.of(packet).map(t -> t.minus(recorded.ahead()))
                    : Optional.<Instant>empty();
            if (!isOfTheStretch(at)) {
                return;
            }
            timestamps.place(packet, at);
            synchronized (out) {
                out.write(new byte[] {'$', (byte) channel, (byte) (length >> 8), (byte) length});
                out.write(packet);
                if (in.available() < LARGEST_PACKET / 8) {
                    out.flush();
                }
            }
        }
        out.flush();
    }

    /** Takes note of when it is. */
    private boolean isOfTheStretch(Optional<Instant> at) {
        if (wanted instanceof Wanted.Recorded recorded) {
            var gap = recorded.keyPictures() ? KEY_GAP : GAP;
            if (at.isPresent()) {
                begins.compareAndSet(null, at.get());
                boolean far = last.filter(
                                l -> Duration.between(l, at.get()).abs().compareTo(gap) > 0)
                        .isPresent();
                last = at;
                return !far && at.get().isBefore(recorded.until().plus(GAP));
            }
            begins.compareAndSet(null, recorded.from());
            return true;
        }
        begins.compareAndSet(null, clock.instant());
        return true;
    }

    private void answer(RtspMessage answer, OutputStream toRecorder, OutputStream out) throws IOException {
        var request = asked;
        if (answer.status() == 401 && request.isPresent()) {
            var refusal = proof.challenged(answer);
            if (refusal.isPresent()) {
                trouble.compareAndSet(null, refusal.get());
                throw new IOException("not let in");
            }
            send(request.get(), toRecorder);
            return;
        }
        proof.letIn();
        if (answer.status() >= 300 || answer.status() == 0) {
            fail(
                    answer.status() == 404 ? Reason.NOT_SUPPORTED : Reason.REFUSED,
                    "does not play it: " + Element.shortened(answer.first().replaceFirst("^RTSP/\\S+ ", "")));
        }
        boolean described = request.filter(r -> r.method().equals("DESCRIBE")).isPresent() && answer.status() == 200;
        asked = Optional.empty();
        var told = described ? described(answer) : answer.without("RTP-Info");
        synchronized (out) {
            told.write(out);
        }
    }

    /** What the recorder says of its pictures, in addresses that can be asked for here; its sound is not asked for. */
    private RtspMessage described(RtspMessage answer) throws IOException {
        URI base;
        try {
            base = wanted.at()
                    .resolve(answer.header("Content-Base")
                            .or(() -> answer.header("Content-Location"))
                            .orElse(wanted.at().toString()));
        } catch (IllegalArgumentException e) {
            base = wanted.at();
        }
        var within = base;
        synchronized (parts) {
            parts.set(0, atTheRecorder(within));
        }
        return answer.without("Content-Location")
                .with("Content-Base", local(0))
                .withBody(
                        body -> CONTROL.matcher(picturesOf(body)).replaceAll(match -> control(match.group(1), within)));
    }

    /** A description (RFC 8866) without any part but the first of video. */
    private static String picturesOf(String description) {
        var parts = MEDIA.split(description);
        return Stream.concat(
                        Stream.of(parts[0]),
                        Arrays.stream(parts)
                                .filter(part -> part.startsWith("m=video"))
                                .limit(1))
                .collect(Collectors.joining());
    }

    private String control(String said, URI base) {
        if (said.equals("*")) {
            return "a=control:" + local(0);
        }
        var directory = base.toString().endsWith("/") ? base : URI.create(base + "/");
        URI address;
        try {
            address = said.startsWith("rtsp://") ? URI.create(said) : URI.create(directory + said);
        } catch (IllegalArgumentException e) {
            address = base;
        }
        synchronized (parts) {
            parts.add(atTheRecorder(address));
            return "a=control:" + local(parts.size() - 1);
        }
    }

    /** The same path and query, at the host and port that are connected to. */
    private URI atTheRecorder(URI said) {
        return URI.create(
                "rtsp://" + wanted.at().getRawAuthority() + (said.getRawPath() == null ? "" : said.getRawPath())
                        + (said.getRawQuery() == null ? "" : "?" + said.getRawQuery()));
    }
}
