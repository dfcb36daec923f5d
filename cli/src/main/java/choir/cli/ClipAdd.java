package choir.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Add footage of a camera from a file.")
final class ClipAdd extends Act {
    @Parameters(index = "0", paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Parameters(index = "1", paramLabel = "FILE", description = "in any form that holds moving pictures")
    private Path file = Path.of("");

    @Option(
            names = "--at",
            required = true,
            paramLabel = "TIME",
            description =
                    "when its first picture was seen: \"2027-01-14 14:02\" by the recorder's wall clock, or with a zone")
    private String at = "";

    @Mixin
    private KeptFor kept = new KeptFor();

    @Override
    int run(Client service) {
        if (!Files.isRegularFile(file)) {
            throw new Failure(Failure.FAILED, "there is no file " + file);
        }
        var time = CameraTime.of(service, camera);
        var begin = time.parse(at, time.today());
        var clip = service.upload(
                "/api/v1/clip-files?camera=" + Client.encode(camera) + "&at=" + Client.encode(begin.toString()), file);
        clip = kept.keep(service, clip);
        say(ClipText.line(clip, time));
        say(ClipText.kept(clip));
        return Failure.DONE;
    }
}
