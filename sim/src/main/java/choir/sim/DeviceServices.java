package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/** The operations that a simulated recorder knows, by name. */
final class DeviceServices {
    private final SimRecorder recorder;
    private final String base;

    DeviceServices(SimRecorder recorder, String base) {
        this.recorder = recorder;
        this.base = base;
    }

    String answer(Element operation, String service) {
        synchronized (recorder) {
            var media = new MediaAnswers(recorder, base);
            var analytics = new AnalyticsAnswers(recorder);
            var recording = new RecordingAnswers(recorder);
            return switch (operation.getLocalName()) {
                case "GetServices" -> services();
                case "GetCapabilities" -> capabilities();
                case "GetDeviceInformation" -> deviceInformation();
                case "GetSystemDateAndTime" -> dateAndTime();
                case "GetHostname" ->
                    "<tds:GetHostnameResponse><tds:HostnameInformation><tt:FromDHCP>false</tt:FromDHCP><tt:Name>"
                            + recorder.name + "</tt:Name></tds:HostnameInformation></tds:GetHostnameResponse>";
                case "GetScopes" ->
                    "<tds:GetScopesResponse><tds:Scopes><tt:ScopeDef>Fixed</tt:ScopeDef><tt:ScopeItem>onvif://www.onvif.org/Profile/G</tt:ScopeItem></tds:Scopes></tds:GetScopesResponse>";
                case "GetProfiles" -> media.profiles(operation);
                case "GetVideoSources" -> media.videoSources();
                case "GetAnalyticsConfigurations" -> media.analyticsConfigurations();
                case "GetVideoEncoderConfigurations" -> media.encoderConfigurations(operation);
                case "SetVideoEncoderConfiguration" -> media.setEncoder(operation);
                case "GetSnapshotUri" -> media.snapshotAddress(operation);
                case "GetAnalyticsModules" -> analytics.getModules(operation);
                case "GetRules" -> analytics.getRules(operation);
                case "ModifyAnalyticsModules" -> analytics.modifyModules(operation);
                case "ModifyRules" -> analytics.modifyRules(operation);
                case "GetAnalyticsModuleOptions" -> analytics.moduleOptions();
                case "GetRuleOptions" -> analytics.ruleOptions();
                case "GetRecordings" -> recording.recordings();
                case "GetRecordingConfiguration" -> recording.recordingConfiguration(operation);
                case "SetRecordingConfiguration" -> recording.setRecording(operation);
                case "GetRecordingJobs" -> recording.jobs();
                case "SetRecordingJobConfiguration" -> recording.setJob(operation);
                case "SetRecordingJobMode" -> recording.setJobMode(operation);
                case "GetRecordingJobState" -> recording.jobState(operation);
                case "GetScheduleList" -> recording.schedules(operation);
                case "CreateSchedule" -> recording.createSchedule(operation);
                case "GetSpecialDayGroupList" -> recording.dayGroups();
                case "CreateSpecialDayGroup" -> recording.takeDayGroup(operation, true);
                case "ModifySpecialDayGroup" -> recording.takeDayGroup(operation, false);
                case "ModifySchedule" -> recording.modifySchedule(operation);
                case "CreatePullPointSubscription" -> subscribe();
                case "Unsubscribe" -> unsubscribe(service);
                case "Renew" ->
                    "<wsnt:RenewResponse><wsnt:TerminationTime>" + time(Duration.ofMinutes(2))
                            + "</wsnt:TerminationTime></wsnt:RenewResponse>";
                case "PullMessages" -> pull(operation, service);
                default ->
                    throw new SimSoapFault(
                            "Receiver", "ActionNotSupported", "", operation.getLocalName() + " is not supported");
            };
        }
    }

    private Instant now() {
        return Instant.now().plus(recorder.clockAhead);
    }

    private String time(Duration later) {
        return now().plus(later)
                .truncatedTo(java.time.temporal.ChronoUnit.SECONDS)
                .toString();
    }

    private String services() {
        return "<tds:GetServicesResponse>"
                + service("http://www.onvif.org/ver10/device/wsdl", "device_service", "")
                + service("http://www.onvif.org/ver20/media/wsdl", "media2", "")
                + service(
                        "http://www.onvif.org/ver20/analytics/wsdl",
                        "analytics",
                        "<tan:Capabilities RuleSupport=\"true\" AnalyticsModuleSupport=\"true\""
                                + " RuleOptionsSupported=\"true\" AnalyticsModuleOptionsSupported=\"true\"/>")
                + service(
                        "http://www.onvif.org/ver10/recording/wsdl",
                        "recording",
                        "<trc:Capabilities DynamicRecordings=\"false\" EventRecording=\"true\" BeforeEventLimit=\"PT30S\""
                                + " AfterEventLimit=\"PT10M\"/>")
                + service(
                        "http://www.onvif.org/ver10/schedule/wsdl",
                        "schedule",
                        "<tsc:Capabilities MaxSchedules=\"256\" MaxTimePeriodsPerDay=\"24\""
                                + " ExtendedRecurrenceSupported=\"false\" SpecialDaysSupported=\""
                                + recorder.model.specialDays() + "\"/>")
                + service("http://www.onvif.org/ver10/events/wsdl", "events", "")
                + "</tds:GetServicesResponse>";
    }

    private String service(String namespace, String path, String capabilities) {
        return "<tds:Service><tds:Namespace>" + namespace + "</tds:Namespace><tds:XAddr>" + base + "/" + path
                + "</tds:XAddr>"
                + (capabilities.isEmpty() ? "" : "<tds:Capabilities>" + capabilities + "</tds:Capabilities>")
                + "<tds:Version><tt:Major>21</tt:Major><tt:Minor>12</tt:Minor></tds:Version></tds:Service>";
    }

    private String capabilities() {
        return "<tds:GetCapabilitiesResponse><tds:Capabilities><tt:Device><tt:XAddr>" + base
                + "/device_service</tt:XAddr></tt:Device><tt:Events><tt:XAddr>" + base
                + "/events</tt:XAddr></tt:Events><tt:Media><tt:XAddr>" + base
                + "/media</tt:XAddr></tt:Media></tds:Capabilities></tds:GetCapabilitiesResponse>";
    }

    private String deviceInformation() {
        return "<tds:GetDeviceInformationResponse><tds:Manufacturer>" + recorder.model.maker()
                + "</tds:Manufacturer><tds:Model>" + recorder.model.model()
                + "</tds:Model><tds:FirmwareVersion>" + Xml.escape(recorder.firmware)
                + "</tds:FirmwareVersion><tds:SerialNumber>" + Xml.escape(recorder.serial)
                + "</tds:SerialNumber><tds:HardwareId>1.0</tds:HardwareId></tds:GetDeviceInformationResponse>";
    }

    private String dateAndTime() {
        var utc = now().atZone(ZoneOffset.UTC);
        return "<tds:GetSystemDateAndTimeResponse><tds:SystemDateAndTime><tt:DateTimeType>NTP</tt:DateTimeType>"
                + "<tt:DaylightSavings>false</tt:DaylightSavings><tt:TimeZone><tt:TZ>" + recorder.zone
                + "</tt:TZ></tt:TimeZone><tt:UTCDateTime><tt:Time><tt:Hour>" + utc.getHour() + "</tt:Hour><tt:Minute>"
                + utc.getMinute() + "</tt:Minute><tt:Second>" + utc.getSecond()
                + "</tt:Second></tt:Time><tt:Date><tt:Year>"
                + utc.getYear() + "</tt:Year><tt:Month>" + utc.getMonthValue() + "</tt:Month><tt:Day>"
                + utc.getDayOfMonth() + "</tt:Day></tt:Date></tt:UTCDateTime></tds:SystemDateAndTime>"
                + "</tds:GetSystemDateAndTimeResponse>";
    }

    private String subscribe() {
        var id = recorder.events.subscribe();
        recorder.channels.forEach(c -> recorder.events.publish(motionMessage(c, "Initialized")));
        return "<tev:CreatePullPointSubscriptionResponse><tev:SubscriptionReference><wsa:Address>" + base + "/events/"
                + id + "</wsa:Address></tev:SubscriptionReference><wsnt:CurrentTime>" + time(Duration.ZERO)
                + "</wsnt:CurrentTime><wsnt:TerminationTime>" + time(Duration.ofMinutes(2))
                + "</wsnt:TerminationTime></tev:CreatePullPointSubscriptionResponse>";
    }

    private String unsubscribe(String service) {
        recorder.events.unsubscribe(service.substring(service.lastIndexOf('/') + 1));
        return "<wsnt:UnsubscribeResponse/>";
    }

    /** Waits without holding up the recorder's other calls for long: the wait gives the lock back. */
    private String pull(Element operation, String service) {
        var wait = Xml.text(operation, "Timeout").map(Duration::parse).orElse(Duration.ofSeconds(5));
        int most = Xml.text(operation, "MessageLimit").map(Integer::valueOf).orElse(100);
        var id = service.substring(service.lastIndexOf('/') + 1);
        var until = Instant.now().plus(wait);
        var messages = recorder.events.pull(id, Duration.ZERO, most);
        while (messages.isEmpty() && Instant.now().isBefore(until)) {
            try {
                recorder.wait(50);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
            messages = recorder.events.pull(id, Duration.ZERO, most);
        }
        return "<tev:PullMessagesResponse><tev:CurrentTime>" + time(Duration.ZERO)
                + "</tev:CurrentTime><tev:TerminationTime>" + time(Duration.ofMinutes(2)) + "</tev:TerminationTime>"
                + messages + "</tev:PullMessagesResponse>";
    }

    static String motionMessage(SimChannel channel, String operation) {
        return "<wsnt:NotificationMessage><wsnt:Topic Dialect=\"http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet\">"
                + "tns1:RuleEngine/CellMotionDetector/Motion</wsnt:Topic><wsnt:Message><tt:Message UtcTime=\""
                + Instant.now().truncatedTo(java.time.temporal.ChronoUnit.MILLIS) + "\" PropertyOperation=\""
                + operation
                + "\"><tt:Source><tt:SimpleItem Name=\"VideoSourceConfigurationToken\" Value=\"VSC" + channel.place
                + "\"/><tt:SimpleItem Name=\"VideoAnalyticsConfigurationToken\" Value=\"VAC" + channel.place
                + "\"/><tt:SimpleItem Name=\"Rule\" Value=\"Motion\"/></tt:Source><tt:Data><tt:SimpleItem Name=\"IsMotion\""
                + " Value=\"" + channel.motionNow
                + "\"/></tt:Data></tt:Message></wsnt:Message></wsnt:NotificationMessage>";
    }

    static String join(java.util.stream.Stream<String> parts) {
        return parts.collect(Collectors.joining());
    }
}
