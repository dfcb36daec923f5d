package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "edit", description = "Make or change a calendar in your editor, or from a file.")
final class CalendarEdit extends Act {
    @Parameters(paramLabel = "CALENDAR")
    private String name = "";

    @Option(names = "--file", description = "take the new text from this file instead of the editor")
    private @Nullable Path file;

    @Override
    int run(Client service) {
        var path = "/api/v1/calendars/" + Client.encode(name);
        var known = Listing.items(service.get("/api/v1/calendars")).stream()
                .anyMatch(c -> Listing.text(c, "name").equals(name));
        Optional<Client.Answer> current = known ? Optional.of(service.getWithVersion(path)) : Optional.empty();
        var before = current.map(c -> Listing.text(c.body(), "text"))
                .orElse("calendar: " + name + "\ntitle: \ndates:\n  # - 2027-01-01\n  # - 12-25 yearly\n"
                        + "  # - 2027-06-28..2027-07-02\n");
        var after = file == null ? Editor.edit(name, before) : Texts.read(file);
        if (after.equals(before)) {
            say("nothing was changed");
            return Failure.DONE;
        }
        service.write("PUT", path, Map.of("text", after), current.flatMap(Client.Answer::version));
        say("wrote the calendar " + name);
        return Failure.DONE;
    }
}
