package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.family.Families;
import choir.family.Family;
import choir.family.NativeText;
import choir.link.GenericFamily;
import choir.link.LinkException;
import choir.link.RecorderAccess;
import choir.link.RecorderReading;
import choir.policy.Catalogue;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A device that does what the standard allows and the simulator does not, answer by answer. */
class ForeignDeviceTest {
    private static final Pattern OPERATION = Pattern.compile("Body[^>]*>\\s*<(?:\\w+:)?(\\w+)");
    private static final String ENVELOPE = """
            <s:Envelope xmlns:s="http://www.w3.org/2003/05/soap-envelope" xmlns:d="http://www.onvif.org/ver10/device/wsdl" \
            xmlns:m="http://www.onvif.org/ver20/media/wsdl" xmlns:a="http://www.onvif.org/ver20/analytics/wsdl" \
            xmlns:r="http://www.onvif.org/ver10/recording/wsdl" xmlns:c="http://www.onvif.org/ver10/schedule/wsdl" \
            xmlns:w="http://docs.oasis-open.org/wsn/b-2" xmlns:onv="http://www.onvif.org/ver10/schema" \
            xmlns:top="http://www.onvif.org/ver10/topics" xmlns:e="http://www.onvif.org/ver10/error"><s:Body>%s</s:Body></s:Envelope>""";

    private final Map<String, String> answers = new HashMap<>();
    private final List<String> asked = new ArrayList<>();
    private final List<String> requests = new ArrayList<>();
    private final OnvifLink link =
            new OnvifLink(new Patience(Duration.ofMinutes(1), Duration.ofMinutes(2), Duration.ofMinutes(2)));
    private HttpServer server;
    private String reason = "<s:Text>no</s:Text>";
    private String refusal = "e:ActionNotSupported";
    private int status = 200;

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", this::answer);
        server.start();
        answers.put("GetSystemDateAndTime", "<d:SystemDateAndTime/>");
        answers.put(
                "GetDeviceInformation",
                "<d:Manufacturer>Þýrð</d:Manufacturer><d:Model>Ý 4</d:Model>"
                        + "<d:FirmwareVersion>1</d:FirmwareVersion><d:SerialNumber>7</d:SerialNumber>");
        answers.put(
                "GetServices",
                service("http://www.onvif.org/ver10/device/wsdl", "/d")
                        + service("http://www.onvif.org/ver20/media/wsdl", "/m")
                        + service("http://www.onvif.org/ver20/analytics/wsdl", "/a")
                        + service("http://www.onvif.org/ver10/recording/wsdl", "/r")
                        + service("http://www.onvif.org/ver10/schedule/wsdl", "/c")
                        + "<d:Service><d:Namespace>http://www.onvif.org/ver20/ptz/wsdl</d:Namespace>"
                        + "<d:XAddr>http://[not an address]/</d:XAddr></d:Service>");
        // Analytics on the second profile alone, the standard's own names under another prefix.
        answers.put("GetProfiles", """
                <m:Profiles token="big"><m:Name>big</m:Name><m:Configurations><m:VideoSource token="v">\
                <onv:Name>Pier</onv:Name><onv:SourceToken>S1</onv:SourceToken></m:VideoSource></m:Configurations></m:Profiles>\
                <m:Profiles token="small"><m:Name>small</m:Name><m:Configurations><m:VideoSource token="v">\
                <onv:Name>Pier</onv:Name><onv:SourceToken>S1</onv:SourceToken></m:VideoSource><m:Analytics token="an">\
                <onv:AnalyticsEngineConfiguration><onv:AnalyticsModule Name="x" Type="onv:CellMotionEngine"><onv:Parameters>\
                <onv:SimpleItem Name="Sensitivity" Value="40"/></onv:Parameters></onv:AnalyticsModule>\
                </onv:AnalyticsEngineConfiguration><onv:RuleEngineConfiguration><onv:Rule Name="y" Type="onv:CellMotionDetector">\
                <onv:Parameters><onv:SimpleItem Name="MinCount" Value="9"/></onv:Parameters></onv:Rule>\
                </onv:RuleEngineConfiguration></m:Analytics></m:Configurations></m:Profiles>""");
        answers.put("GetRecordings", """
                <r:RecordingItem><onv:RecordingToken>R1</onv:RecordingToken><onv:Configuration><onv:Source>\
                <onv:SourceId>urn:x</onv:SourceId><onv:Name>Pier</onv:Name></onv:Source>\
                <onv:MaximumRetentionTime>P1M</onv:MaximumRetentionTime></onv:Configuration></r:RecordingItem>""");
        job(
                "top:VideoSource/MotionAlarm|top:Device/Trigger/DigitalInput",
                "http://www.onvif.org/ver10/schema/Receiver",
                "RX");
        answers.put(
                "GetScheduleList",
                "<c:Schedule token=\"sched\"><c:Name>n</c:Name><c:Standard>BEGIN:VCALENDAR\r\n"
                        + "VERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20240101T080000\r\nDTEND:20240101T200000\r\n"
                        + "RRULE:FREQ=DAILY\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n</c:Standard></c:Schedule>");
    }

    private void job(String topic, String type, String source) {
        answers.put("GetRecordingJobs", """
                <r:JobItem><onv:JobToken>J1</onv:JobToken><onv:JobConfiguration ScheduleToken="sched">\
                <onv:RecordingToken>R1</onv:RecordingToken><onv:Mode>Active</onv:Mode><onv:Priority>1</onv:Priority>\
                <onv:Source><onv:SourceToken Type="%s"><onv:Token>%s</onv:Token></onv:SourceToken></onv:Source>\
                <onv:EventFilter Before="P0Y0M0DT0H0M5S" After="PT1M"><onv:Filter><w:Topic>%s</w:Topic></onv:Filter></onv:EventFilter>\
                </onv:JobConfiguration></r:JobItem>""".formatted(type, source, topic));
    }

    private String service(String namespace, String path) {
        return "<d:Service><d:Namespace>" + namespace + "</d:Namespace><d:XAddr>http://10.9.8.7:99" + path
                + "</d:XAddr></d:Service>";
    }

    @AfterEach
    void stop() {
        server.stop(0);
        link.close();
    }

    private void answer(HttpExchange exchange) throws IOException {
        var request = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        var match = OPERATION.matcher(request);
        var operation = match.find() ? match.group(1) : "";
        asked.add(operation);
        requests.add(request);
        if (status == 403) {
            exchange.sendResponseHeaders(403, -1);
            exchange.close();
            return;
        }
        var content = answers.get(operation);
        var body = content == null
                ? "<s:Fault><s:Code><s:Value>s:Receiver</s:Value><s:Subcode><s:Value>" + refusal
                        + "</s:Value></s:Subcode></s:Code><s:Reason>" + reason + "</s:Reason></s:Fault>"
                : "<" + prefix(operation) + operation + "Response>" + content + "</" + prefix(operation) + operation
                        + "Response>";
        var bytes = ENVELOPE.formatted(body).getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", "application/soap+xml");
        exchange.sendResponseHeaders(content == null ? 500 : 200, bytes.length);
        exchange.getResponseBody().write(bytes);
        exchange.close();
    }

    private static String prefix(String operation) {
        return switch (operation) {
            case "GetProfiles", "GetAnalyticsConfigurations" -> "m:";
            case "GetRecordings", "GetRecordingJobs" -> "r:";
            case "GetScheduleList", "ModifySchedule" -> "c:";
            case "GetRuleOptions", "GetAnalyticsModuleOptions" -> "a:";
            default -> "d:";
        };
    }

    private RecorderAccess access(Optional<Family> family) {
        var at = URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/d");
        return new RecorderAccess("odd-1", at, "u", "p", family);
    }

    private static Family family() {
        return Families.shipped().named("tern").orElseThrow();
    }

    private RecorderReading.Channel channel() {
        var channels = link.read(access(Optional.of(family()))).channels();
        assertThat(channels).hasSize(1);
        return channels.getFirst();
    }

    private String held(String key) {
        return channel()
                .config()
                .get(new choir.policy.SettingKey(key))
                .map(NativeText::of)
                .orElse("not known");
    }

    @Test
    void jobsOfReceiversAnalyticsOfTheSecondProfileAndLongDurationsAreRead() {
        assertThat(channel().label()).isEqualTo("Pier");
        assertThat(held("motion.sensitivity")).isEqualTo("40");
        assertThat(held("motion.threshold")).isEqualTo("9");
        assertThat(held("recording.before-event")).isEqualTo("5");
        assertThat(held("recording.after-event")).isEqualTo("60");
        assertThat(held("recording.keep-at-most")).isEqualTo("30");
        assertThat(held("recording.week")).isEqualTo("daily none; daily 08:00-20:00 motion,alarm");
    }

    @Test
    void aJobThatBelongsToNobodyMakesTheWeekUnknownAndNotEmpty() {
        answers.put("GetRecordings", "");
        assertThat(held("recording.week")).isEqualTo("not known");
        assertThat(channel().notes()).anySatisfy(n -> assertThat(n).contains("belong to no channel"));
    }

    @ParameterizedTest
    @CsvSource({
        "GetRecordings, recording.keep-at-most",
        "GetRecordingJobs, recording.week",
        "GetScheduleList, recording.week",
        "GetAnalyticsConfigurations, recording.stream",
    })
    void anOperationThatIsMissingMakesUnknownWhatItWouldTell(String operation, String key) {
        answers.remove(operation);
        assertThat(held(key)).isEqualTo("not known");
        assertThat(held("motion.sensitivity")).isEqualTo("40");
    }

    @Test
    void anAnswerThatIsARefusalOfAnotherKindIsNotTakenForAMissingOperation() {
        answers.remove("GetRecordings");
        refusal = "e:Action";
        assertThatThrownBy(this::channel)
                .isInstanceOf(LinkException.class)
                .hasMessageContaining("odd-1 refused GetRecordings");
    }

    @ParameterizedTest
    @CsvSource({
        "<s:Text xml:lang='is'>nei</s:Text><s:Text xml:lang='en'>not now</s:Text>, not now (Action)",
        "<s:Text xml:lang='is'>nei</s:Text><s:Text xml:lang='en-GB'>not now</s:Text>, not now (Action)",
        "<s:Text xml:lang='is'>nei</s:Text>, nei (Action)",
        "<s:Text/>, no reason given (Action)",
    })
    void aRefusalIsToldInEnglishWhereItIsAndWithItsCode(String said, String told) {
        answers.remove("GetRecordings");
        refusal = "e:Action";
        reason = said;
        assertThatThrownBy(this::channel).hasMessageEndingWith("refused GetRecordings: " + told);
    }

    @ParameterizedTest
    @CsvSource({"e:NotAuthorized", "w:FailedAuthentication"})
    void aWrongPasswordIsCalledSoHoweverItIsSaid(String said) {
        answers.keySet().retainAll(java.util.Set.of("GetSystemDateAndTime", "GetServices"));
        refusal = said;
        assertThatThrownBy(this::channel).hasMessageContaining("does not take the user name and password");
    }

    @Test
    void anEmptyRefusalIsAWrongPassword() {
        status = 403;
        assertThatThrownBy(this::channel).hasMessageContaining("does not take the user name and password");
    }

    @Test
    void aLocalTimeAloneIsUnderstoodByTheRuleOfItsZone() {
        var local = java.time.ZonedDateTime.now(java.time.ZoneOffset.ofHours(5));
        var time = "<onv:Time><onv:Hour>%d</onv:Hour><onv:Minute>%d</onv:Minute><onv:Second>%d</onv:Second></onv:Time>"
                .formatted(local.getHour(), local.getMinute(), local.getSecond());
        var date = "<onv:Date><onv:Year>%d</onv:Year><onv:Month>%d</onv:Month><onv:Day>%d</onv:Day></onv:Date>"
                .formatted(local.getYear(), local.getMonthValue(), local.getDayOfMonth());
        var wall = "<onv:LocalDateTime>" + time + date + "</onv:LocalDateTime>";
        answers.put(
                "GetSystemDateAndTime",
                "<d:SystemDateAndTime><onv:TimeZone><onv:TZ>XYZ-5</onv:TZ></onv:TimeZone>" + wall
                        + "</d:SystemDateAndTime>");
        assertThat(link.read(access(Optional.of(family())))
                        .clockAhead()
                        .orElseThrow()
                        .abs())
                .isLessThan(Duration.ofMinutes(2));
        answers.put("GetSystemDateAndTime", "<d:SystemDateAndTime>" + wall + "</d:SystemDateAndTime>");
        assertThat(link.read(access(Optional.of(family()))).clockAhead()).isEmpty();
    }

    @Test
    void whatItSaysOfItselfIsUnderstoodUnderAnyPrefixAndWithoutTheOwnersName() {
        answers.put("GetRuleOptions", option("MinCount", "", 1, 100));
        answers.put(
                "GetAnalyticsModuleOptions", option("Sensitivity", "AnalyticsModule=\"onv:CellMotionEngine\"", 0, 10));
        var said = link.describe(access(Optional.empty()));
        var family = GenericFamily.of(said);
        assertThat(family.ability(Catalogue.SENSITIVITY)).isPresent();
        assertThat(family.ability(Catalogue.THRESHOLD)).isPresent();
        // Makes without Latin letters do not share a family.
        assertThat(family.name()).startsWith("generic-r-4-");
        answers.remove("GetRuleOptions");
        assertThat(GenericFamily.of(link.describe(access(Optional.empty()))).ability(Catalogue.SENSITIVITY))
                .isPresent();
    }

    private static String option(String name, String owner, int min, int max) {
        return "<a:Options Name=\"%s\" %s><onv:IntRange><onv:Min>%d</onv:Min><onv:Max>%d</onv:Max></onv:IntRange></a:Options>"
                .formatted(name, owner, min, max);
    }

    @ParameterizedTest
    @CsvSource({
        "PT5S, 5",
        "P0Y0M0DT0H0M5S, 5",
        "PT0.9S, 0",
        "P1D, 86400",
        "PT1M30S, 90",
        "P1Y, 31536000",
        "-PT5S, ''",
        "5, ''",
        "PT, ''"
    })
    void durationsAreReadInAllTheirForms(String text, String seconds) {
        assertThat(Durations.seconds(text).map(String::valueOf).orElse("")).isEqualTo(seconds);
    }

    @Test
    void whatIsPutIntoAScheduleStandsWhereItsTypeHasIt() {
        var schedule = Element.of("n", "Schedule", Element.of("n", "Standard", "x"), Element.of("n", "Extension", ""));
        assertThat(schedule.withAfter("Standard", List.of(Element.of("n", "SpecialDays", "")))
                        .children())
                .extracting(e -> e.name().getLocalPart())
                .containsExactly("Standard", "SpecialDays", "Extension");
    }
}
