package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "clip",
        description = "Footage that is kept on purpose, with what must trigger and what must not marked on it.",
        subcommands = {
            ClipTake.class,
            ClipAdd.class,
            ClipList.class,
            ClipFind.class,
            ClipShow.class,
            ClipKeep.class,
            ClipMark.class,
            ClipUnmark.class,
            ClipRemove.class
        })
final class ClipCommand {}
