package choir.sim;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** The SOAP side of the simulated recorders: one path each, dispatch on the name of the body's element. */
final class SoapDoor {
    private static final long DRIP_MILLIS = 3_000;
    private static final Set<String> WITHOUT_PASSWORD =
            Set.of("GetServices", "GetServiceCapabilities", "GetCapabilities", "GetSystemDateAndTime", "GetHostname");

    @SuppressWarnings("InlineFormatString")
    private static final String ENVELOPE = """
            <?xml version="1.0" encoding="UTF-8"?>
            <env:Envelope xmlns:env="http://www.w3.org/2003/05/soap-envelope" xmlns:wsa="http://www.w3.org/2005/08/addressing" \
            xmlns:wsnt="http://docs.oasis-open.org/wsn/b-2" xmlns:tt="http://www.onvif.org/ver10/schema" \
            xmlns:tds="http://www.onvif.org/ver10/device/wsdl" xmlns:tr2="http://www.onvif.org/ver20/media/wsdl" \
            xmlns:trt="http://www.onvif.org/ver10/media/wsdl" \
            xmlns:tan="http://www.onvif.org/ver20/analytics/wsdl" xmlns:trc="http://www.onvif.org/ver10/recording/wsdl" \
            xmlns:tsc="http://www.onvif.org/ver10/schedule/wsdl" xmlns:tse="http://www.onvif.org/ver10/search/wsdl" \
            xmlns:trp="http://www.onvif.org/ver10/replay/wsdl" xmlns:tev="http://www.onvif.org/ver10/events/wsdl" \
            xmlns:tns1="http://www.onvif.org/ver10/topics" xmlns:ter="http://www.onvif.org/ver10/error" \
            xmlns:xs="http://www.w3.org/2001/XMLSchema" \
            xmlns:%1$s="urn:%1$s:analytics"><env:Body>""";

    private final Map<String, SimRecorder> recorders;
    private final Credentials credentials = new Credentials();

    SoapDoor(Map<String, SimRecorder> recorders) {
        this.recorders = recorders;
    }

    /** Answers {@code /recorder/service}. */
    void handle(HttpExchange exchange) throws IOException {
        var parts = exchange.getRequestURI().getPath().split("/", 3);
        var recorder = parts.length < 2 ? null : recorders.get(parts[1]);
        if (recorder == null) {
            send(exchange, 404, "text/plain", "no such recorder");
            return;
        }
        recorder.calls.incrementAndGet();
        if (recorder.faults.has(SimFault.AWAY)) {
            exchange.close();
            return;
        }
        try (var visit = new Visit(recorder)) {
            if (recorder.sleeps()) {
                exchange.close();
                return;
            }
            if (recorder.model.modest() && visit.others > 0) {
                send(exchange, 503, "text/plain", "busy");
                return;
            }
            var service = parts.length > 2 ? parts[2] : "";
            if (service.startsWith("still/")) {
                still(exchange, recorder, service.substring("still/".length()));
                return;
            }
            misbehaveOrAnswer(exchange, visit, service);
        }
    }

    /** One call in progress. It ends before its answer leaves, so that the caller's next one never meets it. */
    private static final class Visit implements AutoCloseable {
        final SimRecorder recorder;
        final int others;
        private boolean open = true;

        Visit(SimRecorder recorder) {
            this.recorder = recorder;
            this.others = recorder.connections.getAndIncrement();
        }

        @Override
        public void close() {
            if (open) {
                open = false;
                recorder.connections.decrementAndGet();
            }
        }
    }

    private void misbehaveOrAnswer(HttpExchange exchange, Visit visit, String service) throws IOException {
        var recorder = visit.recorder;
        if (recorder.faults.has(SimFault.SLOW)) {
            pause(recorder.delay.toMillis());
        }
        if (recorder.faults.has(SimFault.ENDLESS)) {
            endless(exchange);
        } else if (recorder.faults.has(SimFault.GARBAGE)) {
            exchange.getRequestBody().readAllBytes();
            send(exchange, 200, "application/soap+xml", "\u0001\u0002 <<not xml at all & neither this");
        } else {
            answer(exchange, visit, service);
        }
    }

    /** A picture, by the challenge of HTTP alone. */
    private void still(HttpExchange exchange, SimRecorder recorder, String channel) throws IOException {
        var authorization = exchange.getRequestHeaders().getFirst("Authorization");
        boolean wrong = recorder.faults.has(SimFault.WRONG_PASSWORD);
        if (authorization == null
                || wrong
                || !credentials.http(
                        recorder, authorization, "GET", exchange.getRequestURI().toString())) {
            exchange.getResponseHeaders().set("WWW-Authenticate", credentials.challenge());
            send(exchange, 401, "text/html", "<html><body>401 Unauthorized</body></html>");
        } else {
            var picture = recorder.channels.stream()
                    .filter(c -> c.place.equals(channel))
                    .findFirst()
                    .map(c -> Scene.picture(c.scene, recorder.name + "/" + c.place, recorder.localTime(), c.motionNow));
            if (picture.isEmpty()) {
                send(exchange, 404, "text/plain", "no such channel");
                return;
            }
            send(exchange, 200, "image/jpeg", picture.get());
        }
    }

    private static void endless(HttpExchange exchange) throws IOException {
        exchange.sendResponseHeaders(200, 0);
        var chunk = "<a>".repeat(4_000).getBytes(StandardCharsets.UTF_8);
        try (var out = exchange.getResponseBody()) {
            for (int i = 0; i < 100_000; i++) {
                out.write(chunk);
            }
        }
    }

    private static void drip(HttpExchange exchange, int status, String text) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", "application/soap+xml; charset=utf-8");
        exchange.sendResponseHeaders(status, 0);
        try (var out = exchange.getResponseBody()) {
            for (byte one : text.getBytes(StandardCharsets.UTF_8)) {
                out.write(one);
                out.flush();
                pause(DRIP_MILLIS);
            }
        }
    }

    private static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void answer(HttpExchange exchange, Visit visit, String service) throws IOException {
        var recorder = visit.recorder;
        var body = exchange.getRequestBody().readNBytes(4_000_000);
        int status = 200;
        String content;
        try {
            var envelope = Xml.parse(body).getDocumentElement();
            var operation = operation(envelope);
            var asked = RequestShapes.checked(operation);
            var header = Xml.first(envelope, "Header");
            if (!WITHOUT_PASSWORD.contains(operation.getLocalName()) && !allowed(exchange, recorder, header)) {
                if (recorder.model.modest()) {
                    exchange.getResponseHeaders().set("WWW-Authenticate", credentials.challenge());
                    visit.close();
                    send(exchange, 401, "text/html", "<html><body>401 Unauthorized</body></html>");
                    return;
                }
                throw SimSoapFault.notAuthorized();
            }
            content = new DeviceServices(recorder, base(exchange, recorder)).answer(asked, operation, service);
        } catch (SimRestart.NowException e) {
            visit.close();
            exchange.close();
            return;
        } catch (SimSoapFault fault) {
            status = fault.status();
            content = fault.xml();
        }
        var text = ENVELOPE.formatted(recorder.model.make()) + content + "</env:Body></env:Envelope>";
        if (recorder.model.foreign()) {
            text = OtherHand.write(text);
        }
        if (recorder.faults.has(SimFault.CUT_OFF)) {
            text = text.substring(0, text.length() / 2);
        }
        visit.close();
        if (recorder.faults.has(SimFault.DRIPS)) {
            drip(exchange, status, text);
            return;
        }
        send(exchange, status, "application/soap+xml; charset=utf-8", text);
    }

    private boolean allowed(HttpExchange exchange, SimRecorder recorder, Optional<Element> header) {
        if (recorder.faults.has(SimFault.WRONG_PASSWORD)) {
            return false;
        }
        var authorization = exchange.getRequestHeaders().getFirst("Authorization");
        if (authorization != null) {
            return credentials.http(
                    recorder,
                    authorization,
                    exchange.getRequestMethod(),
                    exchange.getRequestURI().toString());
        }
        return !recorder.model.modest() && credentials.webService(recorder, header);
    }

    private static Element operation(Element envelope) {
        if (!"http://www.w3.org/2003/05/soap-envelope".equals(envelope.getNamespaceURI())
                || !"Envelope".equals(envelope.getLocalName())) {
            throw new SimSoapFault("VersionMismatch", "", "", "Only SOAP 1.2 is spoken here");
        }
        var body = Xml.first(envelope, "Body")
                .orElseThrow(() -> new SimSoapFault("Sender", "WellFormed", "", "No body in the request"));
        for (Node n = body.getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element e) {
                return e;
            }
        }
        throw new SimSoapFault("Sender", "UnknownAction", "", "The body is empty");
    }

    private static String base(HttpExchange exchange, SimRecorder recorder) {
        return "http://127.0.0.1:" + exchange.getLocalAddress().getPort() + "/" + recorder.name;
    }

    static void send(HttpExchange exchange, int status, String type, String text) throws IOException {
        send(exchange, status, type, text.getBytes(StandardCharsets.UTF_8));
    }

    private static void send(HttpExchange exchange, int status, String type, byte[] bytes) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
        if (bytes.length > 0) {
            exchange.getResponseBody().write(bytes);
        }
        exchange.close();
    }
}
