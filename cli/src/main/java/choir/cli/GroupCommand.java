package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "group",
        description = "The tree of groups.",
        subcommands = {GroupList.class, GroupShow.class, GroupAdd.class, GroupMove.class, GroupRemove.class})
final class GroupCommand {}
