package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "list", description = "Open findings of a selection, the worst first.")
final class FindingList extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--select", description = "the same as an option", defaultValue = "", paramLabel = "SELECTION")
    private String select = "";

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var findings = service.all(Client.select("/api/v1/findings", Selections.joined(words, select)));
        FindingRows.print(out(), listing, findings, "nothing is out of tune as of the last audit");
        return findings.isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
