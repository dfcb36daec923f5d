package choir.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "compare",
        description = "Two spans of days beside each other, such as before and after a change: what one day comes to.",
        footer = "Only cameras of which both are known are counted. Asks no recorder.")
final class ActivityCompare extends Act {
    private static final Map<String, String> REASONS = reasons();

    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Option(names = "--before", required = true, paramLabel = "DAYS", description = "such as 2026-11-01..2026-11-07")
    private String before = "";

    @Option(names = "--after", required = true, paramLabel = "DAYS", description = "such as 2026-11-08..2026-11-14")
    private String after = "";

    @Mixin
    private Listing listing = new Listing();

    private static Map<String, String> reasons() {
        Map<String, String> reasons = new LinkedHashMap<>();
        reasons.put("continuous", "  continuous");
        reasons.put("motion", "  motion");
        reasons.put("alarm", "  alarm");
        reasons.put("analytics", "  analytics rule");
        reasons.put("motionAndAlarm", "  motion with an alarm");
        reasons.put("unexplained", "  not explained");
        return reasons;
    }

    @Override
    int run(Client service) {
        Map<String, String> query = new LinkedHashMap<>();
        query.put("select", Selections.joined(words, ""));
        query.put("before", before);
        query.put("after", after);
        var view = service.get("/api/v1/activity/comparison" + Client.query(query));
        if (listing.isJson()) {
            say(view.toPrettyString());
            return Failure.DONE;
        }
        var then = view.path("before");
        var now = view.path("after");
        if (!listing.isTable()) {
            csv(then, now);
            return Failure.DONE;
        }
        int cameras = view.path("cameras").asInt();
        if (cameras == 0) {
            say("of no camera both spans are known; ask the recorders by: choir activity read");
            return Failure.DONE;
        }
        var table = new Table("a day, of " + Texts.count(cameras, "camera"), span(then), span(now), "change");
        hours(table, "recorded", then.path("hours"), now.path("hours"));
        REASONS.forEach((key, word) -> {
            var one = then.path("by").path(key);
            var other = now.path("by").path(key);
            if (one.asDouble() != 0 || other.asDouble() != 0) {
                hours(table, word, one, other);
            }
        });
        hours(table, "missing", then.path("missingHours"), now.path("missingHours"));
        table.row(
                "motion began",
                Long.toString(Math.round(then.path("events").asDouble())),
                Long.toString(Math.round(now.path("events").asDouble())),
                change(then.path("events").asDouble(), now.path("events").asDouble()));
        hours(table, "something moved", then.path("movedHours"), now.path("movedHours"));
        if (view.path("measured").asInt() > 0) {
            table.row(
                    "on disks"
                            + (view.path("measured").asInt() < cameras ? " (" + view.path("measured") + " told)" : ""),
                    Sizes.words(then.path("bytes").asDouble()),
                    Sizes.words(now.path("bytes").asDouble()),
                    change(then.path("bytes").asDouble(), now.path("bytes").asDouble()));
        }
        table.print(out(), Table.terminalWidth());
        for (var camera : view.path("most")) {
            say("  " + Listing.text(camera, "camera") + " " + Listing.text(camera, "label") + ": "
                    + camera.path("before").asDouble() + " -> "
                    + camera.path("after").asDouble() + " h a day");
        }
        if (view.path("left").asInt() > 0) {
            say("not counted, since one of the two is not known: "
                    + Texts.count(view.path("left").asInt(), "camera"));
        }
        return Failure.DONE;
    }

    private static String span(JsonNode span) {
        var from = Listing.text(span, "from");
        var until = Listing.text(span, "until");
        return from.equals(until) ? from : from + " to " + until;
    }

    private static void hours(Table table, String what, JsonNode before, JsonNode after) {
        table.row(what, length(before), length(after), change(before.asDouble(), after.asDouble()));
    }

    private static String length(JsonNode hours) {
        return hours.asDouble() == 0 ? "none" : DrawnDays.length(Math.round(hours.asDouble() * 3_600));
    }

    private static String change(double before, double after) {
        if (before == 0) {
            return after == 0 ? "" : "new";
        }
        long percent = Math.round(100 * (after - before) / before);
        return percent == 0 ? "" : (percent > 0 ? "+" : "") + percent + " %";
    }

    private void csv(JsonNode then, JsonNode now) {
        var table = new Table(
                "from",
                "until",
                "hours",
                "continuous",
                "motion",
                "alarm",
                "analytics",
                "motionAndAlarm",
                "unexplained",
                "events",
                "movedHours",
                "missingHours",
                "bytes");
        for (var span : List.of(then, now)) {
            var by = span.path("by");
            table.row(
                    Listing.text(span, "from"),
                    Listing.text(span, "until"),
                    span.path("hours").toString(),
                    by.path("continuous").toString(),
                    by.path("motion").toString(),
                    by.path("alarm").toString(),
                    by.path("analytics").toString(),
                    by.path("motionAndAlarm").toString(),
                    by.path("unexplained").toString(),
                    span.path("events").toString(),
                    span.path("movedHours").toString(),
                    span.path("missingHours").toString(),
                    Long.toString(Math.round(span.path("bytes").asDouble())));
        }
        table.csv(out());
    }
}
