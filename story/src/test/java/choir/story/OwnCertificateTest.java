package choir.story;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.cli.Main;
import choir.server.ChoirService;
import choir.sim.Simulator;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The console and the interface by TLS, with a certificate that is renewed while the service runs. */
class OwnCertificateTest {
    private static final char[] PASSWORD = "simulated".toCharArray();

    @TempDir
    private Path folder;

    private static KeyStore store() throws Exception {
        var store = KeyStore.getInstance("PKCS12");
        try (var in = Simulator.class.getResourceAsStream("certificates.p12")) {
            store.load(in, PASSWORD);
        }
        return store;
    }

    private static String pem(String kind, byte[] content) {
        return "-----BEGIN " + kind + "-----\n"
                + Base64.getMimeEncoder(64, new byte[] {'\n'}).encodeToString(content) + "\n-----END " + kind
                + "-----\n";
    }

    private Path certificate(String alias, String name) throws Exception {
        return Files.writeString(
                folder.resolve(name),
                pem("CERTIFICATE", store().getCertificate(alias).getEncoded()));
    }

    private Path put(String alias) throws Exception {
        Files.writeString(
                folder.resolve("tls.key"),
                pem("PRIVATE KEY", store().getKey(alias, PASSWORD).getEncoded()));
        return certificate(alias, "tls.crt");
    }

    private Ensemble.Said choir(String address, Path authority, String... words) {
        var out = new StringWriter();
        var errors = new StringWriter();
        int code = Main.run(
                Map.of(
                        "CHOIR_URL", address,
                        "CHOIR_CA", authority.toString(),
                        "CHOIR_HOME", folder.resolve("client").toString()),
                new PrintWriter(out),
                new PrintWriter(errors),
                words);
        return new Ensemble.Said(code, out.toString(), errors.toString());
    }

    @Test
    void theClientKnowsItByWhoVouchesForItAndARenewedOneIsTakenWithoutARestart() throws Exception {
        put("first");
        var first = certificate("first", "first.pem");
        var second = certificate("second", "second.pem");
        var password = Files.writeString(folder.resolve("password"), Ensemble.PASSWORD + "\n");
        var service = Running.Within.start(options(
                "--choir.tls.certificate=" + folder.resolve("tls.crt"),
                "--choir.tls.key=" + folder.resolve("tls.key"),
                "--spring.ssl.bundle.watch.file.quiet-period=200ms"));
        try {
            var address = service.address().toString().replace("http:", "https:");
            var signedIn =
                    choir(address, first, "login", "--user", Ensemble.ADMIN, "--password-file", password.toString());
            assertThat(signedIn.exitCode()).as(signedIn.errors()).isZero();
            assertThat(choir(address, first, "status").exitCode()).isZero();
            var stranger = choir(address, second, "status");
            assertThat(stranger.exitCode()).isEqualTo(5);
            assertThat(stranger.errors()).contains("cannot be told from another by its certificate", "CHOIR_CA");
            put("second");
            while (choir(address, second, "status").exitCode() != 0) {
                Thread.sleep(200);
            }
            assertThat(choir(address, first, "status").exitCode()).isEqualTo(5);
            assertThat(choir(address, folder.resolve("tls.key"), "status").errors())
                    .contains("CHOIR_CA", "tls.key");
        } finally {
            service.stop();
        }
    }

    @Test
    void halfOfItAndWhatIsNoSettingAtAllKeepItFromStarting() {
        assertThatThrownBy(() -> start("--choir.tls.certificate=" + folder.resolve("tls.crt")))
                .hasStackTraceContaining("are set together");
        assertThatThrownBy(() -> start("--choir.data=" + folder.resolve("another")))
                .hasStackTraceContaining("--choir.data is given 2 times");
        assertThat(folder.resolveSibling(folder.getFileName() + ",")).doesNotExist();
        assertThatThrownBy(() -> start("--choir.actvity-days=3")).hasStackTraceContaining("choir.actvity-days");
    }

    private void start(String option) {
        ChoirService.application().run(options(option, "--server.port=0").toArray(String[]::new));
    }

    private List<String> options(String... more) {
        return java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(
                                "--choir.data=" + folder.resolve("data"),
                                "--choir.setup.user=" + Ensemble.ADMIN,
                                "--choir.setup.password=" + Ensemble.PASSWORD,
                                "--logging.level.root=off"),
                        java.util.stream.Stream.of(more))
                .toList();
    }
}
