package choir.server.notice;

import static org.assertj.core.api.Assertions.assertThat;

import choir.drift.Severity;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Who is told, of what, when, and what becomes of it when nobody takes it. */
class NoticesTest {
    private record Event(Map<String, String> headers, byte[] body) {}

    private final GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
    private final BlockingQueue<Event> events = new LinkedBlockingQueue<>();
    private final AtomicInteger answer = new AtomicInteger(204);
    private HttpServer hook;
    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() throws Exception {
        mail.start();
        hook = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        hook.createContext("/", exchange -> {
            events.add(new Event(
                    Map.of(
                            "digest", exchange.getRequestHeaders().getFirst("Content-Digest"),
                            "input", exchange.getRequestHeaders().getFirst("Signature-Input"),
                            "signature", exchange.getRequestHeaders().getFirst("Signature"),
                            "type", exchange.getRequestHeaders().getFirst("Content-Type")),
                    exchange.getRequestBody().readAllBytes()));
            exchange.sendResponseHeaders(answer.get(), -1);
            exchange.close();
        });
        hook.start();
        service = TestService.start(
                "--choir.mail.host=127.0.0.1",
                "--choir.mail.port=" + mail.getSmtp().getPort());
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        fake = service.added("r1").channel("01", config(50)).channel("02", config(50));
        service.read();
        service.giveOut("");
    }

    @AfterEach
    void stop() {
        service.close();
        hook.stop(0);
        mail.stop();
    }

    private static NativeConfig config(int sensitivity) {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(sensitivity)));
    }

    private String hookAddress() {
        return "http://127.0.0.1:" + hook.getAddress().getPort() + "/choir";
    }

    private JsonNode add(Map<String, String> rule) {
        var added = service.post("/api/v1/notices", rule);
        assertThat(added.status()).as(added.detail()).isEqualTo(201);
        return added.body();
    }

    private JsonNode entry(String state) throws InterruptedException {
        for (int i = 0; i < 300; i++) {
            var entry = service.get("/api/v1/notices/outbox").body().path(0);
            if (entry.path("state").asString("").equals(state)
                    && (!state.equals("waiting") || entry.path("attempts").asInt() > 0)) {
                return entry;
            }
            Thread.sleep(100);
        }
        throw new AssertionError("nothing became " + state + ": "
                + service.get("/api/v1/notices/outbox").body());
    }

    @Test
    void anAuditThatFindsMuchSendsOneMail() throws Exception {
        add(Map.of("way", "mail", "target", "watch@skerry.example", "severity", "low"));
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(10));
        fake.turn("02", Catalogue.SENSITIVITY, NativeValue.number(99));
        service.audit();
        assertThat(mail.waitForIncomingEmail(30_000, 1)).isTrue();
        entry("sent");
        service.audit();
        assertThat(mail.getReceivedMessages())
                .as("what was known is not told again")
                .hasSize(1);
        var message = mail.getReceivedMessages()[0];
        assertThat(message.getSubject()).startsWith("2 new findings");
        assertThat(message.getHeader("Auto-Submitted")).containsExactly("auto-generated");
        assertThat(String.valueOf(message.getContent()))
                .contains("2  changed at the recorder", "r1/01", "r1/02", "less sensitive than asked");
    }

    @Test
    void whatIsBelowTheSeverityIsNotTold() {
        add(Map.of("way", "mail", "target", "watch@skerry.example", "severity", "high"));
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(10));
        service.audit();
        assertThat(service.get("/api/v1/notices/outbox").body()).isEmpty();
    }

    @Test
    void anEventIsSignedSoThatItsReceiverCanTell() throws Exception {
        var rule = add(Map.of("way", "webhook", "target", hookAddress(), "severity", "low"));
        var secret = rule.path("secret").asString();
        assertThat(service.get("/api/v1/notices").body().path(0).has("secret")).isFalse();
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(10));
        service.audit();
        var event = events.poll(30, TimeUnit.SECONDS);
        var told = JsonMapper.shared().readTree(event.body());
        assertThat(told.path("specversion").asString()).isEqualTo("1.0");
        assertThat(told.path("type").asString()).isEqualTo("choir.findings");
        assertThat(told.path("data").path("count").asInt()).isEqualTo(1);
        assertThat(event.headers().get("digest"))
                .isEqualTo("sha-256=:"
                        + Base64.getEncoder()
                                .encodeToString(
                                        MessageDigest.getInstance("SHA-256").digest(event.body()))
                        + ":");
        var input = event.headers().get("input").substring("choir=".length());
        var base = "\"@method\": POST\n\"@target-uri\": " + hookAddress() + "\n\"content-type\": "
                + event.headers().get("type") + "\n\"content-digest\": "
                + event.headers().get("digest")
                + "\n\"@signature-params\": " + input;
        var mac = Mac.getInstance("HmacSHA256");
        mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
        assertThat(event.headers().get("signature"))
                .isEqualTo("choir=:"
                        + Base64.getEncoder().encodeToString(mac.doFinal(base.getBytes(StandardCharsets.UTF_8)))
                        + ":");
    }

    @Test
    void whatNobodyTakesIsTriedAgainAndHoldsUpNobodyElse() throws Exception {
        answer.set(500);
        add(Map.of("way", "webhook", "target", hookAddress(), "severity", "low"));
        add(Map.of("way", "mail", "target", "watch@skerry.example", "severity", "low"));
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(10));
        service.audit();
        assertThat(mail.waitForIncomingEmail(30_000, 1)).isTrue();
        events.poll(30, TimeUnit.SECONDS);
        var outbox = service.bean(OutboxStore.class);
        OutboxStore.Entry failed;
        do {
            Thread.sleep(50);
            failed = outbox.newest(10).stream()
                    .filter(e -> e.kind().equals("findings") && e.state() == OutboxStore.State.WAITING)
                    .findFirst()
                    .orElseThrow();
        } while (failed.attempts() == 0);
        assertThat(failed.trouble()).contains("answered 500");
        assertThat(failed.nextAt()).isAfter(Instant.now());
        service.restart();
        answer.set(204);
        service.bean(OutboxStore.class).tryAgain(failed.id(), Instant.now(), "");
        var again = events.poll(30, TimeUnit.SECONDS);
        assertThat(JsonMapper.shared().readTree(again.body()).path("id").asString())
                .isEqualTo("outbox-" + failed.id());
    }

    @Test
    void aRolloutThatWasNotDoneIsTold() throws Exception {
        add(Map.of("way", "mail", "target", "watch@skerry.example"));
        service.load("template: house\nmotion: {sensitivity: 60}\n");
        fake.refusing.add("02");
        service.giveOut("");
        assertThat(mail.waitForIncomingEmail(30_000, 1)).isTrue();
        assertThat(mail.getReceivedMessages()[0].getSubject()).contains("Rollout", "1 verified", "1 failed");
    }

    @Test
    void aTestGoesOutAtOnce() throws Exception {
        var now = LocalTime.now(java.time.ZoneOffset.UTC);
        long id = add(Map.of(
                        "way",
                        "mail",
                        "target",
                        "watch@skerry.example",
                        "quietFrom",
                        now.minusHours(1).withNano(0).toString(),
                        "quietTo",
                        now.plusHours(1).withNano(0).toString()))
                .path("id")
                .asLong();
        assertThat(service.post("/api/v1/notices/" + id + "/test", Map.of()).status())
                .isEqualTo(202);
        assertThat(mail.waitForIncomingEmail(30_000, 1)).isTrue();
        assertThat(service.send("DELETE", "/api/v1/notices/" + id, null).status())
                .isEqualTo(204);
        assertThat(service.get("/api/v1/notices/outbox").body()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "mail    | nobody                      | no mail address",
                "mail    | a@b.example,c@d.example     | no mail address",
                "webhook | http://10.20.30.40/x        | https alone",
                "webhook | https://u:p@host.example/x  | a password in it",
                "webhook | ftp://127.0.0.1/x           | no address that takes events",
                "webhook | :::                         | no address",
                "pigeon  | loft                        | expected mail or webhook",
            })
    void aTargetThatIsNoneIsRefused(String way, String target, String words) {
        var refused = service.post("/api/v1/notices", Map.of("way", way, "target", target));
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.detail()).contains(words);
    }

    @ParameterizedTest
    @CsvSource({
        "22:00, 06:00, 2027-01-10T21:59:00Z, 2027-01-10T21:59:00Z",
        "22:00, 06:00, 2027-01-10T22:00:00Z, 2027-01-11T06:00:00Z",
        "22:00, 06:00, 2027-01-11T05:59:59Z, 2027-01-11T06:00:00Z",
        "22:00, 06:00, 2027-01-11T06:00:00Z, 2027-01-11T06:00:00Z",
        "12:00, 13:00, 2027-01-10T12:30:00Z, 2027-01-10T13:00:00Z",
        "00:00, 00:00, 2027-01-10T12:30:00Z, 2027-01-11T00:00:00Z",
    })
    void quietHoursHoldBackUntilTheirEnd(String from, String to, Instant now, Instant due) {
        var rule = new NoticeRule(
                1,
                new Target.Mail("watch@skerry.example"),
                Severity.LOW,
                Optional.of(new NoticeRule.Quiet(LocalTime.parse(from), LocalTime.parse(to))),
                "ada");
        assertThat(rule.due(now, ZoneId.of("UTC"))).isEqualTo(due);
    }
}
