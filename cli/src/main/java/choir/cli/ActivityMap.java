package choir.cli;

import java.time.Duration;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "map",
        description = "Where in the picture it moves, and at what hours, by a look at some of what was recorded.",
        footer = "Darker is oftener: the share of the pictures looked at in which it moved there.")
final class ActivityMap extends Act {
    private static final Duration STEP = Duration.ofMillis(400);
    private static final String SHADES = "·░▒▓█";

    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Option(names = "--days", paramLabel = "N", defaultValue = "7", description = "so many days back, 7 unless said")
    private int days;

    @Option(names = "--hour", paramLabel = "HOUR", description = "0 to 23 by the recorder's clock; all if not said")
    private @Nullable Integer hour;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (hour != null && (hour < 0 || hour > 23)) {
            throw new Failure(Failure.WRONG_USAGE, "--hour " + hour + " is no hour of the day; expected 0 to 23");
        }
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("camera", camera);
        body.put("days", days);
        var map = service.post("/api/v1/motion-maps", body);
        var address = "/api/v1/motion-maps/" + Listing.number(map, "id");
        var stop = new Thread(() -> Looking.stop(service, address));
        Runtime.getRuntime().addShutdownHook(stop);
        try (var bar = new ProgressBar(errors(), "looking")) {
            while (!Looking.isOver(map)) {
                bar.show(Client.JSON.valueToTree(Map.of(
                        "total", map.path("stretches").asInt(),
                        "done", map.path("looked").asInt(),
                        "failed", map.path("failed").asInt())));
                Looking.pause(STEP);
                map = service.get(address);
            }
        }
        Runtime.getRuntime().removeShutdownHook(stop);
        if (Listing.text(map, "state").equals("failed")) {
            throw new Failure(Failure.FAILED, Listing.text(map, "trouble"));
        }
        var whole = map;
        if (!listing.isForPrograms(out(), whole, () -> Listing.items(whole.path("hours")))) {
            draw(whole);
        }
        return Failure.DONE;
    }

    private void draw(JsonNode map) {
        int columns = map.path("columns").asInt();
        double[] moved = new double[columns * map.path("rows").asInt()];
        int pictures = 0;
        for (var one : map.path("hours")) {
            if (hour == null || hour == one.path("hour").asInt()) {
                byte[] cells = Base64.getDecoder().decode(Listing.text(one, "cells"));
                int of = one.path("pictures").asInt();
                for (int c = 0; c < moved.length && c < cells.length; c++) {
                    moved[c] += (cells[c] & 0xFF) / 255.0 * of;
                }
                pictures += of;
            }
        }
        if (pictures == 0) {
            say("there is no footage of anything that moved "
                    + (hour == null ? "in these days" : "at that hour of these days"));
        } else {
            drawn(moved, pictures, columns);
            say(pictures + " pictures of " + map.path("looked").asInt() + " stretches were looked at"
                    + (map.path("failed").asInt() > 0
                            ? "; " + map.path("failed").asInt() + " could not be: " + Listing.text(map, "trouble")
                            : ""));
        }
        hours(map);
    }

    private void drawn(double[] moved, int pictures, int columns) {
        double most = 0;
        for (double cell : moved) {
            most = Math.max(most, cell / pictures);
        }
        var line = new StringBuilder();
        for (int c = 0; c < moved.length; c++) {
            double share = moved[c] / pictures;
            int shade = share == 0 || most == 0 ? 0 : Math.clamp((int) Math.ceil(share / most * 4), 1, 4);
            line.append(SHADES.charAt(shade)).append(SHADES.charAt(shade));
            if (c % columns == columns - 1) {
                out().println(line);
                line.setLength(0);
            }
        }
        out().println(SHADES.charAt(4) + " " + Shares.percent(most * 100) + " of the pictures, " + SHADES.charAt(1)
                + " up to a quarter of that, " + SHADES.charAt(0) + " never");
    }

    /** By hour, in lines of the terminal's own blocks. */
    private void hours(JsonNode map) {
        long most = 1;
        boolean known = false;
        for (var one : map.path("hours")) {
            known |= one.hasNonNull("events");
            most = Math.max(most, one.path("events").asLong());
        }
        if (!known) {
            say("its recorder does not tell when it saw motion");
            return;
        }
        out().println();
        var bars = new StringBuilder();
        for (var one : map.path("hours")) {
            long events = one.path("events").asLong();
            char bar = " ▁▂▃▄▅▆▇█".charAt(events == 0 ? 0 : Math.clamp(events * 8 / most, 1, 8));
            bars.append(bar).append(bar);
        }
        out().println(bars);
        out().println("00    03    06    09    12    15    18    21");
        say("events by hour of the day, at most " + most);
    }
}
