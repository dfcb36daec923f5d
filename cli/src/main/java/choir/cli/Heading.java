package choir.cli;

import tools.jackson.databind.JsonNode;

/** The line above everything about one camera. */
final class Heading {
    private Heading() {}

    static String of(JsonNode view) {
        var row = view.path("row");
        var trouble = Listing.text(view, "trouble");
        var read = Times.of(Listing.text(view, "readAt"));
        return Listing.text(row, "camera") + "  " + Listing.text(row, "label") + "  (" + Listing.text(row, "deviceName")
                + ", " + Listing.text(view, "model") + ", firmware " + Listing.text(view, "firmware") + ")  "
                + (read.isEmpty() ? "not read yet" : "read " + read)
                + (trouble.isEmpty()
                        ? ""
                        : "\n" + trouble
                                + (read.isEmpty()
                                        ? ""
                                        : "; what it holds is as it was read "
                                                + Times.ago(Listing.text(view, "readAt"))));
    }
}
