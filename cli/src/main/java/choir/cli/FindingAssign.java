package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "assign", description = "Give findings to a person to see to; a technician's round is a list of them.")
final class FindingAssign extends Act {
    @Mixin
    private FindingIds ids = new FindingIds();

    @Option(names = "--to", paramLabel = "PERSON", description = "who sees to them; nobody any more if not said")
    private String to = "";

    @Option(names = "--note", paramLabel = "TEXT", description = "what that person should know")
    private String note = "";

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("findings", ids.of(service, "Assign"));
        body.put("decision", "assign");
        body.put("because", note);
        body.put("to", to);
        return FindingDecided.told(
                this, service.post("/api/v1/findings/decisions", body), to.isEmpty() ? "with nobody" : "with " + to);
    }
}
