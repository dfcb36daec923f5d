package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

@Command(name = "status", description = "The fleet in one screen.")
final class StatusCommand extends Act {
    @Option(names = "--format", description = "table or json", defaultValue = "table", paramLabel = "FORMAT")
    private String format = "table";

    @Override
    int run(Client service) {
        var overview = service.get("/api/v1/overview");
        if (format.equals("json")) {
            say(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(overview));
            return Failure.DONE;
        }
        int cameras = overview.path("cameras").asInt();
        say(cameras + " cameras on " + overview.path("recorders").asInt() + " recorders, "
                + overview.path("inTune").asInt() + " in tune");
        line("drifted", overview.path("drifted").asInt(), "choir finding list");
        line("waiting to be given out", overview.path("waiting").asInt(), "choir preview state:waiting");
        line("not read", overview.path("unknown").asInt(), "choir recorder list");
        line("governed by no policy", overview.path("notGoverned").asInt(), "choir camera list state:not-governed");
        int atRisk = overview.path("atRisk").asInt();
        if (atRisk > 0) {
            say(ansi().string("@|bold " + atRisk + " cameras lose footage they should keep|@: together "
                    + hours(overview.path("minutesWithoutRecording").asLong()) + " a week without recording"));
        }
        for (JsonNode away : overview.path("away")) {
            say(Listing.text(away, "trouble"));
        }
        overview.path("paused").forEach(words -> say(words.asString("")));
        return Failure.DONE;
    }

    private void line(String what, int count, String next) {
        if (count > 0) {
            say("  %4d %-26s see: %s".formatted(count, what, next));
        }
    }

    private static String hours(long minutes) {
        return minutes < 60
                ? minutes + " min"
                : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }
}
