package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "unset", description = "Take overrides at a group or a camera away again.")
final class UnsetCommand extends Act {
    @Parameters(index = "0", paramLabel = "NODE")
    private String node = "";

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "KEY")
    private List<String> keys = List.of();

    @Override
    int run(Client service) {
        var name = Client.encode(Nodes.name(service, node));
        for (var key : keys) {
            var there = "/api/v1/overrides?node=" + name;
            service.delete(
                    there + "&key=" + Client.encode(key),
                    service.getWithVersion(there).version());
            say(node + " does not override " + key + " any more");
        }
        return Failure.DONE;
    }
}
