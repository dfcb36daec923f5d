package choir.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "export",
        description = "Write cameras as CSV, to change groups and tags in a spreadsheet and import them again.")
final class CameraExport extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Override
    int run(Client service) {
        write(out(), service, Selections.joined(words, ""));
        return Failure.DONE;
    }

    static void write(PrintWriter out, Client service, String selection) {
        var table = new Table(CameraCsv.COLUMNS.toArray(String[]::new));
        for (var c : service.all(Client.select("/api/v1/cameras", selection))) {
            table.row(
                    Listing.text(c, "camera"),
                    Listing.text(c, "label"),
                    Listing.text(c, "deviceName"),
                    Listing.text(c, "group"),
                    c.path("tags").values().stream().map(t -> t.asString("")).collect(Collectors.joining(" ")));
        }
        table.csv(out);
    }
}
