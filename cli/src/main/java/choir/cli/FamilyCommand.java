package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "family",
        description = "Families: what kinds of recorders can do, and the files that describe them.",
        subcommands = {FamilyList.class, FamilyShow.class, FamilyAdd.class, FamilyRemove.class})
final class FamilyCommand {}
