package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "One template as a policy file holds it.")
final class TemplateShow extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String name = "";

    @Override
    int run(Client service) {
        out().print(Listing.text(service.get("/api/v1/templates/" + Client.encode(name)), "text"));
        out().flush();
        return Failure.DONE;
    }
}
