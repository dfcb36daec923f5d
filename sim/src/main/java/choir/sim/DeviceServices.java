package choir.sim;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.w3c.dom.Element;

/** The operations that a simulated recorder knows, by name. */
final class DeviceServices {
    private final SimRecorder recorder;
    private final String base;

    DeviceServices(SimRecorder recorder, String base) {
        this.recorder = recorder;
        this.base = base;
    }

    /** The services, by the prefix of their namespace, and where each is. */
    private static final Map<String, String> PATHS = Map.of(
            "tds", "device_service",
            "trt", "media",
            "tr2", "media2",
            "tan", "analytics",
            "trc", "recording",
            "tsc", "schedule",
            "tse", "search",
            "trp", "replay",
            "tev", "events");

    /**
     * The element says what is asked, whatever the address.
     *
     * @param asked the operation as {@code prefix:Name}
     */
    String answer(String asked, Element operation, String service) {
        var prefix = asked.substring(0, asked.indexOf(':'));
        if (recorder.model.lacks(prefix)) {
            throw new SimSoapFault("Receiver", "ActionNotSupported", "", "There is no such service here");
        }
        synchronized (recorder) {
            var answer = answer(asked, operation, service, new MediaAnswers(recorder, base));
            EventAnswers.tellOf(recorder, operation.getLocalName());
            return answer;
        }
    }

    private String answer(String asked, Element operation, String service, MediaAnswers media) {
        var analytics = new AnalyticsAnswers(recorder);
        var recording = new RecordingAnswers(recorder);
        var events = new EventAnswers(recorder, base);
        var search = new SearchAnswers(recorder);
        return switch (asked) {
            case "tds:GetServices" -> services(operation);
            case "tds:GetCapabilities" -> capabilities();
            case "tds:GetDeviceInformation" -> deviceInformation();
            case "tds:GetSystemDateAndTime" -> dateAndTime();
            case "tds:SetSystemDateAndTime" -> setDateAndTime(operation);
            case "tds:SendAuxiliaryCommand" -> new SimResponses(recorder).command(operation);
            case "tds:GetUsers" ->
                "<tds:GetUsersResponse><tds:User><tt:Username>" + Xml.escape(recorder.user)
                        + "</tt:Username><tt:UserLevel>Operator</tt:UserLevel></tds:User></tds:GetUsersResponse>";
            case "tds:SetUser" -> setUser(operation);
            case "tds:GetHostname" ->
                "<tds:GetHostnameResponse><tds:HostnameInformation><tt:FromDHCP>false</tt:FromDHCP><tt:Name>"
                        + recorder.name + "</tt:Name></tds:HostnameInformation></tds:GetHostnameResponse>";
            case "tds:GetScopes" ->
                "<tds:GetScopesResponse>"
                        + join(Stream.of(
                                        "Profile/G",
                                        "Profile/T",
                                        "name/" + recorder.name,
                                        "hardware/" + recorder.model.model())
                                .map(s ->
                                        "<tds:Scopes><tt:ScopeDef>Fixed</tt:ScopeDef><tt:ScopeItem>onvif://www.onvif.org/"
                                                + s + "</tt:ScopeItem></tds:Scopes>"))
                        + "</tds:GetScopesResponse>";
            case "tds:GetWsdlUrl" ->
                "<tds:GetWsdlUrlResponse><tds:WsdlUrl>" + base + "/wsdl</tds:WsdlUrl></tds:GetWsdlUrlResponse>";
            case "tds:GetServiceCapabilities" -> capabilities("tds");
            case "trt:GetServiceCapabilities" -> capabilities("trt");
            case "tr2:GetServiceCapabilities" -> capabilities("tr2");
            case "tan:GetServiceCapabilities" -> capabilities("tan");
            case "trc:GetServiceCapabilities" -> capabilities("trc");
            case "tsc:GetServiceCapabilities" -> capabilities("tsc");
            case "tse:GetServiceCapabilities" -> capabilities("tse");
            case "trp:GetServiceCapabilities" -> capabilities("trp");
            case "tev:GetServiceCapabilities" -> capabilities("tev");
            case "tr2:GetProfiles" -> media.profiles(operation);
            case "trt:GetProfiles" -> media.firstProfiles();
            case "trt:GetProfile" -> media.firstProfile(operation);
            case "trt:GetVideoSources" -> media.videoSources();
            case "tr2:GetVideoSourceConfigurations" -> media.sourceConfigurations("tr2", operation);
            case "trt:GetVideoSourceConfigurations" -> media.sourceConfigurations("trt", operation);
            case "tr2:GetAnalyticsConfigurations" -> media.analyticsConfigurations("tr2:GetAnalyticsConfigurations");
            case "trt:GetVideoAnalyticsConfigurations" ->
                media.analyticsConfigurations("trt:GetVideoAnalyticsConfigurations");
            case "tr2:GetVideoEncoderConfigurations" -> media.encoderConfigurations(operation);
            case "trt:GetVideoEncoderConfigurations" -> media.firstEncoderConfigurations();
            case "tr2:SetVideoEncoderConfiguration" -> media.setEncoder("tr2", operation);
            case "trt:SetVideoEncoderConfiguration" -> media.setEncoder("trt", operation);
            case "tr2:GetSnapshotUri" -> media.address("tr2", "GetSnapshotUri", operation);
            case "trt:GetSnapshotUri" -> media.address("trt", "GetSnapshotUri", operation);
            case "tr2:GetStreamUri" -> media.address("tr2", "GetStreamUri", operation);
            case "trt:GetStreamUri" -> media.address("trt", "GetStreamUri", operation);
            case "tan:GetSupportedAnalyticsModules" -> analytics.supportedModules(operation);
            case "tan:GetSupportedRules" -> analytics.supportedRules(operation);
            case "tan:GetAnalyticsModules" -> analytics.getModules(operation);
            case "tan:GetRules" -> analytics.getRules(operation);
            case "tan:ModifyAnalyticsModules" -> analytics.modifyModules(operation);
            case "tan:ModifyRules" -> analytics.modifyRules(operation);
            case "tan:GetAnalyticsModuleOptions" -> analytics.moduleOptions();
            case "tan:GetRuleOptions" -> analytics.ruleOptions();
            case "trc:GetRecordings" -> recording.recordings();
            case "trc:GetRecordingConfiguration" -> recording.recordingConfiguration(operation);
            case "trc:SetRecordingConfiguration" -> recording.setRecording(operation);
            case "trc:GetRecordingJobs" -> recording.jobs();
            case "trc:GetRecordingJobConfiguration" -> recording.jobConfiguration(operation);
            case "trc:SetRecordingJobConfiguration" -> recording.setJob(operation);
            case "trc:SetRecordingJobMode" -> recording.setJobMode(operation);
            case "trc:GetRecordingJobState" -> recording.jobState(operation);
            case "tsc:GetScheduleList" -> recording.schedules(operation);
            case "tsc:CreateSchedule" -> recording.createSchedule(operation);
            case "tsc:ModifySchedule" -> recording.modifySchedule(operation);
            case "tsc:GetSpecialDayGroupList" -> recording.dayGroups();
            case "tsc:CreateSpecialDayGroup" -> recording.takeDayGroup(operation, true);
            case "tsc:ModifySpecialDayGroup" -> recording.takeDayGroup(operation, false);
            case "tse:GetRecordingSummary" -> search.summary();
            case "tse:FindRecordings" -> search.findRecordings(operation);
            case "tse:GetMediaAttributes" -> search.mediaAttributes(operation);
            case "tse:GetRecordingSearchResults" -> search.results(operation, false);
            case "tse:FindEvents" -> search.findEvents(operation);
            case "tse:GetEventSearchResults" -> search.results(operation, true);
            case "tse:EndSearch" -> search.end(operation);
            case "trp:GetReplayUri" -> search.replayAddress(operation);
            case "tev:GetEventProperties" -> events.properties();
            case "tev:CreatePullPointSubscription" -> events.subscribe(operation);
            case "tev:SetSynchronizationPoint" -> events.synchronizationPoint(service);
            case "tev:PullMessages" -> events.pull(operation, service);
            case "wsnt:Unsubscribe" -> events.unsubscribe(service);
            case "wsnt:Renew" -> events.renew(operation, service);
            default -> throw new SimSoapFault("Receiver", "ActionNotSupported", "", asked + " is not supported");
        };
    }

    private Instant now() {
        return SimTime.now().plus(recorder.clockAhead);
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

    private String services(Element operation) {
        boolean more = Xml.text(operation, "IncludeCapability")
                .filter(t -> t.equals("true") || t.equals("1"))
                .isPresent();
        return "<tds:GetServicesResponse>"
                + join(
                        RequestShapes.NAMESPACES.entrySet().stream()
                                .filter(e -> PATHS.containsKey(e.getKey()) && !recorder.model.lacks(e.getKey()))
                                .map(
                                        e -> "<tds:Service><tds:Namespace>" + e.getValue()
                                                + "</tds:Namespace><tds:XAddr>" + base
                                                + "/" + PATHS.get(e.getKey()) + "</tds:XAddr>"
                                                + (more
                                                        ? "<tds:Capabilities>" + capability(e.getKey())
                                                                + "</tds:Capabilities>"
                                                        : "")
                                                + "<tds:Version><tt:Major>21</tt:Major><tt:Minor>12</tt:Minor></tds:Version></tds:Service>"))
                + "</tds:GetServicesResponse>";
    }

    private String capabilities(String prefix) {
        return "<" + prefix + ":GetServiceCapabilitiesResponse>" + capability(prefix) + "</" + prefix
                + ":GetServiceCapabilitiesResponse>";
    }

    private String capability(String prefix) {
        var attributes = switch (prefix) {
            case "tan" ->
                " RuleSupport=\"true\" AnalyticsModuleSupport=\"true\" RuleOptionsSupported=\"true\""
                        + " AnalyticsModuleOptionsSupported=\"true\"";
            case "trc" ->
                " DynamicRecordings=\"false\" EventRecording=\"true\" BeforeEventLimit=\"PT30S\""
                        + " AfterEventLimit=\"PT10M\"";
            case "tsc" ->
                " MaxSchedules=\"256\" MaxTimePeriodsPerDay=\"24\" ExtendedRecurrenceSupported=\"false\""
                        + " SpecialDaysSupported=\"" + recorder.model.specialDays() + "\"";
            case "tse" -> " MetadataSearch=\"false\"";
            case "tev" -> " WSPullPointSupport=\"true\" MaxPullPoints=\"50\"";
            case "trt", "tr2" -> " SnapshotUri=\"true\"";
            default -> "";
        };
        return prefix.equals("tds")
                ? "<tds:Capabilities><tds:Network/><tds:Security UsernameToken=\"" + !recorder.model.modest()
                        + "\" HttpDigest=\"" + recorder.model.modest() + "\"/><tds:System/></tds:Capabilities>"
                : "<" + prefix + ":Capabilities" + attributes + "/>";
    }

    private String capabilities() {
        return "<tds:GetCapabilitiesResponse><tds:Capabilities><tt:Analytics><tt:XAddr>" + base
                + "/analytics</tt:XAddr><tt:RuleSupport>true</tt:RuleSupport><tt:AnalyticsModuleSupport>true"
                + "</tt:AnalyticsModuleSupport></tt:Analytics><tt:Device><tt:XAddr>" + base
                + "/device_service</tt:XAddr></tt:Device><tt:Events><tt:XAddr>" + base
                + "/events</tt:XAddr><tt:WSSubscriptionPolicySupport>false</tt:WSSubscriptionPolicySupport>"
                + "<tt:WSPullPointSupport>true</tt:WSPullPointSupport><tt:WSPausableSubscriptionManagerInterfaceSupport>"
                + "false</tt:WSPausableSubscriptionManagerInterfaceSupport></tt:Events><tt:Media><tt:XAddr>" + base
                + "/media</tt:XAddr><tt:StreamingCapabilities><tt:RTPMulticast>false</tt:RTPMulticast><tt:RTP_TCP>true"
                + "</tt:RTP_TCP><tt:RTP_RTSP_TCP>true</tt:RTP_RTSP_TCP></tt:StreamingCapabilities></tt:Media>"
                + "<tt:Extension>"
                + join(Stream.of("Recording", "Search", "Replay")
                        .map(name -> "<tt:" + name + "><tt:XAddr>" + base + "/" + name.toLowerCase(Locale.ROOT)
                                + "</tt:XAddr></tt:" + name + ">"))
                + "</tt:Extension></tds:Capabilities></tds:GetCapabilitiesResponse>";
    }

    /** Takes the time by hand, to the second. */
    private String setDateAndTime(Element operation) {
        var kind = Xml.text(operation, "DateTimeType").orElse("");
        var given = Xml.first(operation, "UTCDateTime");
        if (!kind.equals("Manual") && !kind.equals("NTP")) {
            throw SimSoapFault.wrongValue("InvalidDateTime", "Manual or NTP, not " + kind);
        }
        if (kind.equals("NTP")) {
            recorder.change(() -> recorder.clockAhead = Duration.ZERO);
        } else {
            var utc = given.map(DeviceServices::instant)
                    .orElseThrow(
                            () -> SimSoapFault.wrongValue("InvalidDateTime", "A time set by hand has to be there"));
            recorder.change(() -> recorder.clockAhead = Duration.between(SimTime.now(), utc));
        }
        Xml.text(operation, "TZ").ifPresent(zone -> recorder.zone = zone);
        return "<tds:SetSystemDateAndTimeResponse/>";
    }

    private static Instant instant(Element utc) {
        try {
            return LocalDateTime.of(
                            number(utc, "Year"),
                            number(utc, "Month"),
                            number(utc, "Day"),
                            number(utc, "Hour"),
                            number(utc, "Minute"),
                            number(utc, "Second"))
                    .toInstant(ZoneOffset.UTC);
        } catch (DateTimeException | NumberFormatException e) {
            throw SimSoapFault.wrongValue("InvalidDateTime", "That is no time");
        }
    }

    private static int number(Element within, String name) {
        return Integer.parseInt(Xml.text(within, name).orElse(""));
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
