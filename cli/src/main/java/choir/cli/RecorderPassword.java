package choir.cli;

import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "password", description = "Tell the service the recorder's user name and password anew.")
final class RecorderPassword extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--user", required = true, paramLabel = "NAME", description = "user name on the recorder")
    private String user = "";

    @Mixin
    private Password password = new Password();

    @Override
    int run(Client service) {
        service.write(
                "PUT",
                "/api/v1/recorders/" + Client.encode(name) + "/password",
                Map.of("user", user, "password", password.required()),
                Optional.empty());
        say("kept; try it with: choir recorder read " + name);
        return Failure.DONE;
    }
}
