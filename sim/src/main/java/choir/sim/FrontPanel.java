package choir.sim;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A person standing at the recorder: {@code POST /panel/haldr-1/07?sensitivity=40}, {@code ?erase=sun},
 * {@code ?detection=off}, {@code ?walker=on}; {@code POST /panel/haldr-1?fault=AWAY}, {@code ?clock=PT37M}.
 * Faults come together and for a time ({@code ?fault=SLOW,CUT_OFF&for=PT3S}); {@code ?restart=8&takes=false&away=PT3S}
 * restarts it at its eighth write from now; {@code ?share=02:01} makes channel 02 use the schedules of 01, and
 * {@code /01?odd-schedule=...} shows that text as each schedule of the channel; {@code ?serial=}, {@code ?firmware=} and {@code ?drop=02} make another of it.
 * {@code &since=P21D} says that what the other knobs set was so for three weeks already, {@code &until=P9D} that it was taken
 * back then, {@code ?lost=P3D/PT3H} that of three hours three days ago the footage is lost, and {@code ?holds=P9D} that nothing
 * older fits on the disks.
 */
final class FrontPanel {
    private static final List<String> DAYS = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");
    private final Map<String, SimRecorder> recorders;

    FrontPanel(Map<String, SimRecorder> recorders) {
        this.recorders = recorders;
    }

    void handle(HttpExchange exchange) throws IOException {
        var parts = exchange.getRequestURI().getPath().split("/");
        var recorder = parts.length < 3 ? null : recorders.get(parts[2]);
        if (recorder == null) {
            SoapDoor.send(exchange, 404, "text/plain", "no such recorder\n");
            return;
        }
        try {
            if (exchange.getRequestMethod().equals("POST")) {
                turn(
                        recorder,
                        parts.length > 3 ? Optional.of(parts[3]) : Optional.empty(),
                        query(exchange.getRequestURI().getRawQuery()));
            }
            SoapDoor.send(exchange, 200, "text/plain", display(recorder));
        } catch (IllegalArgumentException | SimSoapFault e) {
            SoapDoor.send(exchange, 400, "text/plain", e.getMessage() + "\n");
        }
    }

    /** Knobs that change what a camera sees, and no setting. */
    private static final Set<String> OF_THE_SCENE =
            Set.of("walker", "pass", "scene", "label", "since", "until", "lost");

    private static final Set<String> OF_RECORDING =
            Set.of("switched-on", "erase", "odd-schedule", "before", "continuous");

    /**
     * Turns knobs as somebody who stands there would.
     *
     * @param where recorder, or recorder and channel with a slash between, with the knobs behind a question mark
     * @throws IllegalArgumentException when there is none of that name
     */
    void turn(String where) {
        var sides = where.split("\\?", 2);
        var parts = sides[0].split("/", 2);
        var recorder = recorders.get(parts[0]);
        if (recorder == null || sides.length < 2) {
            throw new IllegalArgumentException(
                    "\"" + where + "\" turns no knob; expected a form like haldr-1/07?sensitivity=40");
        }
        turn(recorder, parts.length > 1 ? Optional.of(parts[1]) : Optional.empty(), query(sides[1]));
    }

    private static void turn(SimRecorder recorder, Optional<String> channel, Map<String, String> knobs) {
        var since = SimTime.now().minus(Duration.parse(knobs.getOrDefault("since", "PT0S")));
        synchronized (recorder) {
            if (channel.isPresent()) {
                var turned = recorder.channel(channel.get());
                Runnable turning = () -> knobs.forEach((key, value) -> turn(recorder, turned, key, value));
                if (knobs.containsKey("until")) {
                    var until = SimTime.now().minus(Duration.parse(knobs.get("until")));
                    turned.rememberingOnly(since, until, turning);
                    return;
                }
                turned.remembering(since, turning);
                knobs.keySet().stream()
                        .filter(key -> !OF_THE_SCENE.contains(key))
                        .forEach(key -> EventAnswers.tellOfPanel(recorder, turned, OF_RECORDING.contains(key)));
            } else {
                knobs.forEach((key, value) -> turn(recorder, key, value, knobs, since));
                if (knobs.containsKey("since")) {
                    // All that it is set to now it was set to since then.
                    recorder.channels.forEach(c -> c.remembering(since, () -> {}));
                }
            }
            recorder.save();
            recorder.notifyAll();
        }
    }

    private static Map<String, String> query(@org.jspecify.annotations.Nullable String raw) {
        Map<String, String> query = new LinkedHashMap<>();
        for (var pair : raw == null ? new String[0] : raw.split("&")) {
            var sides = pair.split("=", 2);
            query.put(sides[0], URLDecoder.decode(sides.length > 1 ? sides[1] : "", StandardCharsets.UTF_8));
        }
        return query;
    }

    private static void turn(SimRecorder recorder, String key, String value, Map<String, String> all, Instant since) {
        switch (key) {
            case "fault" -> recorder.faults.set(value, Duration.parse(all.getOrDefault("for", "PT0S")));
            case "restart" ->
                recorder.restartAt(new SimRestart(
                        Integer.parseInt(value),
                        Boolean.parseBoolean(all.getOrDefault("takes", "false")),
                        Duration.parse(all.getOrDefault("away", "PT3S"))));
            case "for", "takes", "away", "since" -> {
                // Said of another knob.
            }
            case "serial" -> recorder.serial = value;
            case "firmware" -> recorder.firmware = value;
            case "share" -> {
                var both = value.split(":", 2);
                recorder.sharing.put(recorder.channel(both[0]).place, recorder.channel(both[1]).place);
            }
            case "quirk" -> {
                var both = value.split(":", 2);
                recorder.quirks.put(both[0], both[1]);
            }
            case "drop" -> recorder.channels.remove(recorder.channel(value));
            case "pause" ->
                recorder.pause = Optional.of(new SimModel.Pause(
                        recorder.pause.map(SimModel.Pause::ofAll).orElse(true), Duration.parse(value)));
            case "delay" -> recorder.delay = Duration.parse(value);
            case "clock" -> recorder.setClock(Duration.parse(value), since);
            case "holds" -> recorder.holds = Duration.parse(value);
            case "disk" -> recorder.disk.bytes = Long.parseLong(value) * 1_000_000_000;
            case "lost" -> recorder.channels.forEach(c -> lose(c, value));
            case "zone" -> recorder.zone = value;
            default -> throw new IllegalArgumentException("no such knob on the recorder: " + key);
        }
    }

    private static void turn(SimRecorder recorder, SimChannel channel, String key, String value) {
        var parameter = recorder.model.panel().get(key);
        if (parameter != null) {
            channel.values.put(
                    parameter,
                    switch (value) {
                        case "on" -> "true";
                        case "off" -> "false";
                        default -> value;
                    });
            return;
        }
        switch (key) {
            case "switched-on" -> channel.active = value.equals("on");
            case "copy" -> channel.values.putAll(recorder.channel(value).values);
            case "ignore" -> ignore(recorder.model, channel, value);
            case "erase" -> channel.eraseDay(day(value));
            case "odd-schedule" -> channel.oddSchedule = java.util.Optional.of(value);
            case "label" -> channel.label = value;
            case "scene" -> channel.scene = value;
            case "before" -> channel.before = Integer.parseInt(value);
            case "continuous" -> {
                channel.lanes.values().forEach(java.util.BitSet::clear);
                channel.lanes.values().iterator().next().set(0, SimChannel.WEEK);
            }
            case "lost" -> lose(channel, value);
            case "since", "until" -> {
                // Said of the other knobs.
            }
            case "pass" -> channel.guest(Integer.parseInt(value));
            case "walker" -> {
                channel.motionNow = value.equals("on");
                recorder.states.catchUp();
            }
            default -> {
                if (channel.values.replace(key, value) == null) {
                    throw new IllegalArgumentException("no such knob on the channel: " + key);
                }
            }
        }
    }

    /** @param span how long ago it began, and for how long it went on, such as {@code P3D/PT3H} */
    private static void lose(SimChannel channel, String span) {
        var both = span.split("/", 2);
        var from = SimTime.now().minus(Duration.parse(both[0]));
        channel.lose(from, from.plus(Duration.parse(both.length > 1 ? both[1] : "PT1H")));
    }

    /** Takes the cells of a rectangle, {@code left,top,right,bottom} in shares of the picture, out of the mask. */
    private static void ignore(SimModel model, SimChannel channel, String rectangle) {
        var parameter = model.panel().get("cells");
        if (parameter == null) {
            throw new IllegalArgumentException("this make has no mask of cells");
        }
        var sides = java.util.Arrays.stream(rectangle.split(","))
                .mapToDouble(Double::parseDouble)
                .toArray();
        var cells = PackedCells.read(channel.values.getOrDefault(parameter, ""), model.cells());
        for (int row = (int) (sides[1] * model.rows()); row < sides[3] * model.rows(); row++) {
            int first = row * model.columns();
            cells.set(first + (int) (sides[0] * model.columns()), first + (int) (sides[2] * model.columns()), false);
        }
        channel.values.put(parameter, PackedCells.write(cells, model.cells()));
    }

    private static int day(String value) {
        int day = DAYS.indexOf(value);
        if (day < 0) {
            throw new IllegalArgumentException("no such day: " + value);
        }
        return day;
    }

    static String display(SimRecorder recorder) {
        var text = new StringBuilder(recorder.name + " " + recorder.model.model() + " fault " + recorder.faults
                + " calls " + recorder.calls + " writes " + recorder.writes + "\n");
        for (var c : recorder.channels) {
            text.append(c.place).append(" ").append(c.label);
            recorder.model.panel().forEach((knob, parameter) -> {
                if (!knob.equals("cells")) {
                    text.append(" ").append(knob).append(" ").append(c.values.get(parameter));
                }
            });
            c.lanes.forEach(
                    (lane, minutes) -> text.append(" ").append(lane).append(" ").append(minutes.cardinality()));
            text.append("\n");
        }
        return text.toString();
    }
}
