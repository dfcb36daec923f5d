package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "remove", description = "Remove a family that was added here and that no recorder is of.")
final class FamilyRemove extends Removes {
    @Override
    String kind() {
        return "family";
    }

    @Override
    String path() {
        return "/api/v1/families";
    }
}
