package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "camera",
        description = "Cameras: find them, see them, place them in groups.",
        subcommands = {CameraList.class, CameraShow.class, CameraMove.class, CameraTag.class})
final class CameraCommand {}
