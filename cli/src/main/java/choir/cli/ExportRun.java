package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;

@Command(
        name = "run",
        description = "Put all tables into the service's folder now, as a plan does each night.",
        footer =
                "The folder is said at the start of the service by --choir.exports, the forms by --choir.export-forms.")
final class ExportRun extends Act {
    @Override
    int run(Client service) {
        var work = service.post("/api/v1/exports", Map.of());
        try (var bar = new ProgressBar(errors(), "exporting")) {
            work = service.follow(work.path("id").asLong(), bar::show);
        }
        if (!Listing.text(work, "state").equals("done")) {
            throw new Failure(Failure.FAILED, Listing.text(work, "note"));
        }
        say(Listing.text(work, "note"));
        return Failure.DONE;
    }
}
