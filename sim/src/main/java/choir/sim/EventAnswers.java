package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import org.w3c.dom.Element;

/** Event properties, subscriptions, and what is told to whoever subscribed. */
final class EventAnswers {
    static final String CONCRETE = "http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet";
    static final String MOTION = "tns1:RuleEngine/CellMotionDetector/Motion";
    private static final String ANALYTICS = "tns1:Media/ConfigurationChanged";
    private static final String JOB = "tns1:RecordingConfig/RecordingJobConfiguration";

    /** What a client's write is told as. */
    private static final Map<String, String> CHANGES = Map.of(
            "SetVideoEncoderConfiguration", ANALYTICS,
            "ModifyAnalyticsModules", ANALYTICS,
            "ModifyRules", ANALYTICS,
            "SetRecordingConfiguration", "tns1:RecordingConfig/RecordingConfiguration",
            "SetRecordingJobConfiguration", JOB,
            "SetRecordingJobMode", JOB,
            "ModifySchedule", "tns1:Configuration/Schedule/Changed",
            "CreateSchedule", "tns1:Configuration/Schedule/Changed",
            "ModifySpecialDayGroup", "tns1:Configuration/Schedule/Changed");

    private static final String MOTION_ITEMS =
            "<tt:Source><tt:SimpleItemDescription Name=\"VideoSourceConfigurationToken\" Type=\"tt:ReferenceToken\"/>"
                    + "<tt:SimpleItemDescription Name=\"VideoAnalyticsConfigurationToken\" Type=\"tt:ReferenceToken\"/>"
                    + "<tt:SimpleItemDescription Name=\"Rule\" Type=\"xs:string\"/></tt:Source><tt:Data>"
                    + "<tt:SimpleItemDescription Name=\"IsMotion\" Type=\"xs:boolean\"/></tt:Data>";

    static final String MOTION_DESCRIPTION = "<tt:Messages IsProperty=\"true\">" + MOTION_ITEMS + "<tt:ParentTopic>"
            + MOTION + "</tt:ParentTopic></tt:Messages>";

    private final SimRecorder recorder;
    private final String base;

    EventAnswers(SimRecorder recorder, String base) {
        this.recorder = recorder;
        this.base = base;
    }

    /** Tells what an operation changed, at makes that tell such things. */
    static void tellOf(SimRecorder recorder, String operation) {
        var topic = CHANGES.get(operation);
        if (topic != null && recorder.model.tells()) {
            recorder.events.publish(topic, message(topic, "", "", "", present(recorder)));
        }
    }

    /** Tells that somebody at the panel changed a channel. */
    static void tellOfPanel(SimRecorder recorder, SimChannel channel, boolean ofRecording) {
        if (recorder.model.tells()) {
            var topic = ofRecording ? JOB : ANALYTICS;
            var token = (ofRecording ? "J" : "VAC") + channel.place;
            recorder.events.publish(topic, message(topic, "", item("Token", token), "", present(recorder)));
        }
    }

    private static Instant present(SimRecorder recorder) {
        return SimTime.now().plus(recorder.clockAhead).truncatedTo(ChronoUnit.MILLIS);
    }

    /** @param at by the recorder's clock */
    static String message(String topic, String operation, String source, String data, Instant at) {
        return "<wsnt:NotificationMessage><wsnt:Topic Dialect=\"" + CONCRETE + "\">" + topic
                + "</wsnt:Topic><wsnt:Message><tt:Message UtcTime=\""
                + at + "\""
                + (operation.isEmpty() ? "" : " PropertyOperation=\"" + operation + "\"") + "><tt:Source>" + source
                + "</tt:Source><tt:Data>" + data + "</tt:Data></tt:Message></wsnt:Message></wsnt:NotificationMessage>";
    }

    static String item(String name, String value) {
        return "<tt:SimpleItem Name=\"" + name + "\" Value=\"" + Xml.escape(value) + "\"/>";
    }

    String properties() {
        var changes = recorder.model.tells()
                ? "<tns1:RecordingConfig><RecordingJobConfiguration wstop:topic=\"true\"/>"
                        + "<RecordingConfiguration wstop:topic=\"true\"/><JobState wstop:topic=\"true\"/>"
                        + "</tns1:RecordingConfig>"
                        + "<tns1:Configuration><Schedule><Changed wstop:topic=\"true\"/></Schedule></tns1:Configuration>"
                        + "<tns1:Media><ConfigurationChanged wstop:topic=\"true\"/></tns1:Media>"
                : "";
        return "<tev:GetEventPropertiesResponse><tev:TopicNamespaceLocation>http://www.onvif.org/onvif/ver10/topics/topicns.xml"
                + "</tev:TopicNamespaceLocation><wsnt:FixedTopicSet>true</wsnt:FixedTopicSet><wstop:TopicSet"
                + " xmlns:wstop=\"http://docs.oasis-open.org/wsn/t-1\"><tns1:RuleEngine><CellMotionDetector>"
                + "<Motion wstop:topic=\"true\"><tt:MessageDescription IsProperty=\"true\">" + MOTION_ITEMS
                + "</tt:MessageDescription>"
                + "</Motion></CellMotionDetector></tns1:RuleEngine>" + changes + "</wstop:TopicSet>"
                + "<wsnt:TopicExpressionDialect>" + CONCRETE + "</wsnt:TopicExpressionDialect>"
                + "<tev:MessageContentFilterDialect>http://www.onvif.org/ver10/tev/messageContentFilter/ItemFilter"
                + "</tev:MessageContentFilterDialect><tev:MessageContentSchemaLocation>"
                + "http://www.onvif.org/onvif/ver10/schema/onvif.xsd</tev:MessageContentSchemaLocation>"
                + "</tev:GetEventPropertiesResponse>";
    }

    String subscribe(Element operation) {
        var lasts = Xml.text(operation, "InitialTerminationTime")
                .map(this::duration)
                .orElse(SimEvents.USUAL);
        recorder.states.catchUp();
        var id =
                recorder.events.subscribe(Xml.text(operation, "TopicExpression").orElse(""), lasts);
        recorder.states.tellAll();
        return "<tev:CreatePullPointSubscriptionResponse><tev:SubscriptionReference><wsa:Address>" + base + "/events/"
                + id + "</wsa:Address></tev:SubscriptionReference><wsnt:CurrentTime>" + time(Duration.ZERO)
                + "</wsnt:CurrentTime><wsnt:TerminationTime>" + time(recorder.events.left(id))
                + "</wsnt:TerminationTime></tev:CreatePullPointSubscriptionResponse>";
    }

    String synchronizationPoint(String service) {
        var _ = recorder.events.left(id(service));
        recorder.states.tellAll();
        return "<tev:SetSynchronizationPointResponse/>";
    }

    /** A duration, or a moment by the recorder's own clock. */
    private Duration duration(String text) {
        try {
            return text.startsWith("P")
                    ? Duration.parse(text)
                    : Duration.between(
                            now(), java.time.OffsetDateTime.parse(text).toInstant());
        } catch (DateTimeParseException e) {
            throw new SimSoapFault("Sender", "InvalidArgVal", "UnacceptableTerminationTime", "Not a time: " + text);
        }
    }

    private Instant now() {
        return SimTime.now().plus(recorder.clockAhead);
    }

    private String time(Duration later) {
        return now().plus(later).truncatedTo(ChronoUnit.SECONDS).toString();
    }

    private static String id(String service) {
        return service.substring(service.lastIndexOf('/') + 1);
    }

    String unsubscribe(String service) {
        recorder.events.unsubscribe(id(service));
        return "<wsnt:UnsubscribeResponse/>";
    }

    String renew(Element operation, String service) {
        var lasts = recorder.events.renew(
                id(service),
                Xml.text(operation, "TerminationTime").map(this::duration).orElse(SimEvents.USUAL));
        return "<wsnt:RenewResponse><wsnt:TerminationTime>" + time(lasts)
                + "</wsnt:TerminationTime><wsnt:CurrentTime>" + time(Duration.ZERO)
                + "</wsnt:CurrentTime></wsnt:RenewResponse>";
    }

    /** Waits without holding up the recorder's other calls for long: the wait gives the lock back. */
    String pull(Element operation, String service) {
        var wait = Xml.text(operation, "Timeout").map(Duration::parse).orElse(Duration.ofSeconds(5));
        int most = Xml.text(operation, "MessageLimit").map(Integer::valueOf).orElse(100);
        var id = id(service);
        var until = Instant.now().plus(wait.compareTo(Duration.ofSeconds(30)) > 0 ? Duration.ofSeconds(30) : wait);
        recorder.states.catchUp();
        var messages = recorder.events.pull(id, most);
        while (messages.isEmpty() && Instant.now().isBefore(until)) {
            try {
                recorder.wait(50);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
            recorder.states.catchUp();
            messages = recorder.events.pull(id, most);
        }
        return "<tev:PullMessagesResponse><tev:CurrentTime>" + time(Duration.ZERO)
                + "</tev:CurrentTime><tev:TerminationTime>" + time(recorder.events.left(id)) + "</tev:TerminationTime>"
                + messages + "</tev:PullMessagesResponse>";
    }
}
