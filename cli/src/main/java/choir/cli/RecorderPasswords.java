package choir.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "passwords",
        description = {
            "Change the passwords at the recorders of a selection, and here.",
            "Without --password each gets one of its own that nobody needs to know. The old one counts until the recorder was"
                    + " seen to take the new one."
        })
final class RecorderPasswords extends Act {
    @Parameters(
            arity = "0..*",
            paramLabel = "SELECTION",
            description = "such as group:terminals/haldr; all without one")
    private List<String> selection = List.of();

    /** The same for each. */
    @Mixin
    private Password password = new Password();

    @Option(
            names = "--waves",
            split = ",",
            paramLabel = "PART",
            description = "recorders, or shares of them, before the rest (default: 1,10%%)")
    private List<String> waves = List.of();

    @Option(
            names = "--plain",
            description = "also recorders without TLS, where anybody on the way can read the new password")
    private boolean plain;

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("select", Selections.joined(selection, ""));
        body.put("plain", plain);
        password.given().ifPresent(word -> body.put("password", word));
        if (!waves.isEmpty()) {
            body.put("waves", waves);
        }
        var outlook = service.post("/api/v1/password-changes/outlook", body);
        print(outlook);
        int changed = outlook.path("changed").asInt();
        if (changed == 0) {
            throw new Failure(Failure.FAILED, "there is no password to change");
        }
        if (!yes && !Confirmation.given("Change " + changed + (changed == 1 ? " password?" : " passwords?"))) {
            say("nothing was changed; to go on without being asked add --yes");
            return Failure.DONE;
        }
        var ended = finish(service, service.post("/api/v1/password-changes", body));
        say(Listing.text(ended, "note"));
        return Listing.text(ended, "state").equals("done") ? Failure.DONE : Failure.FOUND;
    }

    private void print(JsonNode outlook) {
        var table = new Table("gets a new password", "user", "by TLS");
        Map<String, List<String>> leftOut = new LinkedHashMap<>();
        for (var line : outlook.path("recorders")) {
            var why = Listing.text(line, "why");
            var recorder = Listing.text(line, "recorder");
            if (why.isEmpty()) {
                table.row(recorder, Listing.text(line, "user"), line.path("tls").asBoolean() ? "yes" : "no");
            } else {
                leftOut.computeIfAbsent(why, w -> new ArrayList<>()).add(recorder);
            }
        }
        if (!table.isEmpty()) {
            table.print(out(), Table.terminalWidth());
        }
        leftOut.forEach((why, recorders) -> say("left out, since " + (recorders.size() == 1 ? "it " : "each ") + why
                + ": " + String.join(", ", recorders)));
        if (!plain && leftOut.keySet().stream().anyMatch(why -> why.contains("without TLS"))) {
            say("  (--plain includes those without TLS)");
        }
    }
}
