package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "accept", description = "Leave findings as they are until a date; what moves meanwhile opens again.")
final class FindingAccept extends FindingExcused {
    FindingAccept() {
        super("accept", "accepted");
    }
}
