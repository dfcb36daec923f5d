package choir.sim;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.regex.Pattern;

/** Who passed which camera when, for those who test: {@code /truth/NAME/07?2027-01-14T06:00:00Z/PT10M}. */
final class TruthDoor {
    private static final Pattern PATH = Pattern.compile("/truth/([^/]+)/([^/]+)");

    private final Map<String, SimRecorder> recorders;

    TruthDoor(Map<String, SimRecorder> recorders) {
        this.recorders = recorders;
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
            var truth = new MovingScene(recorder, recorder.channel(path.group(2)))
                    .truth(from, from.plus(Duration.parse(span[1])));
            SoapDoor.send(exchange, 200, "application/json", truth);
        } catch (DateTimeException | SimSoapFault e) {
            SoapDoor.send(exchange, 400, "text/plain", e.getMessage() + "\n");
        }
    }
}
