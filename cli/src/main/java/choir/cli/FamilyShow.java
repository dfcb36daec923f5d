package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "Print a family's file, to learn from or to begin one of your own.")
final class FamilyShow extends Act {
    @Parameters(paramLabel = "FAMILY")
    private String name = "";

    @Override
    int run(Client service) {
        out().print(Listing.text(service.get("/api/v1/families/" + Client.encode(name)), "text"));
        out().flush();
        return Failure.DONE;
    }
}
