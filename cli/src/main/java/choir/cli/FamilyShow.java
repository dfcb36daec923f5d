package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "show", description = "Print a family's file, to learn from or to begin one of your own.")
final class FamilyShow extends ShowsText {
    @Override
    String path() {
        return "/api/v1/families";
    }
}
