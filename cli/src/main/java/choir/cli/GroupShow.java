package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;

@Command(name = "show", description = "One group: how it stands, what is said at it, and the groups right below it.")
final class GroupShow extends Act {
    @Parameters(paramLabel = "GROUP", description = "such as terminals/haldr")
    private String group = "";

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var all = Listing.items(service.get("/api/v1/groups"));
        var path = Nodes.group(group);
        var own = all.stream()
                .filter(g -> Listing.text(g, "group").equals(path))
                .findFirst()
                .orElseThrow(
                        () -> new Failure(Failure.FAILED, "there is no group " + path + "; see: choir group list"));
        var node = "?node=" + Client.encode("group:" + path);
        var uses = service.get("/api/v1/uses" + node).path("templates");
        var overrides = service.get("/api/v1/overrides" + node);
        ObjectNode whole = ((ObjectNode) own).deepCopy();
        whole.set("uses", uses);
        whole.set("overrides", overrides);
        if (listing.isForPrograms(out(), whole, () -> List.of(own))) {
            return Failure.DONE;
        }
        say(ansi().string("@|bold " + path + "|@") + "  "
                + Texts.count(own.path("cameras").asInt(), "camera") + ": "
                + Listing.number(own, "inTune") + " in tune, " + Listing.number(own, "drifted") + " drifted, "
                + Listing.number(own, "waiting") + " waiting, " + Listing.number(own, "unknown") + " not read");
        say(uses.isEmpty() ? "uses no template of its own" : "uses " + Selections.list(uses));
        if (!overrides.isEmpty()) {
            say("");
            var table = new Table("setting", "says", "does", "until", "by", "because");
            overrides.forEach(o -> table.row(OverrideList.said(o)));
            table.print(out(), Table.terminalWidth());
        }
        var below = all.stream()
                .filter(g -> isChild(path, Listing.text(g, "group")))
                .toList();
        if (!below.isEmpty()) {
            say("");
            GroupList.table(below).print(out(), Table.terminalWidth());
        }
        return Failure.DONE;
    }

    private static boolean isChild(String path, String other) {
        return other.startsWith(path + "/") && other.indexOf('/', path.length() + 1) < 0;
    }
}
