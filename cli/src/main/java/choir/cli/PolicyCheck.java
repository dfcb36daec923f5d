package choir.cli;

import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "check", description = "Tell every fault of policy files, or what they would change; changes nothing.")
final class PolicyCheck extends Act {
    @Parameters(paramLabel = "FILE-OR-FOLDER", arity = "1..*")
    private List<Path> paths = List.of();

    @Option(names = "--prune", description = "as if everything that the files do not name were removed")
    private boolean prune;

    @Option(names = "--new-groups", description = "as if groups that are named and not there were made")
    private boolean newGroups;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var files = PolicyFolder.read(paths);
        var tried = PolicyLoad.tried(service, files, prune, newGroups);
        if (!listing.isForPrograms(out(), tried, () -> Listing.items(tried.path("changes")))) {
            PolicyLoad.print(this, tried);
            say(Texts.count(files.size(), "file") + " without a fault");
        }
        return tried.path("changes").isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
