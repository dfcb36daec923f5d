package choir.cli;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "take", description = "Take a stretch of what a camera's recorder has recorded.")
final class ClipTake extends Act {
    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(
            names = "--from",
            required = true,
            paramLabel = "TIME",
            description = "by the recorder's wall clock: 14:02 (today), \"2027-01-14 14:02\", or with a zone")
    private String from = "";

    @Option(names = "--until", paramLabel = "TIME", description = "likewise; ten minutes later if not said")
    private @Nullable String until;

    @Mixin
    private KeptFor kept = new KeptFor();

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var time = CameraTime.of(service, camera);
        var begin = time.parse(from, time.today());
        var end = until == null ? latest(begin) : time.parse(until, time.day(begin));
        JsonNode taken;
        try (var bar = new ProgressBar(errors(), "taking footage")) {
            bar.waiting();
            taken = service.post(
                    "/api/v1/clips", Map.of("camera", camera, "from", begin.toString(), "until", end.toString()));
        }
        var clip = kept.keep(service, taken);
        if (listing.isForPrograms(out(), clip, () -> List.of(clip))) {
            return Failure.DONE;
        }
        say(ClipText.line(clip, time));
        var got = Instant.parse(Listing.text(clip, "until"));
        if (Duration.between(got, end).compareTo(Duration.ofSeconds(3)) > 0) {
            say("the footage has a gap at " + time.time(got) + ", where the clip ends");
        }
        say(ClipText.kept(clip));
        return Failure.DONE;
    }

    private static Instant latest(Instant begin) {
        var end = begin.plus(Duration.ofMinutes(10));
        return end.isAfter(Instant.now()) ? Instant.now() : end;
    }
}
