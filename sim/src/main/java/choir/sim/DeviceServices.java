package choir.sim;

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
            var events = new EventAnswers(recorder, base);
            var answer = switch (operation.getLocalName()) {
                case "GetServices" -> services();
                case "GetCapabilities" -> capabilities();
                case "GetDeviceInformation" -> deviceInformation();
                case "GetSystemDateAndTime" -> dateAndTime();
                case "GetUsers" ->
                    "<tds:GetUsersResponse><tds:User><tt:Username>" + Xml.escape(recorder.user)
                            + "</tt:Username><tt:UserLevel>Operator</tt:UserLevel></tds:User></tds:GetUsersResponse>";
                case "SetUser" -> setUser(operation);
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
                case "GetEventProperties" -> events.properties();
                case "CreatePullPointSubscription" -> events.subscribe(operation);
                case "SetSynchronizationPoint" -> events.synchronizationPoint(service);
                case "Unsubscribe" -> events.unsubscribe(service);
                case "Renew" -> events.renew(operation, service);
                case "PullMessages" -> events.pull(operation, service);
                default ->
                    throw new SimSoapFault(
                            "Receiver", "ActionNotSupported", "", operation.getLocalName() + " is not supported");
            };
            EventAnswers.tellOf(recorder, operation.getLocalName());
            return answer;
        }
    }

    private Instant now() {
        return Instant.now().plus(recorder.clockAhead);
    }

    private String setUser(Element operation) {
        if (Xml.text(operation, "Username").filter(recorder.user::equals).isEmpty()) {
            throw SimSoapFault.wrongValue("UsernameMissing", "There is no such user");
        }
        if (Xml.text(operation, "UserLevel").filter("Operator"::equals).isEmpty()) {
            throw SimSoapFault.wrongValue("FixedUser", "The level of a user is not changed here");
        }
        var fresh = Xml.text(operation, "Password").orElse("");
        int longest = Integer.parseInt(recorder.quirks.getOrDefault("User.LongestPassword", "64"));
        if (fresh.isEmpty() || fresh.length() > longest) {
            throw SimSoapFault.wrongValue("PasswordTooLong", "A password has at most " + longest + " characters");
        }
        recorder.change(() -> recorder.password = fresh);
        return "<tds:SetUserResponse/>";
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

    static String join(java.util.stream.Stream<String> parts) {
        return parts.collect(Collectors.joining());
    }
}
