package choir.cli;

import java.util.List;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The findings that something is decided about: named one by one, or by what they are, and then after a question. */
final class FindingIds {
    @Parameters(paramLabel = "ID", arity = "0..*", description = "findings by number; or say which with the options")
    private List<Long> ids = List.of();

    @Mixin
    private FindingChoice choice = new FindingChoice();

    @Option(
            names = {"-y", "--yes"},
            description = "do not ask")
    private boolean yes;

    /** @param act what is to be done with them, such as "Accept" */
    List<Long> of(Client service, String act) {
        if (!ids.isEmpty()) {
            if (!choice.isEverything()) {
                throw new Failure(Failure.WRONG_USAGE, "say which findings by number or by options, not both");
            }
            return ids;
        }
        if (choice.isEverything()) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "say which findings: by number, or with --select, --cause, --setting, --severity");
        }
        var chosen = choice.of(service).stream().map(f -> f.path("id").asLong()).toList();
        if (chosen.isEmpty()) {
            throw new Failure(Failure.FAILED, "no open finding is like that");
        }
        if (!yes && !Confirmation.given(act + " " + counted(chosen) + "?")) {
            throw new Failure(Failure.FAILED, counted(chosen) + " would be decided; nothing was, say --yes to do it");
        }
        return chosen;
    }

    private static String counted(List<Long> ids) {
        return ids.size() == 1 ? "1 finding" : ids.size() + " findings";
    }
}
