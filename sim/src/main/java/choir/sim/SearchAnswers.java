package choir.sim;

import static choir.sim.DeviceServices.join;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.w3c.dom.Element;

/** Recording search: sessions with a token that ends when nobody asks, and results that come once. */
final class SearchAnswers {
    private static final int MOST_SESSIONS = 10;
    private static final int MOST_AT_ONCE = 400;
    private static final Duration LONGEST = Duration.ofDays(400);
    private static final String STATE = "tns1:RecordingHistory/Recording/State";
    private static final String TRACK = "tns1:RecordingHistory/Track/State";

    /** @param keep how long it lives from one question to the next */
    record Session(boolean ofEvents, Duration keep, Instant ends, Instant end, Deque<String> results) {
        Session asked() {
            return new Session(ofEvents, keep, Instant.now().plus(keep), end, results);
        }
    }

    /** The sessions of one recorder. */
    static final class Sessions {
        private final Map<String, Session> open = new TreeMap<>();
        private int numbers;

        private void expire() {
            open.values().removeIf(s -> s.ends().isBefore(Instant.now()));
        }
    }

    private record Found(Instant at, String topic, String source, String data, boolean start) {}

    private final SimRecorder recorder;

    SearchAnswers(SimRecorder recorder) {
        this.recorder = recorder;
    }

    private Instant now() {
        return SimTime.now().truncatedTo(ChronoUnit.SECONDS);
    }

    private String tell(Instant instant) {
        return instant.plus(recorder.clockAhead).truncatedTo(ChronoUnit.SECONDS).toString();
    }

    private Instant moment(String text) {
        try {
            return OffsetDateTime.parse(text).toInstant().minus(recorder.clockAhead);
        } catch (DateTimeException e) {
            throw SimSoapFault.wrongValue("InvalidDate", "Not a time: " + text);
        }
    }

    String summary() {
        var now = now();
        var earliest = recorder.channels.stream()
                .map(c -> new SimLife(recorder, c).earliest(now))
                .min(Comparator.naturalOrder())
                .orElse(now);
        return "<tse:GetRecordingSummaryResponse><tse:Summary><tt:DataFrom>" + tell(earliest)
                + "</tt:DataFrom><tt:DataUntil>" + tell(now) + "</tt:DataUntil><tt:NumberRecordings>"
                + recorder.channels.size() + "</tt:NumberRecordings></tse:Summary></tse:GetRecordingSummaryResponse>";
    }

    private List<SimChannel> scope(Element operation) {
        var wanted = Xml.all(operation, "IncludedRecordings").stream()
                .map(e -> e.getTextContent().strip())
                .toList();
        return recorder.channels.stream()
                .filter(c -> wanted.isEmpty() || wanted.contains("R" + c.place))
                .toList();
    }

    /** What its footage is like; the average is that of the track. */
    String mediaAttributes(Element operation) {
        var now = now();
        var wanted = Xml.all(operation, "RecordingTokens").stream()
                .map(e -> e.getTextContent().strip())
                .toList();
        moment(Xml.text(operation, "Time").orElse(""));
        if (wanted.stream().anyMatch(token -> recorder.channels.stream().noneMatch(c -> token.equals("R" + c.place)))) {
            throw SimSoapFault.wrongValue("InvalidToken", "One of these is no recording: " + wanted);
        }
        return "<tse:GetMediaAttributesResponse>"
                + join(recorder.channels.stream()
                        .filter(c -> wanted.isEmpty() || wanted.contains("R" + c.place))
                        .map(c -> attributes(c, now)))
                + "</tse:GetMediaAttributesResponse>";
    }

    private String attributes(SimChannel c, Instant now) {
        var life = new SimLife(recorder, c);
        var from = tell(life.earliest(now));
        return "<tse:MediaAttributes><tt:RecordingToken>R" + c.place + "</tt:RecordingToken><tt:TrackAttributes>"
                + "<tt:TrackInformation><tt:TrackToken>VIDEO</tt:TrackToken><tt:TrackType>Video</tt:TrackType>"
                + "<tt:Description/><tt:DataFrom>" + from + "</tt:DataFrom><tt:DataTo>" + tell(now)
                + "</tt:DataTo></tt:TrackInformation><tt:VideoAttributes><tt:Bitrate>"
                + Math.round(life.bits() / 1_000) + "</tt:Bitrate><tt:Width>1920</tt:Width><tt:Height>1080</tt:Height>"
                + "<tt:Encoding>H264</tt:Encoding><tt:Framerate>" + c.frames
                + "</tt:Framerate></tt:VideoAttributes></tt:TrackAttributes><tt:From>" + from + "</tt:From><tt:Until>"
                + tell(now) + "</tt:Until></tse:MediaAttributes>";
    }

    String findRecordings(Element operation) {
        var now = now();
        return opened(
                operation, "FindRecordings", now, scope(operation).stream().map(c -> information(c, now)));
    }

    private String information(SimChannel c, Instant now) {
        var life = new SimLife(recorder, c);
        var earliest = life.earliest(now);
        var status = c.records("continuous", recorder.localTime().toLocalDateTime()) ? "Recording" : "Stopped";
        return "<tt:RecordingInformation><tt:RecordingToken>R" + c.place
                + "</tt:RecordingToken><tt:Source><tt:SourceId>urn:source:" + c.place + "</tt:SourceId><tt:Name>"
                + Xml.escape(c.deviceName) + "</tt:Name><tt:Location/><tt:Description/><tt:Address/></tt:Source>"
                + "<tt:EarliestRecording>" + tell(earliest) + "</tt:EarliestRecording><tt:LatestRecording>"
                + tell(now) + "</tt:LatestRecording><tt:Content>channel " + c.place + "</tt:Content><tt:Track>"
                + "<tt:TrackToken>VIDEO</tt:TrackToken><tt:TrackType>Video</tt:TrackType><tt:Description/><tt:DataFrom>"
                + tell(earliest) + "</tt:DataFrom><tt:DataTo>" + tell(now) + "</tt:DataTo></tt:Track>"
                + "<tt:RecordingStatus>" + status + "</tt:RecordingStatus></tt:RecordingInformation>";
    }

    String findEvents(Element operation) {
        var now = now();
        var start = moment(Xml.text(operation, "StartPoint").orElse(""));
        var end = Xml.text(operation, "EndPoint").map(this::moment).orElse(now);
        if (end.isBefore(start) || Duration.between(start, end).compareTo(LONGEST) > 0) {
            throw SimSoapFault.wrongValue(
                    "InvalidDate", "Only forward, and over " + LONGEST.toDays() + " days at most");
        }
        var topics = SimEvents.topics(Xml.text(operation, "TopicExpression").orElse(""));
        boolean states =
                Xml.text(operation, "IncludeStartState").filter("true"::equals).isPresent();
        int most = Xml.text(operation, "MaxMatches").map(Integer::valueOf).orElse(Integer.MAX_VALUE);
        var results = scope(operation).stream()
                .flatMap(c -> found(c, start, end.isAfter(now) ? now : end).stream()
                        .filter(f -> states || !f.start())
                        .filter(f -> SimEvents.isAbout(topics, f.topic()))
                        .map(f -> Map.entry(f, result(c, f))))
                .sorted(Comparator.comparing(e -> e.getKey().at()))
                .map(Map.Entry::getValue)
                .limit(most);
        return opened(operation, "FindEvents", end, results);
    }

    private List<Found> found(SimChannel c, Instant start, Instant end) {
        var life = new SimLife(recorder, c);
        var from = start.isBefore(life.earliest(now())) ? life.earliest(now()) : start;
        List<Found> found = new ArrayList<>();
        if (!from.isBefore(end)) {
            return found;
        }
        var recording = "<tt:SimpleItem Name=\"RecordingToken\" Value=\"R" + c.place + "\"/>";
        var track = recording + "<tt:SimpleItem Name=\"Track\" Value=\"VIDEO\"/>";
        var motion = "<tt:SimpleItem Name=\"VideoSourceConfigurationToken\" Value=\"VSC" + c.place
                + "\"/><tt:SimpleItem Name=\"VideoAnalyticsConfigurationToken\" Value=\"VAC" + c.place
                + "\"/><tt:SimpleItem Name=\"Rule\" Value=\"Motion\"/>";
        var recorded = life.recorded(from, end);
        edges(found, recorded, start, end, STATE, recording, "IsRecording");
        edges(found, recorded, start, end, TRACK, track, "IsDataPresent");
        edges(found, life.motion(from, end), start, end, EventAnswers.MOTION, motion, "IsMotion");
        return found;
    }

    private static void edges(
            List<Found> found,
            List<SimLife.Span> spans,
            Instant start,
            Instant end,
            String topic,
            String source,
            String item) {
        boolean atStart = !spans.isEmpty() && !spans.getFirst().from().isAfter(start);
        found.add(new Found(start, topic, source, value(item, atStart), true));
        for (var span : spans) {
            if (span.from().isAfter(start)) {
                found.add(new Found(span.from(), topic, source, value(item, true), false));
            }
            if (span.until().isBefore(end)) {
                found.add(new Found(span.until(), topic, source, value(item, false), false));
            }
        }
    }

    private static String value(String item, boolean value) {
        return "<tt:SimpleItem Name=\"" + item + "\" Value=\"" + value + "\"/>";
    }

    private String result(SimChannel c, Found f) {
        return "<tt:Result><tt:RecordingToken>R" + c.place + "</tt:RecordingToken><tt:TrackToken>VIDEO</tt:TrackToken>"
                + "<tt:Time>" + tell(f.at()) + "</tt:Time><tt:Event><wsnt:Topic Dialect=\"" + EventAnswers.CONCRETE
                + "\">" + f.topic() + "</wsnt:Topic><wsnt:Message><tt:Message UtcTime=\"" + tell(f.at())
                + "\" PropertyOperation=\"" + (f.start() ? "Initialized" : "Changed") + "\"><tt:Source>" + f.source()
                + "</tt:Source><tt:Data>" + f.data() + "</tt:Data></tt:Message></wsnt:Message></tt:Event>"
                + "<tt:StartStateEvent>" + f.start() + "</tt:StartStateEvent></tt:Result>";
    }

    private String opened(Element operation, String name, Instant end, Stream<String> results) {
        var sessions = recorder.searches;
        sessions.expire();
        if (sessions.open.size() >= MOST_SESSIONS) {
            throw new SimSoapFault("Receiver", "Action", "ResourceProblem", "Too many searches");
        }
        var keep = Xml.text(operation, "KeepAliveTime")
                .map(SearchAnswers::duration)
                .orElse(Duration.ofSeconds(30));
        var token = "T" + ++sessions.numbers;
        sessions.open.put(
                token,
                new Session(
                        name.equals("FindEvents"),
                        keep,
                        Instant.now().plus(keep),
                        end,
                        new ArrayDeque<>(results.toList())));
        return "<tse:" + name + "Response><tse:SearchToken>" + token + "</tse:SearchToken></tse:" + name + "Response>";
    }

    private static Duration duration(String text) {
        try {
            return Duration.parse(text);
        } catch (DateTimeException e) {
            throw SimSoapFault.wrongValue("InvalidArgVal", "Not a duration: " + text);
        }
    }

    String results(Element operation, boolean ofEvents) {
        var name = ofEvents ? "GetEventSearchResults" : "GetRecordingSearchResults";
        var token = Xml.text(operation, "SearchToken").orElse("");
        var session = session(token);
        if (session.ofEvents() != ofEvents) {
            throw SimSoapFault.wrongValue("InvalidToken", "That search is of the other kind");
        }
        recorder.searches.open.put(token, session.asked());
        int most = Math.min(
                MOST_AT_ONCE,
                Xml.text(operation, "MaxResults").map(Integer::valueOf).orElse(MOST_AT_ONCE));
        List<String> results = new ArrayList<>();
        while (results.size() < most && !session.results().isEmpty()) {
            results.add(session.results().remove());
        }
        return "<tse:" + name + "Response><tse:ResultList><tt:SearchState>"
                + (session.results().isEmpty() ? "Completed" : "Searching") + "</tt:SearchState>"
                + join(results.stream()) + "</tse:ResultList></tse:" + name + "Response>";
    }

    private Session session(String token) {
        recorder.searches.expire();
        var session = recorder.searches.open.get(token);
        if (session == null) {
            throw SimSoapFault.wrongValue("InvalidToken", "There is no search " + token);
        }
        return session;
    }

    String end(Element operation) {
        var token = Xml.text(operation, "SearchToken").orElse("");
        var session = session(token);
        recorder.searches.open.remove(token);
        return "<tse:EndSearchResponse><tse:Endpoint>" + tell(session.end())
                + "</tse:Endpoint></tse:EndSearchResponse>";
    }

    String replayAddress(Element operation) {
        var token = Xml.text(operation, "RecordingToken").orElse("");
        var channel = recorder.channels.stream()
                .filter(c -> token.equals("R" + c.place))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NoRecording", "Unknown recording " + token));
        return "<trp:GetReplayUriResponse><trp:Uri>" + recorder.streams() + "/replay/" + channel.place
                + "</trp:Uri></trp:GetReplayUriResponse>";
    }
}
