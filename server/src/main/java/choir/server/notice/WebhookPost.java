package choir.server.notice;

import choir.server.stored.Json;
import jakarta.annotation.PreDestroy;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Posts an event in the structured JSON form of CloudEvents 1.0, with the digest of its content (RFC 9530) signed by HMAC
 * (RFC 9421), so that the receiver knows from whom it comes and that nothing was changed on the way.
 */
@Component
class WebhookPost {
    private static final Duration PATIENCE = Duration.ofSeconds(15);
    private static final String TYPE = "application/cloudevents+json; charset=utf-8";

    private final Clock clock;
    /** Made when something is sent for the first time, since it reads every authority that this machine trusts. */
    private @Nullable HttpClient http;

    WebhookPost(Clock clock) {
        this.clock = clock;
    }

    void send(Target.Webhook to, OutboxStore.Entry entry, String secret) throws NotSent {
        var body = event(entry).getBytes(StandardCharsets.UTF_8);
        var digest = "sha-256=:" + Base64.getEncoder().encodeToString(sha256(body)) + ":";
        var input = "(\"@method\" \"@target-uri\" \"content-type\" \"content-digest\");created="
                + clock.instant().getEpochSecond() + ";keyid=\"notice-"
                + entry.rule().orElseThrow() + "\";alg=\"hmac-sha256\"";
        var request = HttpRequest.newBuilder(to.address())
                .timeout(PATIENCE)
                .header("Content-Type", TYPE)
                .header("Content-Digest", digest)
                .header("Signature-Input", "choir=" + input)
                .header("Signature", "choir=:" + signature(base(to, digest, input), secret) + ":")
                .POST(BodyPublishers.ofByteArray(body))
                .build();
        int status = answered(to, request);
        if (status / 100 != 2) {
            throw new NotSent(to.address().getHost() + " answered " + status);
        }
    }

    /** Waits for the whole answer and no longer than a moment, however slowly it comes. */
    private int answered(Target.Webhook to, HttpRequest request) throws NotSent {
        var answer = http().sendAsync(request, BodyHandlers.discarding());
        try {
            return answer.get(PATIENCE.toSeconds(), TimeUnit.SECONDS).statusCode();
        } catch (ExecutionException e) {
            var why = e.getCause() == null ? e : e.getCause();
            throw new NotSent(to.address().getHost() + " does not answer: " + why.getMessage(), e);
        } catch (TimeoutException e) {
            answer.cancel(true);
            throw new NotSent(to.address().getHost() + " did not answer within " + PATIENCE.toSeconds() + " s", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new NotSent("the service stops", e);
        }
    }

    /** What is signed: the covered components, a line each, then the parameters (RFC 9421, section 2.5). */
    private static String base(Target.Webhook to, String digest, String input) {
        return "\"@method\": POST\n\"@target-uri\": " + to.address() + "\n\"content-type\": " + TYPE
                + "\n\"content-digest\": " + digest + "\n\"@signature-params\": " + input;
    }

    private static String event(OutboxStore.Entry entry) {
        var event = Json.object()
                .put("specversion", "1.0")
                .put("id", "outbox-" + entry.id())
                .put("source", "/choir")
                .put("type", "choir." + entry.kind())
                .put(
                        "time",
                        Instant.ofEpochMilli(entry.createdAt().toEpochMilli()).toString())
                .put("subject", entry.subject())
                .put("datacontenttype", "application/json");
        event.set("data", Json.tree(entry.facts()));
        return Json.text(event);
    }

    private static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String signature(String base, String secret) {
        try {
            var mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            return Base64.getEncoder().encodeToString(mac.doFinal(base.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private synchronized HttpClient http() {
        if (http == null) {
            http = HttpClient.newBuilder()
                    .connectTimeout(PATIENCE)
                    .followRedirects(HttpClient.Redirect.NEVER)
                    .build();
        }
        return http;
    }

    @PreDestroy
    synchronized void stop() {
        if (http != null) {
            http.shutdownNow();
        }
    }
}
