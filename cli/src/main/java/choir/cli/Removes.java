package choir.cli;

import java.util.Map;
import picocli.CommandLine.Parameters;

/** Takes one thing away, as it was looked at. */
abstract class Removes extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    /** What it is called, such as {@code template}. */
    abstract String kind();

    /** Of all such things. */
    abstract String path();

    @Override
    int run(Client service) {
        var one = path() + "/" + Client.encode(name);
        service.write("DELETE", one, Map.of(), service.getWithVersion(one).version());
        say("removed the " + kind() + " " + name);
        return Failure.DONE;
    }
}
