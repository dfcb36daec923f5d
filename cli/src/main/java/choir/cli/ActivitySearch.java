package choir.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "search",
        description = "When something moved in a part of the picture, by a look at what was recorded.",
        footer = {
            "The area is two opposite corners, or the corners of a polygon, each as shares of the picture from its top"
                    + " left: --area \"0.2,0.3 0.5,0.9\".",
            "What is found comes at once; stop it by Ctrl-C when it is enough. Only pictures that stand alone are looked"
                    + " at, of which there is one every second or few; all of them with --closely, which takes longer."
        })
final class ActivitySearch extends Act {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmssSSS'Z'").withZone(ZoneOffset.UTC);
    private static final Duration STEP = Duration.ofMillis(400);

    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(names = "--area", required = true, paramLabel = "CORNERS", description = "such as \"0.2,0.3 0.5,0.9\"")
    private String area = "";

    @Option(
            names = "--from",
            required = true,
            paramLabel = "TIME",
            description = "by the recorder's wall clock: 14:02 (today), \"2027-01-14 14:02\", or with a zone")
    private String from = "";

    @Option(names = "--until", paramLabel = "TIME", description = "likewise; now if not said")
    private @Nullable String until;

    @Option(
            names = "--share",
            paramLabel = "PERCENT",
            defaultValue = "2",
            description = "of the area that has to move; 2 unless said otherwise")
    private double share;

    @Option(names = "--closely", description = "look at every picture")
    private boolean closely;

    @Option(names = "--stills", paramLabel = "FOLDER", description = "keep a picture of each there")
    private @Nullable Path stills;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var time = CameraTime.of(service, camera);
        var begin = time.parse(from, time.today());
        var end = until == null ? Instant.now() : time.parse(until, time.day(begin));
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("camera", camera);
        body.put("from", begin.toString());
        body.put("until", end.toString());
        body.put("area", area);
        body.put("share", share);
        body.put("closely", closely);
        long began = System.nanoTime();
        var search = service.post("/api/v1/area-searches", body);
        var address = "/api/v1/area-searches/" + Listing.number(search, "id");
        var stop = new Thread(() -> Looking.stop(service, address));
        Runtime.getRuntime().addShutdownHook(stop);
        int told = 0;
        try (var bar = new ProgressBar(errors(), "looking")) {
            while (true) {
                told = tell(service, address, search, told, time, bar);
                if (Looking.isOver(search)) {
                    break;
                }
                Looking.pause(STEP);
                search = service.get(address);
            }
        }
        Runtime.getRuntime().removeShutdownHook(stop);
        var whole = search;
        if (!listing.isForPrograms(out(), whole, () -> Listing.items(whole.path("found")))) {
            say(summary(whole, Duration.ofNanos(System.nanoTime() - began)));
        }
        if (Listing.text(search, "state").equals("failed")) {
            throw new Failure(Failure.FAILED, Listing.text(search, "trouble"));
        }
        return Failure.DONE;
    }

    /** What is new in it. */
    private int tell(Client service, String address, JsonNode search, int told, CameraTime time, ProgressBar bar) {
        List<JsonNode> found = Listing.items(search.path("found"));
        bar.close();
        for (var one : found.subList(told, found.size())) {
            if (listing.isTable()) {
                say(time.dayAndTime(Instant.parse(Listing.text(one, "from"))) + "  for " + length(one) + "  up to "
                        + Shares.percent(one.path("share").asDouble()) + " of the area");
            }
            keep(service, address, one);
        }
        bar.show(Client.JSON.valueToTree(Map.of(
                "total", search.path("recordedSeconds").asInt(),
                "done", search.path("lookedSeconds").asInt(),
                "note", found.size() + " found")));
        return found.size();
    }

    private static String length(JsonNode one) {
        var seconds = Duration.between(
                        Instant.parse(Listing.text(one, "from")), Instant.parse(Listing.text(one, "until")))
                .toSeconds();
        return DrawnDays.length(Math.max(1, seconds));
    }

    private void keep(Client service, String address, JsonNode one) {
        if (stills == null) {
            return;
        }
        var name =
                camera.replace('/', '-') + "-" + STAMP.format(Instant.parse(Listing.text(one, "strongest"))) + ".jpg";
        try {
            Files.createDirectories(stills);
            Files.write(stills.resolve(name), service.file(address + "/stills/" + Listing.number(one, "number")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String summary(JsonNode search, Duration took) {
        double recorded = search.path("recordedSeconds").asDouble();
        double looked = search.path("lookedSeconds").asDouble();
        var words = new StringBuilder();
        int found = search.path("found").size();
        words.append(found == 0 ? "nothing moved there" : found + (found == 1 ? " time" : " times"))
                .append(" in ")
                .append(DrawnDays.length(Math.round(looked)))
                .append(" of footage");
        if (looked < recorded - 1) {
            words.append(" of ").append(DrawnDays.length(Math.round(recorded)));
        }
        words.append(", looked at in ").append(Math.max(1, took.toSeconds())).append(" s");
        if (search.path("unseenSeconds").asDouble() > 0) {
            words.append("; ")
                    .append(DrawnDays.length(
                            Math.round(search.path("unseenSeconds").asDouble())))
                    .append(" could not be looked at: ")
                    .append(Listing.text(search, "trouble"));
        }
        if (search.hasNonNull("notKnownFrom")) {
            words.append("; the recorder did not tell what it has from ")
                    .append(Times.of(Listing.text(search, "notKnownFrom")))
                    .append(" on");
        }
        if (search.path("full").asBoolean()) {
            words.append("; there may be more, ask for less at once");
        }
        return words.toString();
    }
}
