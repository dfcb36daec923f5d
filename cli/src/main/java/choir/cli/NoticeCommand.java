package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "notice",
        description = "Who is told when something slips, and what was told.",
        subcommands = {NoticeList.class, NoticeAdd.class, NoticeTest.class, NoticeRemove.class, NoticeOutbox.class})
final class NoticeCommand {}
