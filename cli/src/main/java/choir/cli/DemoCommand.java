package choir.cli;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/**
 * Starts simulated recorders and the service on loopback, and tells the service of the demo fleet the first time. The
 * launcher says in the environment how to start each: {@code CHOIR_ROOT}, {@code CHOIR_SERVICE}, {@code CHOIR_SIMULATOR} and
 * {@code CHOIR_ISSUER}, a word a line.
 */
@Command(
        name = "demo",
        description = "Service, simulated recorders and the demo fleet, on loopback; stops with Ctrl-C.")
final class DemoCommand extends Act {
    private static final String USER = "admin";
    private static final String PASSWORD = "skerry-line-demo";
    private static final int SECONDS_TO_START = 60;
    private static final int FASTEST = 1_000;

    @Option(names = "--port", defaultValue = "7480", description = "port of the service")
    private int port = 7480;

    @Option(names = "--recorders-port", defaultValue = "7481", description = "port of the simulated recorders")
    private int recordersPort = 7481;

    @Option(names = "--tls-port", defaultValue = "7483", description = "port of the simulated recorders by TLS")
    private int tlsPort = 7483;

    @Option(names = "--mail-port", defaultValue = "7482", description = "port of a mail server that keeps what it gets")
    private int mailPort = 7482;

    @Option(
            names = "--organisation",
            description = "with a server of accounts, as an organisation has one, by which people sign in as well")
    private boolean organisation;

    @Option(
            names = "--organisation-port",
            defaultValue = "7484",
            description = "port of that server; people it knows are in demo/organisation.txt")
    private int organisationPort = 7484;

    @Option(
            names = "--scenario",
            paramLabel = "FILE",
            description = "what happens at the recorders from the start on, such as demo/week-of-drift.txt")
    private @Nullable Path scenario;

    @Option(
            names = "--speed",
            paramLabel = "TIMES",
            description =
                    "so many times as fast the recorders live, and the service with them; such as 60 for a day in 24"
                            + " minutes")
    private @Nullable Integer speed;

    /** The launcher has emptied the demo's folder by now. */
    @Option(names = "--fresh", description = "begin again with the demo fleet as it was on the first day")
    @SuppressWarnings("UnusedVariable")
    private boolean fresh;

    private final Instant began = Instant.now();
    private volatile boolean stopping;

    private final List<Process> children = new ArrayList<>();

    @Override
    int run(Client ignored) {
        var root = Path.of(environment("CHOIR_ROOT"));
        var folder = root.resolve(".choir/demo");
        requireFree(port, "--port");
        requireFree(recordersPort, "--recorders-port");
        requireFree(mailPort, "--mail-port");
        requireFree(tlsPort, "--tls-port");
        if (organisation) {
            requireFree(organisationPort, "--organisation-port");
        }
        Runtime.getRuntime().addShutdownHook(new Thread(this::stop));
        var simulator = URI.create("http://127.0.0.1:" + recordersPort);
        var address = URI.create("http://127.0.0.1:" + port);
        long began = System.nanoTime();
        try {
            Files.createDirectories(folder);
            List<String> played = new ArrayList<>(List.of(
                    "--tls=" + tlsPort,
                    Integer.toString(recordersPort),
                    root.resolve("demo/skerry-line.yaml").toString(),
                    folder.resolve("recorders").toString(),
                    Integer.toString(mailPort)));
            if (speed != null) {
                played.addFirst("--speed=" + pace());
            }
            if (scenario != null) {
                Texts.read(scenario);
                played.add(scenario.toAbsolutePath().toString());
            }
            start(folder.resolve("recorders.log"), Map.of(), words("CHOIR_SIMULATOR"), played.toArray(String[]::new));
            List<String> served = new ArrayList<>(List.of(
                    "--server.port=" + port,
                    "--choir.data=" + folder.resolve("data"),
                    "--choir.zone=Atlantic/Faroe",
                    "--choir.mail.host=127.0.0.1",
                    "--choir.mail.port=" + mailPort,
                    "--choir.mail.from=choir@skerry-line.example"));
            if (speed != null) {
                served.add("--choir.speed=" + pace());
            }
            if (organisation) {
                served.addAll(startedOrganisation(root, folder, address));
            }
            start(
                    folder.resolve("service.log"),
                    Map.of("CHOIR_SETUP_USER", USER, "CHOIR_SETUP_PASSWORD", PASSWORD),
                    words("CHOIR_SERVICE"),
                    served.toArray(String[]::new));
            awaitHealthy(address, folder);
            tell(root, folder, address, simulator);
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the demo cannot start: " + e.getMessage());
        }
        welcome(address, simulator, (System.nanoTime() - began) / 1_000_000_000.0);
        return waitForTheEnd(folder);
    }

    /** Begins with the accounts of an organisation; what the service is told of them. */
    private List<String> startedOrganisation(Path root, Path folder, URI service) throws IOException {
        List<String> words = new ArrayList<>(List.of(Integer.toString(organisationPort), service.toString()));
        Texts.read(root.resolve("demo/organisation.txt"))
                .lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty() && !line.startsWith("#"))
                .forEach(words::add);
        start(folder.resolve("organisation.log"), Map.of(), words("CHOIR_ISSUER"), words.toArray(String[]::new));
        var secret = Files.writeString(folder.resolve("organisation-secret"), "a secret of two machines\n");
        return List.of(
                "--choir.organisation.name=the harbour's account",
                "--choir.organisation.issuer=http://127.0.0.1:" + organisationPort,
                "--choir.organisation.client=choir",
                "--choir.organisation.secret-file=" + secret,
                "--choir.organisation.administrators=harbour masters",
                "--choir.organisation.viewers=watch",
                "--choir.organisation.places[0].members=electricians",
                "--choir.organisation.places[0].role=technician:terminals/haldr");
    }

    /** Both go by the same rule, from the same instant on, since what they live through is the same. */
    private String pace() {
        if (speed == null || speed < 1 || speed > FASTEST) {
            throw new Failure(Failure.WRONG_USAGE, "--speed is 1 to " + FASTEST + " times, not " + speed);
        }
        return speed + "@" + began;
    }

    private void tell(Path root, Path folder, URI address, URI simulator) throws IOException {
        var told = folder.resolve("told");
        var anonymous = new Client(address, Optional.empty());
        if (Files.exists(told)) {
            return;
        }
        var token = Listing.text(
                anonymous.post(
                        "/api/v1/session/token", Map.of("user", USER, "password", PASSWORD, "label", "the demo")),
                "token");
        home().rememberUnlessBusy(address, token, home().inFolder(folder));
        new DemoStory(
                        new Client(address, Optional.of(token)),
                        simulator,
                        URI.create("https://127.0.0.1:" + tlsPort),
                        DemoFleet.read(root.resolve("demo/skerry-line.yaml")),
                        this::say)
                .play(root.resolve("demo/policy"));
        Files.createFile(told);
    }

    private static String environment(String name) {
        return Optional.ofNullable(System.getenv(name))
                .orElseThrow(() -> new Failure(
                        Failure.WRONG_USAGE,
                        "the demo is started by the launcher, ./choir demo (" + name + " is not set)"));
    }

    private static List<String> words(String name) {
        return environment(name).lines().toList();
    }

    private static void requireFree(int port, String option) {
        try (var socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            socket.getLocalPort();
        } catch (IOException e) {
            throw new Failure(
                    Failure.FAILED,
                    "port " + port + " is in use; stop what listens there, or choose another with " + option);
        }
    }

    private void start(Path log, Map<String, String> environment, List<String> command, String... arguments)
            throws IOException {
        List<String> words = new ArrayList<>(command);
        words.addAll(List.of(arguments));
        var builder = new ProcessBuilder(words).redirectErrorStream(true).redirectOutput(log.toFile());
        builder.environment().putAll(environment);
        children.add(builder.start());
    }

    private void awaitHealthy(URI address, Path folder) {
        var client = new Client(address, Optional.empty());
        for (int tenth = 0; tenth < SECONDS_TO_START * 10; tenth++) {
            requireAlive(folder);
            try {
                if (Listing.text(client.get("/actuator/health"), "status").equals("UP")) {
                    return;
                }
            } catch (Failure notYet) {
                pause();
            }
        }
        throw new Failure(Failure.FAILED, "the service did not start in time; see " + folder.resolve("service.log"));
    }

    private void requireAlive(Path folder) {
        for (var child : children) {
            if (!child.isAlive()) {
                throw new Failure(Failure.FAILED, "a part of the demo has ended; see the logs in " + folder);
            }
        }
    }

    private static void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(100);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failure(Failure.FAILED, "interrupted");
        }
    }

    private void welcome(URI address, URI simulator, double seconds) {
        say("");
        say(ansi().string("@|bold Choir is ready at " + address + "|@") + " (after %.1f s)".formatted(seconds));
        say("sign in as " + USER + " with the password " + PASSWORD);
        if (organisation) {
            say("or by the harbour's account as birk (harbour master), ylva (watch) or nils (electrician at haldr),"
                    + " with the password: quiet harbour");
        }
        say("");
        say("three things to try, here or in another terminal:");
        say("  ./choir finding list          what is out of tune, the worst first");
        say("  ./choir explain haldr-1/02    why this camera is as it is, and what it should be");
        say("  ./choir preview state:waiting what is said here and not on the recorders yet");
        say("");
        say("mail that the service sends is kept at " + simulator.resolve("/mail"));
        say("Ctrl-C stops it; ./choir demo --fresh begins again");
    }

    /** Ctrl-C reaches the parts as well, and they may be gone before this program is told of it. */
    private int waitForTheEnd(Path folder) {
        while (children.stream().allMatch(Process::isAlive)) {
            pause();
        }
        for (int tenth = 0; tenth < 10 && !stopping; tenth++) {
            pause();
        }
        if (!stopping) {
            requireAlive(folder);
        }
        return Failure.DONE;
    }

    private void stop() {
        stopping = true;
        children.forEach(Process::destroy);
        for (var child : children) {
            try {
                if (!child.waitFor(10, TimeUnit.SECONDS)) {
                    child.destroyForcibly();
                }
            } catch (InterruptedException e) {
                child.destroyForcibly();
            }
        }
    }
}
