package choir.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a strict recorder refuses, told in the standard's codes, so that a careless client is found out. */
class StrictRequestsTest {
    private static final String SOAP = "http://www.w3.org/2003/05/soap-envelope";
    private final HttpClient http = HttpClient.newHttpClient();
    private Simulator simulator;

    @BeforeEach
    void start() {
        simulator = Simulator.start(0);
        simulator.add("tern", "tern", "choir", "harbour", 1);
        simulator.add("gannet", "gannet", "choir", "harbour", 1);
    }

    @AfterEach
    void stop() {
        simulator.close();
    }

    private HttpResponse<String> post(String recorder, String envelope, String authorization) throws Exception {
        var request =
                HttpRequest.newBuilder(simulator.address(recorder)).POST(HttpRequest.BodyPublishers.ofString(envelope));
        if (!authorization.isEmpty()) {
            request.header("Authorization", authorization);
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private static String header(String nonce, String created) throws Exception {
        var sha = MessageDigest.getInstance("SHA-1");
        sha.update(nonce.getBytes(StandardCharsets.UTF_8));
        sha.update((created + "harbour").getBytes(StandardCharsets.UTF_8));
        return "<s:Header><w:Security xmlns:w=\"http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-wssecurity-secext-1.0.xsd\">"
                + "<w:UsernameToken><w:Username>choir</w:Username><w:Password>"
                + Base64.getEncoder().encodeToString(sha.digest()) + "</w:Password><w:Nonce>"
                + Base64.getEncoder().encodeToString(nonce.getBytes(StandardCharsets.UTF_8)) + "</w:Nonce><c:Created"
                + " xmlns:c=\"http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-wssecurity-utility-1.0.xsd\">"
                + created + "</c:Created></w:UsernameToken></w:Security></s:Header>";
    }

    private static String envelope(String version, String header, String body) {
        return "<s:Envelope xmlns:s=\"" + version + "\" xmlns:tt=\"http://www.onvif.org/ver10/schema\""
                + " xmlns:tds=\"http://www.onvif.org/ver10/device/wsdl\" xmlns:trc=\"http://www.onvif.org/ver10/recording/wsdl\""
                + " xmlns:tse=\"http://www.onvif.org/ver10/search/wsdl\">" + header + "<s:Body>" + body
                + "</s:Body></s:Envelope>";
    }

    private HttpResponse<String> ask(String body) throws Exception {
        return post(
                "tern",
                envelope(
                        SOAP, header(UUID.randomUUID().toString(), Instant.now().toString()), body),
                "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "<GetDeviceInformation/>; UnknownAction",
                "<tds:GetDeviceInformations/>; ActionNotSupported",
                "<tt:GetDeviceInformation/>; ActionNotSupported",
                "<tds:GetServices/>; InvalidArgs",
                "<tds:GetServices><tt:IncludeCapability>true</tt:IncludeCapability></tds:GetServices>; InvalidArgs",
                "<tds:GetServices><tds:IncludeCapability>true</tds:IncludeCapability><tds:More/></tds:GetServices>; InvalidArgs",
                "<trc:SetRecordingJobMode><trc:Mode>Idle</trc:Mode><trc:JobToken>J01c10</trc:JobToken></trc:SetRecordingJobMode>; InvalidArgs",
                "<trc:GetRecordingJobState><trc:JobToken>a</trc:JobToken><trc:JobToken>b</trc:JobToken></trc:GetRecordingJobState>; InvalidArgs",
                "<tse:EndSearch><tse:SearchToken>T9</tse:SearchToken></tse:EndSearch>; InvalidToken"
            })
    void refusesWhatTheStandardDoesNotKnow(String body, String code) throws Exception {
        var answer = ask(body);
        assertThat(answer.statusCode()).isBetween(400, 500);
        assertThat(answer.body()).contains("ter:" + code).contains("<env:Fault>");
    }

    @Test
    void takesTheSameInOrder() throws Exception {
        assertThat(
                        ask("<trc:SetRecordingJobMode><trc:JobToken>J01c10</trc:JobToken><trc:Mode>Idle</trc:Mode></trc:SetRecordingJobMode>")
                                .statusCode())
                .isEqualTo(200);
    }

    @Test
    void speaksNoOlderVersionOfTheEnvelope() throws Exception {
        var answer = post(
                "tern", envelope("http://schemas.xmlsoap.org/soap/envelope/", "", "<tds:GetSystemDateAndTime/>"), "");
        assertThat(answer.body()).contains("env:VersionMismatch");
    }

    @Test
    void aProofOfThePasswordCountsOnce() throws Exception {
        var envelope = envelope(SOAP, header("once", Instant.now().toString()), "<tds:GetDeviceInformation/>");
        assertThat(post("tern", envelope, "").statusCode()).isEqualTo(200);
        assertThat(post("tern", envelope, "").body()).contains("ter:NotAuthorized");
    }

    private String answer(String challenge, String target, int count) throws Exception {
        var nonce = challenge.replaceFirst(".*nonce=\"([^\"]*)\".*", "$1");
        var one = md5("choir:recorder:harbour");
        var two = md5("POST:" + target);
        var nc = "%08x".formatted(count);
        return "Digest username=\"choir\", realm=\"recorder\", nonce=\"" + nonce + "\", uri=\"" + target
                + "\", qop=auth, nc=" + nc + ", cnonce=\"x\", response=\""
                + md5(one + ":" + nonce + ":" + nc + ":x:auth:" + two) + "\"";
    }

    private static String md5(String text) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance("MD5").digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aChallengeIsAnsweredForThisPathAndWithACountThatGrows() throws Exception {
        var envelope = envelope(SOAP, "", "<tds:GetDeviceInformation/>");
        var challenge = post("gannet", envelope, "")
                .headers()
                .firstValue("WWW-Authenticate")
                .orElseThrow();
        var path = URI.create(simulator.address("gannet").toString()).getPath();
        assertThat(post("gannet", envelope, answer(challenge, path, 1)).statusCode())
                .isEqualTo(200);
        assertThat(post("gannet", envelope, answer(challenge, path, 1)).statusCode())
                .as("a count that was used")
                .isEqualTo(401);
        assertThat(post("gannet", envelope, answer(challenge, "/gannet/media2", 2))
                        .statusCode())
                .as("an answer for another path")
                .isEqualTo(401);
        assertThat(post("gannet", envelope, answer(challenge, path, 7)).statusCode())
                .isEqualTo(200);
    }
}
