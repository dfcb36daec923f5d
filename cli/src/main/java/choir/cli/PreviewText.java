package choir.cli;

import java.io.PrintWriter;
import java.util.LinkedHashSet;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** A preview for people. */
final class PreviewText {
    private PreviewText() {}

    static void print(PrintWriter out, JsonNode preview) {
        var table = new Table("camera", "label", "setting", "holds", "will hold", "from");
        for (var camera : preview.path("cameras")) {
            var name = Listing.text(camera, "camera");
            var label = Listing.text(camera, "label");
            for (var change : camera.path("changes")) {
                var before = Listing.text(change, "before");
                table.row(
                        name,
                        label,
                        Listing.text(change, "title"),
                        before.isEmpty() ? "-" : before,
                        Listing.text(change, "after"),
                        Listing.text(change, "origin"));
                name = "";
                label = "";
            }
        }
        if (!table.isEmpty()) {
            table.print(out, Table.terminalWidth());
            out.println();
        }
        notes(out, preview);
        int changing = preview.path("cameras").size();
        out.println(
                changing + " cameras would change, " + preview.path("inTune").asInt() + " hold what is asked, "
                        + preview.path("unread").size() + " are not known");
        if (changing > 0) {
            out.println("give it out with: choir rollout start --preview " + Listing.number(preview, "id"));
        }
        out.flush();
    }

    private static void notes(PrintWriter out, JsonNode preview) {
        Set<String> said = new LinkedHashSet<>();
        for (var camera : preview.path("cameras")) {
            camera.path("cannot")
                    .forEach(c -> said.add(
                            "not written: " + Listing.text(c, "why") + " (asked " + Listing.text(c, "asked") + ")"));
            camera.path("changes").forEach(c -> {
                if (!Listing.text(c, "approximated").isEmpty()) {
                    said.add("approximated: " + Listing.text(c, "title") + " of " + Listing.text(camera, "family")
                            + ": " + Listing.text(c, "approximated"));
                }
            });
        }
        preview.path("pauses")
                .forEach(r -> said.add(
                        r.asString("") + " stops recording on all its channels for some seconds while it is written"));
        preview.path("onSite")
                .forEach(r -> said.add(
                        r.asString("") + " has no network interface; see: choir sheet show " + r.asString("")));
        preview.path("leftAlone").forEach(words -> said.add("left out: " + words.asString("")));
        preview.path("unread")
                .forEach(u -> said.add("left out: " + Listing.text(u, "camera") + ": " + Listing.text(u, "why")));
        said.forEach(out::println);
    }
}
