package choir.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "save",
        description = "Write the whole policy into a folder; loading it again changes nothing.",
        footer =
                "With it go the families that were added here and where each camera stands, so that another service can begin"
                        + " with all of it.")
final class PolicySave extends Act {
    private static final String PLACINGS = "cameras.csv";

    @Parameters(paramLabel = "FOLDER")
    private Path folder = Path.of("");

    @Override
    int run(Client service) {
        List<JsonNode> files =
                new ArrayList<>(Listing.items(service.get("/api/v1/policy").path("files")));
        var families = families(service);
        files.addAll(families);
        files.add(file(PLACINGS, placings(service)));
        var others = PolicyFolder.write(folder, files);
        say("wrote " + Texts.count(files.size(), "file") + " into " + folder + "; elsewhere they are taken by:");
        for (var family : families) {
            say("  choir family add " + folder.resolve(Listing.text(family, "name")));
        }
        say("  choir policy load " + folder + " --new-groups");
        say("  choir camera import " + folder.resolve(PLACINGS) + "   once the recorders are added and read");
        others.forEach(o -> say("left alone, though a load of the folder would take it: " + o));
        return Failure.DONE;
    }

    private static JsonNode file(String name, String text) {
        return Client.JSON.valueToTree(Map.of("name", name, "text", text));
    }

    private static List<JsonNode> families(Client service) {
        return Listing.items(service.get("/api/v1/families")).stream()
                .filter(f -> !f.path("shipped").asBoolean())
                .map(f -> Listing.text(f, "name"))
                .map(name -> file(
                        PolicyFolder.FAMILIES + "/" + name + ".yaml",
                        Listing.text(service.get("/api/v1/families/" + Client.encode(name)), "text")))
                .toList();
    }

    private static String placings(Client service) {
        var text = new StringWriter();
        CameraExport.write(new PrintWriter(text), service, "");
        return text.toString();
    }
}
