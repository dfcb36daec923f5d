package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "unuse", description = "Stop using a template at a group or a camera.")
final class UnuseCommand extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String template = "";

    @Option(names = "--on", required = true, paramLabel = "NODE", description = "the group or camera")
    private String node = "";

    @Override
    int run(Client service) {
        service.delete(
                "/api/v1/uses?template=" + Client.encode(template) + "&node="
                        + Client.encode(Nodes.name(service, node)),
                Optional.empty());
        say(node + " does not use " + template + " any more");
        return Failure.DONE;
    }
}
