package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "camera",
        description = "Cameras: find them, see them, place them in groups.",
        subcommands = {
            CameraList.class,
            CameraShow.class,
            CameraHistory.class,
            CameraMove.class,
            CameraMoveChannel.class,
            CameraTag.class,
            CameraExport.class,
            CameraImport.class
        })
final class CameraCommand {}
