package choir.sim;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Who passed which camera when, for those who test: {@code /truth/NAME/07?2027-01-14T06:00:00Z/PT10M}; and what was recorded of
 * it, how many bytes that were, and what was seen by the recorder: {@code /truth/NAME/07/recorded?2027-01-14T06:00:00Z/PT10M}.
 */
final class TruthDoor {
    private static final Pattern PATH = Pattern.compile("/truth/([^/]+)/([^/]+?)(/recorded)?");

    private final Map<String, SimRecorder> recorders;

    TruthDoor(Map<String, SimRecorder> recorders) {
        this.recorders = recorders;
    }

    private static String recorded(SimLife life, Instant from, Instant until) {
        return "{\"bytes\":" + Math.round(life.bytes(from, until, SimTime.now())) + ",\"recorded\":"
                + spans(life.recorded(from, until)) + ",\"motion\":" + spans(life.motion(from, until))
                + "}";
    }

    private static String spans(List<SimLife.Span> spans) {
        return spans.stream()
                .map(s -> "{\"from\":\"" + s.from() + "\",\"until\":\"" + s.until() + "\"}")
                .collect(Collectors.joining(",", "[", "]"));
    }

    void handle(HttpExchange exchange) throws IOException {
        var path = PATH.matcher(exchange.getRequestURI().getPath());
        var recorder = path.matches() ? recorders.get(path.group(1)) : null;
        var span = String.valueOf(exchange.getRequestURI().getQuery()).split("/");
        if (recorder == null || span.length != 2) {
            SoapDoor.send(exchange, 404, "text/plain", "asked as /truth/NAME/07?2027-01-14T06:00:00Z/PT10M\n");
            return;
        }
        try {
            var from = Instant.parse(span[0]);
            var until = from.plus(Duration.parse(span[1]));
            var channel = recorder.channel(path.group(2));
            var truth = path.group(3) == null
                    ? new MovingScene(recorder, channel).truth(from, until)
                    : recorded(new SimLife(recorder, channel), from, until);
            SoapDoor.send(exchange, 200, "application/json", truth);
        } catch (DateTimeException | SimSoapFault e) {
            SoapDoor.send(exchange, 400, "text/plain", e.getMessage() + "\n");
        }
    }
}
