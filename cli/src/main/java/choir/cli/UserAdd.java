package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Let a person in; prints an invitation, once.")
final class UserAdd extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Mixin
    private Roles roles = new Roles();

    @Override
    int run(Client service) {
        if (!roles.isSaid()) {
            throw new Failure(Failure.WRONG_USAGE, "say what they may do, such as --role viewer");
        }
        Map<String, Object> body = roles.body();
        body.put("name", name);
        var invited = service.post("/api/v1/people", body);
        say(Invited.words(service.address(), invited));
        return Failure.DONE;
    }
}
