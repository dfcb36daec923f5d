package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "recorder",
        description = "Recorders: find them, add them, see them, read what they hold.",
        subcommands = {
            RecorderFind.class,
            RecorderAdd.class,
            RecorderList.class,
            RecorderShow.class,
            RecorderFootage.class,
            RecorderDescribe.class,
            RecorderRead.class,
            RecorderReplace.class,
            RecorderEdit.class,
            RecorderRename.class,
            RecorderOrder.class,
            RecorderPause.class,
            RecorderStore.class,
            RecorderResume.class,
            RecorderPassword.class,
            RecorderPasswords.class,
            RecorderCertificate.class,
            RecorderSetClock.class,
            RecorderRemove.class
        })
final class RecorderCommand {}
