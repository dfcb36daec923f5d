package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Add a family from its file, or replace one that was added before.")
final class FamilyAdd extends Act {
    private static final Pattern NAME = Pattern.compile("(?m)^family: *([^\\s#]+)");

    @Parameters(paramLabel = "FILE", description = "see: choir family show tern")
    private Path file = Path.of("");

    @Override
    int run(Client service) {
        var text = Texts.read(file);
        var name = NAME.matcher(text);
        if (!name.find()) {
            throw new Failure(Failure.FAILED, file + " names no family; expected a line such as \"family: skua\"");
        }
        service.write(
                "PUT", "/api/v1/families/" + Client.encode(name.group(1)), Map.of("text", text), Optional.empty());
        say("added the family " + name.group(1) + "; add a recorder of it with: choir recorder add --family "
                + name.group(1));
        return Failure.DONE;
    }
}
