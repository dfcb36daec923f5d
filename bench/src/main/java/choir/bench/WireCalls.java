package choir.bench;

import choir.sim.Simulator;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** How many calls recorders get when they are added and read: {@code SERVER-JAR}. */
public final class WireCalls {
    private static final Pattern CALLS = Pattern.compile(" calls (\\d+) ");
    /** Each with how it wants the password, and what else makes it dear. */
    private static final List<String> MAKES = List.of(
            "tern: security header, special days",
            "petrel: security header",
            "gannet: challenge of HTTP, analytics by their own call",
            "skua: security header, of no known family",
            "dunlin: security header, of no known family, first media service alone");

    private WireCalls() {}

    public static void main(String[] arguments) throws Exception {
        var data = Files.createTempDirectory("choir-wire");
        try (var simulator = Simulator.start(0);
                var service = new RunningService(Path.of(arguments[0]), data, 7592, "512m")) {
            service.signIn();
            System.out.println("| recorder | channels | added | read first | read again |");
            System.out.println("| --- | --- | --- | --- | --- |");
            for (var make : MAKES) {
                for (int channels : List.of(2, 16, 32)) {
                    row(simulator, service, make, channels);
                }
            }
        }
    }

    private static void row(Simulator simulator, RunningService service, String what, int channels) throws Exception {
        var make = what.substring(0, what.indexOf(':'));
        var name = make + "-" + channels;
        simulator.add(name, make, "choir", "harbour", channels);
        service.call(
                "POST",
                "/api/v1/recorders",
                "{\"name\":\"" + name + "\",\"address\":\"" + simulator.address(name)
                        + "\",\"user\":\"choir\",\"password\":\"harbour\",\"zone\":\"UTC\"}");
        long added = calls(simulator, name);
        read(service, name);
        long first = calls(simulator, name);
        read(service, name);
        long again = calls(simulator, name);
        System.out.printf(
                Locale.ROOT, "| %s | %d | %d | %d | %d |%n", what, channels, added, first - added, again - first);
    }

    private static void read(RunningService service, String name) throws Exception {
        service.ended(service.call("POST", "/api/v1/readings", "{\"recorders\":[\"" + name + "\"]}"));
    }

    private static long calls(Simulator simulator, String name) {
        var found = CALLS.matcher(simulator.display(name));
        if (!found.find()) {
            throw new IllegalStateException(simulator.display(name));
        }
        return Long.parseLong(found.group(1));
    }
}
