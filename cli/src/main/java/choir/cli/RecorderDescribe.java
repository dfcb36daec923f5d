package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "describe",
        description = {
            "Print what a recorder says of its own abilities now, as a family file.",
            "Correct it and take it with: choir family add FILE"
        })
final class RecorderDescribe extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Override
    int run(Client service) {
        var said = service.get("/api/v1/recorders/" + Client.encode(name) + "/description");
        Listing.text(said, "text").lines().forEach(this::say);
        return Failure.DONE;
    }
}
