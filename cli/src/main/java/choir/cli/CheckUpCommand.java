package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

@Command(
        name = "check-up",
        description =
                "Is all well with the service: database, key, backups, journal, plans, recorders, clocks, notices.",
        footer = "Exits with 3 when somebody should look after something, and with 1 when something is wrong.")
final class CheckUpCommand extends Act {
    @Option(
            names = "--journal",
            paramLabel = "ENTRY:SEAL",
            description = "as an earlier check-up said it: whether the journal up to that entry is still the same")
    private @Nullable String noted;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (noted != null) {
            return compare(service, noted);
        }
        var checkUp = service.get("/api/v1/check-up");
        listing.print(
                out(),
                Listing.items(checkUp.path("checks")),
                new Table("", "about", "what was seen", "what to do"),
                CheckUpCommand::row,
                "nothing was looked at");
        return switch (Listing.text(checkUp, "state")) {
            case "well" -> Failure.DONE;
            case "wrong" -> Failure.FAILED;
            default -> Failure.FOUND;
        };
    }

    private static String[] row(JsonNode check) {
        return new String[] {
            switch (Listing.text(check, "state")) {
                case "well" -> "well";
                case "look" -> "see to it";
                case "wrong" -> "WRONG";
                default -> "not known";
            },
            Listing.text(check, "about"),
            Listing.text(check, "words"),
            Listing.text(check, "act")
        };
    }

    private int compare(Client service, String entry) {
        var parts = entry.split(":", 2);
        if (parts.length != 2 || !parts[0].matches("\\d{1,18}") || !parts[1].matches("[0-9a-f]{16,64}")) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "expected an entry with its seal, such as 4711:9f86d081884c7d65, as check-up says it");
        }
        var seal = Listing.text(service.get("/api/v1/journal/" + parts[0] + "/seal"), "seal");
        if (!seal.startsWith(parts[1])) {
            throw new Failure(
                    Failure.FAILED,
                    "entry " + parts[0] + ", or something before it, is not what it was: its seal is now " + seal);
        }
        say("up to entry " + parts[0] + " the journal is what it was");
        return Failure.DONE;
    }
}
