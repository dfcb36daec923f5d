package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "adopt",
        description = "Make what the recorders hold the cameras' own policy, with a reason, until a date.")
final class FindingAdopt extends FindingExcused {
    FindingAdopt() {
        super("adopt", "adopted");
    }
}
