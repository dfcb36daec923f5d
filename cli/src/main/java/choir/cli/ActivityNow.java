package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "now",
        description =
                "Which cameras record at this moment and by what, and which see motion; asked of their recorders.",
        footer = "Exits with 3 when a camera records though nothing moves, or sees motion and does not record it.")
final class ActivityNow extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Option(
            names = "--odd",
            description = "only cameras that record though nothing moves, or see motion and do not record it")
    private boolean odd;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var all = Listing.items(service.get(Client.select("/api/v1/activity/now", Selections.joined(words, ""))));
        var shown = odd ? all.stream().filter(c -> c.hasNonNull("odd")).toList() : all;
        listing.print(
                out(),
                shown,
                new Table("camera", "label", "records", "by", "moves", "what is odd"),
                ActivityNow::row,
                odd ? "nothing is odd" : "no camera is selected");
        if (listing.isTable()) {
            long recording =
                    all.stream().filter(c -> c.path("records").asBoolean()).count();
            long unknown = all.stream().filter(c -> !c.hasNonNull("records")).count();
            say(recording + " of " + all.size() + (all.size() == 1 ? " camera records" : " cameras record")
                    + (unknown > 0 ? "; of " + unknown + " it is not known" : ""));
        }
        return all.stream().anyMatch(c -> c.hasNonNull("odd")) ? Failure.FOUND : Failure.DONE;
    }

    private static String[] row(JsonNode camera) {
        return new String[] {
            Listing.text(camera, "camera"),
            Listing.text(camera, "label"),
            word(camera, "records"),
            Listing.text(camera, "by"),
            word(camera, "moves"),
            switch (Listing.text(camera, "odd")) {
                case "records-without-motion" -> "records though nothing moves";
                case "moves-without-recording" -> "sees motion and does not record";
                default -> Listing.text(camera, "why");
            }
        };
    }

    private static String word(JsonNode camera, String key) {
        return camera.hasNonNull(key) ? camera.path(key).asBoolean() ? "yes" : "no" : "not known";
    }
}
