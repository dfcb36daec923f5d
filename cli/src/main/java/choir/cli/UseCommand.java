package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "use", description = "Use a template at a group or a camera, after those that are used there already.")
final class UseCommand extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String template = "";

    @Option(names = "--on", required = true, paramLabel = "NODE", description = "such as terminals/haldr or haldr-1/07")
    private String node = "";

    @Override
    int run(Client service) {
        service.post("/api/v1/uses", Map.of("template", template, "node", Nodes.name(service, node)));
        say(node + " uses " + template + "; see what it does with: choir preview");
        return Failure.DONE;
    }
}
