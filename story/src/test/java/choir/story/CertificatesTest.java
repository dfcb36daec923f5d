package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;

/** A recorder by TLS from the first sight of its certificate to the day on which it is another. */
@TestInstance(Lifecycle.PER_CLASS)
class CertificatesTest {
    private Ensemble choir;
    private Map<String, Object> wish = Map.of();

    @BeforeAll
    void start() {
        choir = new Ensemble();
        choir.played("pier-1", "tern", 2);
        wish = new HashMap<>(Map.of(
                "name", "pier-1", "address", choir.secured("pier-1"), "user", "choir", "password", "secret-of-pier-1"));
    }

    @AfterAll
    void stop() {
        choir.close();
    }

    private void read() {
        choir.finish(choir.post("/api/v1/readings", Map.of("recorders", List.of("pier-1"))));
    }

    private String calls() {
        return choir.panel("pier-1?for=PT0S").split(" calls ")[1].split(" ")[0];
    }

    @Test
    void itIsSeenConfirmedLostAndConfirmedAgain() {
        var refused = choir.post("/api/v1/recorders", wish);
        assertThat(refused.status()).isEqualTo(502);
        var first = refused.body().path("fingerprint").asString("");
        assertThat(refused.detail()).contains("its certificate is not known here: SHA-256 " + first);
        assertThat(calls()).as("nothing was sent").isEqualTo("0");
        assertThat(choir.get("/api/v1/recorders").body()).isEmpty();
        var byHand = choir.choir(
                "recorder",
                "add",
                "pier-1",
                "--address",
                choir.secured("pier-1"),
                "--user",
                "choir",
                "--password-file",
                choir.file("secret-of-pier-1"));
        assertThat(byHand.exitCode()).isEqualTo(5);
        assertThat(byHand.errors()).contains("add --fingerprint " + first);

        wish.put("fingerprint", first.toLowerCase(java.util.Locale.ROOT).replace(":", ""));
        var added = choir.post("/api/v1/recorders", wish);
        assertThat(added.status()).as(added.detail()).isEqualTo(201);
        assertThat(added.body().path("certificate").asString()).isEqualTo(first);
        read();
        choir.audit();
        assertThat(choir.openSentences()).noneMatch(s -> s.contains("certificate"));

        choir.showCertificate("second");
        choir.restart();
        var before = calls();
        choir.audit();
        assertThat(calls()).as("nothing was sent").isEqualTo(before);
        assertThat(choir.openSentences())
                .filteredOn(s -> s.contains("another certificate than the one that was confirmed"))
                .singleElement()
                .asString()
                .contains("choir recorder certificate pier-1 --fingerprint ");
        var second = choir.openSentences().toString().split("--fingerprint ")[1].substring(0, first.length());
        assertThat(choir.choir("recorder", "certificate", "pier-1", "--fingerprint", "12:34")
                        .errors())
                .contains("is no fingerprint");
        var confirmed = choir.choir("recorder", "certificate", "pier-1", "--fingerprint", second);
        assertThat(confirmed.exitCode()).as(confirmed.errors()).isZero();
        choir.audit();
        assertThat(choir.openSentences()).noneMatch(s -> s.contains("certificate"));
        assertThat(choir.get("/api/v1/journal").body().toString())
                .contains("confirmed the certificate of a recorder", "before " + first);
    }

    @Test
    void aRecorderWithoutTlsHasNoCertificateToConfirm() {
        choir.recorder("pier-2", "tern", 1);
        var refused =
                choir.write("PUT", "/api/v1/recorders/pier-2/certificate", Map.of("fingerprint", "AB".repeat(32)));
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.detail()).contains("without TLS");
    }
}
