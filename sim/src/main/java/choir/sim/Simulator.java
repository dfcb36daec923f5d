package choir.sim;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Executors;

/** Any number of simulated recorders behind one port of the loopback interface. */
public final class Simulator implements AutoCloseable {
    private final Map<String, SimRecorder> recorders = new LinkedHashMap<>();
    private final HttpServer server;

    private Simulator(HttpServer server) {
        this.server = server;
        var soap = new SoapDoor(recorders);
        server.createContext("/panel/", new FrontPanel(recorders)::handle);
        server.createContext("/", soap::handle);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.start();
    }

    /** Listens on that port, or on any free one for 0. */
    public static Simulator start(int port) {
        try {
            return new Simulator(
                    HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 1024));
        } catch (IOException e) {
            throw new UncheckedIOException("port " + port + " of the simulated recorders: " + e.getMessage(), e);
        }
    }

    /** @param make one of those that {@code models.yaml} describes */
    public SimRecorder add(String name, String make, String user, String password, int channels) {
        var model = SimModel.of(make);
        var recorder = new SimRecorder(name, model, user, password, channels);
        recorders.put(name, recorder);
        return recorder;
    }

    /** Keeps the state of the recorders added so far in a folder. */
    public void keepIn(Path folder) {
        recorders.values().forEach(r -> r.keepIn(folder));
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
        server.stop(0);
    }

    /** {@code PORT FLEET-FILE [STATE-FOLDER]}: plays the fleet that the file describes until stopped. */
    public static void main(String[] arguments) {
        if (arguments.length < 2) {
            System.err.println("usage: PORT FLEET-FILE [STATE-FOLDER]");
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
        SimFleet.load(simulator, Path.of(arguments[1]));
        if (arguments.length > 2) {
            simulator.keepIn(Path.of(arguments[2]));
        }
        System.out.println("simulated recorders on port " + simulator.port());
    }
}
