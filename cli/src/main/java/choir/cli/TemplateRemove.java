package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Remove a template that is used nowhere and that no other extends.")
final class TemplateRemove extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String name = "";

    @Override
    int run(Client service) {
        var path = "/api/v1/templates/" + Client.encode(name);
        service.write("DELETE", path, Map.of(), service.getWithVersion(path).version());
        say("removed the template " + name);
        return Failure.DONE;
    }
}
