package choir.cli;

import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** A preview for people. */
final class PreviewText {

    private PreviewText() {}

    /** How much is said of what would change. */
    enum Detail {
        /** How many of which setting. */
        SUMMARY,
        /** Equal changes once. */
        FOLDED,
        /** Each camera with each of its changes. */
        ALL
    }

    static void print(PrintWriter out, JsonNode preview, Detail detail) {
        int changing = preview.path("cameras").size();
        proof(out, preview.path("proof"));
        if (changing > 0) {
            price(out, preview);
            var table = switch (detail) {
                case SUMMARY -> bySetting(preview);
                case FOLDED -> folded(preview);
                case ALL -> byCamera(preview);
            };
            table.print(out, Table.terminalWidth());
            out.println();
        }
        notes(out, preview);
        out.println(Texts.count(changing, "camera") + " would change, "
                + preview.path("inTune").asInt() + (preview.path("inTune").asInt() == 1 ? " holds" : " hold")
                + " what is asked, " + preview.path("unread").size()
                + (preview.path("unread").size() == 1 ? " is not known" : " are not known"));
        if (changing > 0) {
            out.println("give it out with: choir rollout start --preview " + Listing.number(preview, "id"));
        }
        out.flush();
    }

    /** What it does to moments that must not be missed, before anything else. */
    static void proof(PrintWriter out, JsonNode proof) {
        int wanted = proof.path("wanted").asInt();
        for (var why : proof.path("untried")) {
            out.println("not tried: " + why.asString(""));
        }
        if (wanted == 0) {
            return;
        }
        var lost = proof.path("lost");
        long fresh =
                lost.valueStream().filter(l -> l.path("caughtNow").asBoolean()).count();
        if (lost.isEmpty()) {
            out.println("Catches " + (wanted == 1 ? "the one wanted moment" : "all " + wanted + " wanted moments")
                    + " that " + (wanted == 1 ? "is" : "are") + " marked on clips.");
        } else {
            out.println("Would miss " + lost.size() + " of " + Texts.count(wanted, "wanted moment")
                    + (fresh == lost.size() ? "" : " (" + fresh + " of them caught now)") + ":");
            for (var moment : lost) {
                out.println("  " + Listing.text(moment, "name") + ", " + Times.of(Listing.text(moment, "at"))
                        + ": its level is "
                        + Shares.percent(moment.path("level").asDouble()) + ", the threshold "
                        + Shares.percent(moment.path("threshold").asDouble())
                        + (moment.path("caughtNow").asBoolean() ? "" : "; missed already"));
            }
            if (fresh > 0) {
                out.println("  it is given out only by naming each with --may-miss");
            }
        }
        out.println();
    }

    /** What it comes to, before what it is. */
    private static void price(PrintWriter out, JsonNode preview) {
        var price = preview.path("price");
        out.println(Texts.count(price.path("settings").asInt(), "value") + " on "
                + Texts.count(price.path("cameras").asInt(), "camera") + " of "
                + Texts.count(price.path("recorders").asInt(), "recorder") + ".");
        for (var effect : price.path("effects")) {
            out.println("  " + (isTime(effect) ? "time a week" : Listing.text(effect, "measure")) + ": "
                    + amount(effect, "more") + " more and "
                    + amount(effect, "less") + " less, on "
                    + Texts.count(effect.path("cameras").asInt(), "camera"));
        }
        var before = price.path("before");
        var after = price.path("after");
        out.printf(
                Locale.ROOT,
                "  recorded: %,.0f -> %,.0f hours a week, %s -> %s a day%n  (%s)%n",
                before.path("hoursAWeek").asDouble(),
                after.path("hoursAWeek").asDouble(),
                Sizes.words(before.path("bytesADay").asDouble()),
                Sizes.words(after.path("bytesADay").asDouble()),
                Listing.text(price, "assumed"));
        for (var store : price.path("stores")) {
            out.println("  " + kept(store));
        }
        for (var pause : preview.path("pauses")) {
            out.println("  " + pause(pause));
        }
        out.println();
    }

    /** How long footage lives on a store, before and after. */
    private static String kept(JsonNode store) {
        var name =
                Listing.text(store, "recorder") + (store.hasNonNull("store") ? " " + Listing.text(store, "store") : "");
        var wanted = store.hasNonNull("wanted") ? store.path("wanted").asInt() + " wanted" : "none wanted";
        if (!store.hasNonNull("after")) {
            return name + " keeps footage for nobody knows how long (" + wanted + "); say how large it is by:"
                    + " choir recorder store " + Listing.text(store, "recorder");
        }
        return name + " keeps " + days(store.path("before")) + " -> " + days(store.path("after")) + " days (" + wanted
                + ")"
                + switch (Listing.text(store, "verdict")) {
                    case "TOO_SHORT" -> ": too short";
                    case "CLOSE" -> ": may be too short";
                    default -> "";
                };
    }

    private static String days(JsonNode range) {
        return range.hasNonNull("likely")
                ? String.format(
                        Locale.ROOT, "%,.0f", Math.floor(range.path("likely").asDouble()))
                : "any number of";
    }

    private static String pause(JsonNode pause) {
        var recorders = pause.path("recorders").values().stream()
                .map(r -> r.asString(""))
                .toList();
        var one = recorders.size() == 1 ? recorders.getFirst() : "";
        var whole = (one.isEmpty() ? "each of " : "") + Texts.names(recorders) + " records nothing on any channel";
        var camera = "each camera of " + Texts.names(recorders) + " records nothing";
        return (pause.path("allChannels").asBoolean() ? whole : camera) + " while it is written: "
                + measured(pause.path("last"), one);
    }

    private static String measured(JsonNode last, String recorder) {
        if (last.isMissingNode() || last.isNull()) {
            return "some seconds, not measured yet";
        }
        var at = Listing.text(last, "recorder");
        var where = (at.equals(recorder) ? "" : "at " + at + ", ") + Times.of(Listing.text(last, "at"));
        if (!last.hasNonNull("gapSeconds")) {
            return String.format(
                    Locale.ROOT,
                    "not measured; the calls took %.1f s the last time (%s)",
                    last.path("writingSeconds").asDouble(),
                    where);
        }
        double gap = last.path("gapSeconds").asDouble();
        return gap == 0
                ? "no gap was seen the last time (" + where + ")"
                : String.format(
                        Locale.ROOT,
                        "%.1f s for %s the last time (%s)",
                        gap,
                        Texts.count(last.path("cameras").asInt(), "camera"),
                        where);
    }

    private static String amount(JsonNode effect, String name) {
        long amount = effect.path(name).decimalValue().longValue();
        return isTime(effect) ? Minutes.duration(amount) : String.format(Locale.ROOT, "%,d", amount);
    }

    private static boolean isTime(JsonNode effect) {
        return Listing.text(effect, "measure").equals("minutes a week");
    }

    private static Table bySetting(JsonNode preview) {
        var table = new Table("setting", "cameras", "recorders", "different changes");
        preview.path("folds")
                .valueStream()
                .collect(Collectors.groupingBy(f -> Listing.text(f, "title"), LinkedHashMap::new, Collectors.toList()))
                .forEach((title, folds) -> {
                    var cameras = folds.stream()
                            .flatMap(f -> f.path("cameras").valueStream())
                            .map(c -> c.asString(""))
                            .collect(Collectors.toSet());
                    long recorders = cameras.stream()
                            .map(c -> c.substring(0, c.indexOf('/')))
                            .distinct()
                            .count();
                    table.row(
                            title,
                            Integer.toString(cameras.size()),
                            Long.toString(recorders),
                            Integer.toString(folds.size()));
                });
        return table;
    }

    private static Table folded(JsonNode preview) {
        var table = new Table("cameras", "family", "setting", "holds", "will hold", "from", "on");
        for (var fold : preview.path("folds")) {
            var cameras = fold.path("cameras").values().stream()
                    .map(c -> c.asString(""))
                    .toList();
            table.row(
                    Integer.toString(cameras.size()),
                    Listing.text(fold, "family"),
                    Listing.text(fold, "title"),
                    orDash(Listing.text(fold, "before")),
                    Listing.text(fold, "after"),
                    Listing.text(fold, "origin"),
                    Texts.few(cameras));
        }
        return table;
    }

    private static String orDash(String text) {
        return text.isEmpty() ? "-" : text;
    }

    private static Table byCamera(JsonNode preview) {
        var table = new Table("camera", "label", "setting", "holds", "will hold", "from");
        for (var camera : preview.path("cameras")) {
            var name = Listing.text(camera, "camera");
            var label = Listing.text(camera, "label");
            for (var change : camera.path("changes")) {
                table.row(
                        name,
                        label,
                        Listing.text(change, "title"),
                        orDash(Listing.text(change, "before")),
                        Listing.text(change, "after"),
                        Listing.text(change, "origin"));
                name = "";
                label = "";
            }
        }
        return table;
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
        preview.path("onSite")
                .forEach(r -> said.add(
                        r.asString("") + " has no network interface; see: choir sheet show " + r.asString("")));
        preview.path("leftAlone").forEach(words -> said.add("left out: " + words.asString("")));
        preview.path("unread")
                .forEach(u -> said.add("left out: " + Listing.text(u, "camera") + ": " + Listing.text(u, "why")));
        said.forEach(out::println);
    }
}
