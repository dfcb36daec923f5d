package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "keep", description = "Keep a clip that was only looked at, or for longer.")
final class ClipKeep extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Mixin
    private KeptFor kept = new KeptFor();

    @Override
    int run(Client service) {
        if (!kept.isKept()) {
            throw new Failure(Failure.WRONG_USAGE, "footage is kept for a reason; say it with --because");
        }
        var clip = kept.keep(service, service.get("/api/v1/clips/" + id));
        say(ClipText.line(clip, CameraTime.of(service, Listing.text(clip, "camera"))));
        say(ClipText.kept(clip));
        return Failure.DONE;
    }
}
