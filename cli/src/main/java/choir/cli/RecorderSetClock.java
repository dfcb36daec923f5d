package choir.cli;

import java.time.Duration;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "set-clock",
        description = {
            "Set a recorder's clock to the time of the service; its zone stays.",
            "A recorder that asks a time server keeps its time by itself from then on: mend the server rather, where there is one."
        })
final class RecorderSetClock extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    @Override
    int run(Client service) {
        if (!yes && !Confirmation.given("Set the clock of " + name + "?")) {
            throw new Failure(Failure.FAILED, "nothing was changed; say yes, or give --yes where nobody can be asked");
        }
        var set = service.post("/api/v1/recorders/" + Client.encode(name) + "/clock", Map.of());
        say("before: " + (set.hasNonNull("before") ? off(set.path("before").asLong()) : "not known") + "; now: "
                + (set.hasNonNull("after") ? off(set.path("after").asLong()) : "not known"));
        if (set.path("fromServer").asBoolean()) {
            say(name + " took its time from a server until now, and keeps it by itself from now on");
        }
        say("look at it again with: choir audit run recorder:" + name);
        return Failure.DONE;
    }

    private static String off(long seconds) {
        if (Math.abs(seconds) < 2) {
            return "right to the second";
        }
        var size = Duration.ofSeconds(Math.abs(seconds));
        var words = size.toMinutes() > 0
                ? size.toMinutes() + " min " + size.toSecondsPart() + " s"
                : size.toSeconds() + " s";
        return words + (seconds > 0 ? " ahead" : " behind");
    }
}
