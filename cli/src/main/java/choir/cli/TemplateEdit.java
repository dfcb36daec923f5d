package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "edit", description = "Change a template in your editor, or from a file.")
final class TemplateEdit extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String name = "";

    @Option(names = "--file", description = "take the new text from this file instead of the editor")
    private @Nullable Path file;

    @Override
    int run(Client service) {
        var path = "/api/v1/templates/" + Client.encode(name);
        var current = service.getWithVersion(path);
        var before = Listing.text(current.body(), "text");
        var after = file == null ? Editor.edit(name, before) : Texts.read(file);
        if (after.equals(before)) {
            say("nothing was changed");
            return Failure.DONE;
        }
        service.write("PUT", path, Map.of("text", after), current.version());
        say("changed " + name + "; see what it does with: choir preview template:" + name);
        return Failure.DONE;
    }
}
