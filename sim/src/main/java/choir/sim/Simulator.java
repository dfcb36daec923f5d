package choir.sim;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;

/**
 * Any number of simulated recorders behind one port of the loopback interface; probes are answered at the same number.
 */
public final class Simulator implements AutoCloseable {
    private static final long SAVE_MILLIS = 200;
    private static final int MOST_THAT_REMEMBER = 1_000;
    private static final String TLS = "--tls=";
    private static final String MAKES = "--makes=";
    private static final String SPEED = "--speed=";
    private static final int TRIES = 20;

    private final Map<String, SimRecorder> recorders = new java.util.concurrent.ConcurrentSkipListMap<>();
    private final HttpServer server;
    private final ProbeDoor probes;
    private final SoapDoor soap;
    private final Stage stage;
    private final RtspDoor streams;
    private final FrontPanel panel;
    private Optional<TlsDoor> tls = Optional.empty();
    private Optional<MailCatcher> mail = Optional.empty();
    private final ScheduledExecutorService keeper = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("keeper").factory());

    private Simulator(HttpServer server) throws IOException {
        this.server = server;
        this.probes = new ProbeDoor(recorders, server.getAddress().getPort());
        this.soap = new SoapDoor(recorders);
        this.streams = new RtspDoor(recorders);
        this.panel = new FrontPanel(recorders);
        this.stage = new Stage(panel, keeper);
        server.createContext("/panel/", panel::handle);
        server.createContext("/scenario", stage::handle);
        server.createContext("/truth/", new TruthDoor(recorders)::handle);
        server.createContext("/", soap::handle);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.start();
    }

    /** Listens on that port, or on any free one for 0. */
    public static Simulator start(int port) {
        try {
            for (int tried = 1; ; tried++) {
                var server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 1024);
                try {
                    return new Simulator(server);
                } catch (BindException taken) {
                    // Probes are answered at the same number, which may be somebody else's.
                    server.stop(0);
                    if (port != 0 || tried == TRIES) {
                        throw taken;
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("port " + port + " of the simulated recorders: " + e.getMessage(), e);
        }
    }

    /** Plays makes beside those that ship, from a file like {@code models.yaml}. */
    public static void makes(Path file) {
        try (var in = Files.newInputStream(file)) {
            SimModel.load(in);
        } catch (IOException e) {
            throw new UncheckedIOException("the file of makes " + file + " cannot be read", e);
        }
    }

    /** @param make one of those that {@code models.yaml} describes */
    public SimRecorder add(String name, String make, String user, String password, int channels) {
        return add(
                name,
                make,
                user,
                password,
                IntStream.rangeClosed(1, channels).mapToObj("%02d"::formatted).toList());
    }

    /** @param tokens what the recorder calls its channels, any text of XML up to 64 characters */
    public SimRecorder add(String name, String make, String user, String password, List<String> tokens) {
        var model = SimModel.of(make);
        var recorder = new SimRecorder(name, model, user, password, tokens);
        recorder.streamPort = streams.port();
        recorder.remembers = recorders.size() < MOST_THAT_REMEMBER;
        recorder.post = mail.map(catcher -> catcher::take);
        recorders.put(name, recorder);
        return recorder;
    }

    /** Keeps the state of the recorders added so far in a folder. */
    public void keepIn(Path folder) {
        recorders.values().forEach(r -> r.keepIn(folder));
        Runtime.getRuntime().addShutdownHook(new Thread(this::save));
        var _ = keeper.scheduleWithFixedDelay(this::save, SAVE_MILLIS, SAVE_MILLIS, TimeUnit.MILLISECONDS);
    }

    private void save() {
        recorders.values().forEach(SimRecorder::saveNow);
    }

    Map<String, SimRecorder> recorders() {
        return recorders;
    }

    /** Lets happen at the recorders what the text says, when it says so; instead of what was played before. */
    public void play(String scenario) {
        stage.play(Scenario.parse(scenario));
    }

    /** Turns knobs as somebody who stands there would, such as {@code haldr-1/07?sensitivity=40}. */
    public void turn(String where) {
        panel.turn(where);
    }

    /** Plays the same recorders by TLS as well, on that port or any free one for 0. */
    public int secure(int port) {
        try {
            var door = new TlsDoor(port, soap::handle);
            tls = Optional.of(door);
            return door.port();
        } catch (IOException e) {
            throw new UncheckedIOException("port " + port + " of the recorders by TLS: " + e.getMessage(), e);
        }
    }

    Optional<Integer> tlsPort() {
        return tls.map(TlsDoor::port);
    }

    /** What its front panel shows. */
    public String display(String recorder) {
        return FrontPanel.display(java.util.Objects.requireNonNull(recorders.get(recorder), recorder));
    }

    /** What a camera sees at that instant, in grey, 320 by 176 pixels from the top left. */
    public byte[] picture(String recorder, String place, java.time.Instant at) {
        var seen = java.util.Objects.requireNonNull(recorders.get(recorder), recorder);
        return new MovingScene(seen, seen.channel(place)).at(at);
    }

    /** Has the recorders show another certificate, {@code first} or {@code second}. */
    public void showCertificate(String which) {
        tls.ifPresent(door -> door.show(which));
    }

    public int port() {
        return server.getAddress().getPort();
    }

    public URI address(String recorder) {
        return URI.create("http://127.0.0.1:" + port() + "/" + recorder + "/device_service");
    }

    public URI panel(String recorder) {
        return URI.create("http://127.0.0.1:" + port() + "/panel/" + recorder);
    }

    @Override
    public void close() {
        keeper.shutdownNow();
        probes.close();
        streams.close();
        mail.ifPresent(MailCatcher::close);
        tls.ifPresent(TlsDoor::close);
        server.stop(0);
    }

    /** Takes mail on that port of the loopback interface, and shows it under {@code /mail}. */
    public void catchMail(int port) {
        var catcher = new MailCatcher(port);
        mail = Optional.of(catcher);
        recorders.values().forEach(r -> r.post = Optional.of(catcher::take));
        server.createContext("/mail", exchange -> mail.orElseThrow().handle(exchange));
    }

    /** {@code [--tls=PORT] [--makes=FILE] [--speed=TIMES@INSTANT] PORT FLEET-FILE [STATE-FOLDER [MAIL-PORT [SCENARIO-FILE]]]}: plays the fleet that the file describes until stopped. */
    public static void main(String[] given) {
        var arguments = Arrays.stream(given).filter(a -> !a.startsWith("--")).toArray(String[]::new);
        if (arguments.length < 2) {
            System.err.println(
                    "usage: [--tls=PORT] [--makes=FILE] [--speed=TIMES@INSTANT] PORT FLEET-FILE [STATE-FOLDER [MAIL-PORT [SCENARIO-FILE]]]");
            System.exit(2);
        }
        Simulator simulator;
        try {
            simulator = start(Integer.parseInt(arguments[0]));
        } catch (UncheckedIOException e) {
            System.err.println(e.getMessage());
            System.exit(1);
            return;
        }
        Arrays.stream(given)
                .filter(a -> a.startsWith(TLS))
                .forEach(a -> simulator.secure(Integer.parseInt(a.substring(TLS.length()))));
        try {
            Arrays.stream(given)
                    .filter(a -> a.startsWith(SPEED))
                    .forEach(a -> SimTime.pace(a.substring(SPEED.length())));
            Arrays.stream(given)
                    .filter(a -> a.startsWith(MAKES))
                    .forEach(a -> makes(Path.of(a.substring(MAKES.length()))));
            SimFleet.load(simulator, Path.of(arguments[1]));
        } catch (UncheckedIOException | IllegalArgumentException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
        if (arguments.length > 2) {
            simulator.keepIn(Path.of(arguments[2]));
        }
        if (arguments.length > 3) {
            simulator.catchMail(Integer.parseInt(arguments[3]));
        }
        if (arguments.length > 4) {
            try {
                simulator.play(Files.readString(Path.of(arguments[4])));
            } catch (IOException | IllegalArgumentException e) {
                System.err.println("scenario " + arguments[4] + ": " + e.getMessage());
                System.exit(1);
            }
        }
        System.out.println("simulated recorders on port " + simulator.port());
    }
}
