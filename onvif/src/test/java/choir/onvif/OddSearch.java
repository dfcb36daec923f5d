package choir.onvif;

import choir.link.RecorderAccess;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** A recorder of one channel whose search answers what the test says. */
final class OddSearch implements AutoCloseable {
    static final Instant START = Instant.parse("2027-01-14T06:00:00Z");
    private static final Pattern OPERATION = Pattern.compile("Body[^>]*>\\s*<(?:\\w+:)?(\\w+)");
    private static final String FAULT = "<e:Fault><e:Code><e:Value>e:Sender</e:Value><e:Subcode><e:Value"
            + " xmlns:ter=\"http://www.onvif.org/ver10/error\">ter:InvalidArgVal</e:Value></e:Subcode></e:Code>"
            + "<e:Reason><e:Text xml:lang=\"en\">No such search</e:Text></e:Reason></e:Fault>";

    private final HttpServer server;
    private final Deque<String> parts = new ArrayDeque<>();
    private Optional<String> afterwards = Optional.empty();

    OddSearch() {
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.createContext("/", this::answer);
        server.start();
    }

    RecorderAccess access() {
        return new RecorderAccess(
                URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/device"),
                "choir",
                "harbour",
                Optional.empty());
    }

    OddSearch part(String state, String... results) {
        parts.add(list(state, String.join("", results)));
        return this;
    }

    OddSearch forEver() {
        afterwards = Optional.of(list("Searching", ""));
        return this;
    }

    OddSearch forgotten() {
        afterwards = Optional.of(FAULT);
        return this;
    }

    private static String list(String state, String results) {
        return "<GetEventSearchResultsResponse><ResultList><SearchState>" + state + "</SearchState>" + results
                + "</ResultList></GetEventSearchResultsResponse>";
    }

    /** That there is footage from so many seconds after the start on, or none. */
    static String data(int second, boolean present) {
        return "<Result><Time>" + START.plusSeconds(second) + "</Time><Event><Topic>tns1:RecordingHistory/Track/State"
                + "</Topic><Message><Message><Data><SimpleItem Name=\"IsDataPresent\" Value=\"" + present
                + "\"/></Data></Message></Message></Event></Result>";
    }

    private String content(String operation) {
        var base = "http://127.0.0.1:" + server.getAddress().getPort();
        return switch (operation) {
            case "GetSystemDateAndTime" -> "<GetSystemDateAndTimeResponse/>";
            case "GetServices" ->
                "<GetServicesResponse>" + service("ver20/media", base) + service("ver10/recording", base)
                        + service("ver10/search", base) + "</GetServicesResponse>";
            case "GetProfiles" ->
                "<GetProfilesResponse><Profiles token=\"P1\"><Configurations><VideoSource><SourceToken>VS1</SourceToken>"
                        + "</VideoSource></Configurations></Profiles></GetProfilesResponse>";
            case "GetRecordingJobs" ->
                "<GetRecordingJobsResponse><JobItem><JobToken>J1</JobToken><JobConfiguration><RecordingToken>R1"
                        + "</RecordingToken><Mode>Active</Mode><Source><SourceToken><Token>P1</Token></SourceToken>"
                        + "</Source></JobConfiguration></JobItem></GetRecordingJobsResponse>";
            case "FindEvents" -> "<FindEventsResponse><SearchToken>T1</SearchToken></FindEventsResponse>";
            case "GetEventSearchResults" -> parts.isEmpty() ? afterwards.orElse(list("Completed", "")) : parts.remove();
            default -> "<" + operation + "Response/>";
        };
    }

    private static String service(String name, String base) {
        return "<Service><Namespace>http://www.onvif.org/" + name + "/wsdl</Namespace><XAddr>" + base
                + "/x</XAddr></Service>";
    }

    private void answer(HttpExchange exchange) throws IOException {
        var asked = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        var operation = OPERATION.matcher(asked);
        var body = operation.find() ? content(operation.group(1)) : FAULT;
        var text = "<e:Envelope xmlns:e=\"http://www.w3.org/2003/05/soap-envelope\"><e:Body>" + body
                + "</e:Body></e:Envelope>";
        var bytes = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().putAll(Map.of("Content-Type", java.util.List.of("application/soap+xml")));
        exchange.sendResponseHeaders(body.equals(FAULT) ? 400 : 200, bytes.length);
        exchange.getResponseBody().write(bytes);
        exchange.close();
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
