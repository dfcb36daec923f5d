package choir.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(
        name = "backup",
        description =
                "Copy everything that is stored, while the service runs; the copy is looked through before it counts.",
        footer =
                "The key to the recorders' passwords and kept clips are not in it: copy DATA/key and DATA/clips apart. Go back"
                        + " to one by: choir restore")
final class BackupCommand extends Act {
    @Option(
            names = "--to",
            paramLabel = "FILE",
            description = "bring the copy here; otherwise it stays in DATA/backups alone")
    private @Nullable Path to;

    @Option(names = "--list", description = "tell those that are there, and make none")
    private boolean list;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (list) {
            listing.print(
                    out(),
                    Listing.items(service.get("/api/v1/backups")),
                    new Table("backup", "made", "size"),
                    b -> new String[] {
                        Listing.text(b, "name"),
                        Times.of(Listing.text(b, "at")),
                        Sizes.words(b.path("bytes").asDouble())
                    },
                    "there is no backup yet; make one with: choir backup");
            return Failure.DONE;
        }
        if (to != null && Files.exists(to)) {
            throw new Failure(Failure.FAILED, to + " is there already; it is not written over");
        }
        var made = service.post("/api/v1/backups", Map.of());
        var name = Listing.text(made, "name");
        if (to != null) {
            service.download("/api/v1/backups/" + Client.encode(name), to);
        }
        if (listing.isForPrograms(out(), made, () -> List.of(made))) {
            return Failure.DONE;
        }
        say("made " + name + ", " + Sizes.words(made.path("bytes").asDouble()));
        if (to != null) {
            say("brought to " + to);
        }
        return Failure.DONE;
    }
}
