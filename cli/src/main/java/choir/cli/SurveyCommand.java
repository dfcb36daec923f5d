package choir.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "survey",
        description = "What is really set today: the few variants of each setting, and the odd ones out.",
        footer =
                "--write makes policy files that describe the groups as they are; loaded and given out, they change nothing.")
final class SurveyCommand extends Act {
    private static final int NAMES = 4;

    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Mixin
    private Listing listing = new Listing();

    @Option(names = "--write", paramLabel = "FOLDER", description = "write the proposal as policy files")
    private @Nullable Path folder;

    @Option(names = "--summary", description = "of each setting only how many variants there are")
    private boolean summary;

    @Override
    int run(Client service) {
        var survey = service.get(Client.select("/api/v1/survey", Selections.joined(words, "")));
        if (!listing.isForPrograms(out(), survey, () -> variants(survey))) {
            print(survey);
        }
        if (folder != null) {
            PolicyFolder.write(folder, survey.path("proposal"));
            say("wrote " + survey.path("proposal").size() + " files into " + folder
                    + "; load them with: choir policy load " + folder);
        }
        return Failure.DONE;
    }

    private static List<JsonNode> variants(JsonNode survey) {
        return survey.path("settings")
                .valueStream()
                .flatMap(s -> Records.under(s, List.of("family", "key", "title"), "variants").stream())
                .toList();
    }

    private void print(JsonNode survey) {
        var table = summary ? counts(survey) : values(survey);
        table.print(out(), Table.terminalWidth());
        say(survey.path("cameras").asInt() + " cameras surveyed"
                + (survey.path("unread").isEmpty() ? "" : "; not known: " + Selections.list(survey.path("unread"))));
    }

    private static Table counts(JsonNode survey) {
        var table = new Table("family", "setting", "cameras", "variants", "most hold", "share", "odd ones out");
        for (var setting : survey.path("settings")) {
            var most = setting.path("variants").path(0);
            int all = setting.path("cameras").asInt();
            table.row(
                    Listing.text(setting, "family"),
                    Listing.text(setting, "title"),
                    Integer.toString(all),
                    Integer.toString(setting.path("variants").size()),
                    Listing.text(most, "value"),
                    most.path("count").asInt() * 100 / all + "%",
                    Integer.toString(setting.path("oddOnesOut").size()));
        }
        return table;
    }

    private static Table values(JsonNode survey) {
        var table = new Table("family", "setting", "value", "cameras", "share", "", "which");
        for (var setting : survey.path("settings")) {
            var family = Listing.text(setting, "family");
            var title = Listing.text(setting, "title");
            int all = setting.path("cameras").asInt();
            var odd = setting.path("oddOnesOut").values();
            for (var variant : setting.path("variants")) {
                int count = variant.path("count").asInt();
                boolean stray = odd.contains(variant);
                table.row(
                        family,
                        title,
                        Listing.text(variant, "value"),
                        Integer.toString(count),
                        count * 100 / all + "%",
                        stray ? "odd" : variant.path("factory").asBoolean() ? "factory" : "",
                        stray || count <= NAMES ? names(variant, count) : "");
                family = "";
                title = "";
            }
        }
        return table;
    }

    private static String names(JsonNode variant, int count) {
        var first = variant.path("cameras").values().stream()
                .limit(NAMES)
                .map(n -> n.asString(""))
                .collect(Collectors.joining(", "));
        return count > NAMES ? first + ", …" : first;
    }
}
