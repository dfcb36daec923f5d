package choir.cli;

import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "certificate",
        description = {
            "Confirm the certificate that a recorder shows by TLS.",
            "Compare the fingerprint with the one on the recorder's own screen first."
        })
final class RecorderCertificate extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--fingerprint", required = true, description = "its SHA-256, as the refusal shows it")
    private String fingerprint = "";

    @Override
    int run(Client service) {
        service.write(
                "PUT",
                "/api/v1/recorders/" + Client.encode(name) + "/certificate",
                Map.of("fingerprint", fingerprint),
                Optional.empty());
        say("confirmed; try it with: choir recorder read " + name);
        return Failure.DONE;
    }
}
