package choir.bench;

import choir.family.Families;
import choir.link.RecorderAccess;
import choir.onvif.OnvifLink;
import choir.onvif.Patience;
import choir.sim.Simulator;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Reads simulated recorders in another process, and asks the same server as many times by a bare HTTP client with the
 * same concurrency: {@code RECORDERS CHANNELS AT_ONCE}.
 */
public final class ReadFleet {
    private static final int PORT = 7588;
    private static final int ROUNDS = 10;

    private ReadFleet() {}

    public static void main(String[] arguments) throws Exception {
        int recorders = Integer.parseInt(arguments[0]);
        int channels = Integer.parseInt(arguments[1]);
        int atOnce = Integer.parseInt(arguments[2]);
        var simulator = startSimulator(recorders, channels);
        try {
            awaitPort();
            measure(recorders, channels, atOnce);
        } finally {
            simulator.destroy();
        }
    }

    private static Process startSimulator(int recorders, int channels) throws Exception {
        var text = new StringBuilder("recorders:\n");
        for (int i = 0; i < recorders; i++) {
            text.append("- {name: r").append(i).append(", make: tern, user: u, password: p, cameras: [");
            text.append("{label: c}, ".repeat(channels)).append("]}\n");
        }
        var file = Files.writeString(Files.createTempFile("fleet", ".yaml"), text);
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin/java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        Simulator.class.getName(),
                        Integer.toString(PORT),
                        file.toString())
                .inheritIO()
                .start();
    }

    private static void awaitPort() throws Exception {
        for (int i = 0; i < 200; i++) {
            try (var socket = new java.net.Socket(java.net.InetAddress.getLoopbackAddress(), PORT)) {
                if (socket.isConnected()) {
                    return;
                }
            } catch (java.io.IOException notYet) {
                Thread.sleep(50);
            }
        }
        throw new IllegalStateException("the simulated recorders did not start");
    }

    private static void measure(int recorders, int channels, int atOnce) throws Exception {
        var family = Families.shipped().named("tern");
        try (var link = new OnvifLink(Patience.ofCall(Duration.ofSeconds(30)))) {
            List<RecorderAccess> fleet = new ArrayList<>();
            for (int i = 0; i < recorders; i++) {
                fleet.add(new RecorderAccess(
                        URI.create("http://127.0.0.1:" + PORT + "/r" + i + "/device_service"), "u", "p", family));
            }
            for (int round = 1; round <= ROUNDS; round++) {
                var calls = new AtomicLong();
                double seconds = all(fleet, atOnce, access -> {
                    var reading = link.read(access);
                    if (reading.channels().size() != channels) {
                        throw new IllegalStateException("not all channels were read");
                    }
                    calls.addAndGet(reading.calls());
                });
                double bare = bare(fleet, atOnce);
                System.out.printf(
                        "round %d: read %d recorders x %d cameras in %.2f s, %d calls (%.1f a recorder), %.0f calls/s;"
                                + " bare client %.0f calls/s; ratio %.2f%n",
                        round,
                        recorders,
                        channels,
                        seconds,
                        calls.get(),
                        calls.get() / (double) recorders,
                        calls.get() / seconds,
                        bare,
                        calls.get() / seconds / bare);
            }
        }
    }

    private interface Visit {
        void to(RecorderAccess access) throws Exception;
    }

    private static double all(List<RecorderAccess> fleet, int atOnce, Visit visit) throws Exception {
        var permits = new Semaphore(atOnce);
        long begin = System.nanoTime();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<java.util.concurrent.Future<?>> turns = new ArrayList<>();
            for (var access : fleet) {
                turns.add(threads.submit(() -> {
                    permits.acquire();
                    try {
                        visit.to(access);
                    } finally {
                        permits.release();
                    }
                    return Boolean.TRUE;
                }));
            }
            for (var turn : turns) {
                turn.get();
            }
        }
        return (System.nanoTime() - begin) / 1e9;
    }

    /**
     * The operations of one reading, each with the service that has it. Which services there are is remembered from the first
     * reading on.
     */
    private static final List<List<String>> OPERATIONS = List.of(
            List.of("device_service", "<GetSystemDateAndTime xmlns='http://www.onvif.org/ver10/device/wsdl'/>"),
            List.of("device_service", "<GetDeviceInformation xmlns='http://www.onvif.org/ver10/device/wsdl'/>"),
            List.of(
                    "media2",
                    "<GetProfiles xmlns='http://www.onvif.org/ver20/media/wsdl'><Type>All</Type></GetProfiles>"),
            List.of("recording", "<GetRecordings xmlns='http://www.onvif.org/ver10/recording/wsdl'/>"),
            List.of("recording", "<GetRecordingJobs xmlns='http://www.onvif.org/ver10/recording/wsdl'/>"),
            List.of(
                    "schedule",
                    "<GetScheduleList xmlns='http://www.onvif.org/ver10/schedule/wsdl'><Limit>500</Limit></GetScheduleList>"));

    /** The same requests in the same number, of whose answers nothing is understood. */
    private static double bare(List<RecorderAccess> fleet, int atOnce) throws Exception {
        var random = new SecureRandom();
        try (var http =
                HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build()) {
            double seconds = all(fleet, atOnce, access -> {
                for (var operation : OPERATIONS) {
                    var request = HttpRequest.newBuilder(access.address().resolve(operation.get(0)))
                            .POST(HttpRequest.BodyPublishers.ofString(envelope(operation.get(1), random)))
                            .build();
                    var answer = http.send(request, BodyHandlers.ofByteArray());
                    if (answer.statusCode() != 200) {
                        throw new IllegalStateException("refused: " + answer.statusCode());
                    }
                }
            });
            return OPERATIONS.size() * fleet.size() / seconds;
        }
    }

    private static String envelope(String operation, SecureRandom random) throws Exception {
        var nonce = new byte[16];
        random.nextBytes(nonce);
        var created = Instant.now().toString();
        var sha = MessageDigest.getInstance("SHA-1");
        sha.update(nonce);
        sha.update((created + "p").getBytes(StandardCharsets.UTF_8));
        var base64 = Base64.getEncoder();
        return "<e:Envelope xmlns:e='http://www.w3.org/2003/05/soap-envelope'><e:Header><Security><UsernameToken>"
                + "<Username>u</Username><Password>" + base64.encodeToString(sha.digest()) + "</Password><Nonce>"
                + base64.encodeToString(nonce) + "</Nonce><Created>" + created
                + "</Created></UsernameToken></Security></e:Header><e:Body>" + operation + "</e:Body></e:Envelope>";
    }
}
