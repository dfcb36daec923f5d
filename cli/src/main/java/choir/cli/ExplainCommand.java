package choir.cli;

import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
        name = "explain",
        description =
                "Every value of a camera: where it comes from, what it beat, what the recorder ought to hold and holds.")
final class ExplainCommand extends Act {
    @Parameters(index = "0", paramLabel = "CAMERA")
    private String camera = "";

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "KEY",
            description = "only this setting, such as recording.week")
    private @Nullable String key;

    @Option(
            names = "--at",
            paramLabel = "TIME",
            description = "what starts recording then, on the recorder's wall clock: 2027-03-28T01:30")
    private @Nullable String at;

    @Option(
            names = "--from",
            paramLabel = "DATE",
            description = "how long each trigger holds in real time from this date to before --to")
    private @Nullable String from;

    @Option(names = "--to", paramLabel = "DATE", description = "the day after the last; with --from")
    private @Nullable String to;

    @Option(names = "--ical", description = "print the week as iCalendar")
    private boolean ical;

    @Option(names = "--summary", description = "a line for each setting")
    private boolean summary;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (ical) {
            out().print(Listing.text(service.get(Client.camera(camera) + "/week"), "ical"));
            out().flush();
            return Failure.DONE;
        }
        if (at != null || from != null || to != null) {
            clock(service);
            return Failure.DONE;
        }
        var view = service.get(Client.camera(camera));
        if (key != null) {
            requireSetting(view, key);
            view = only(key, view);
        }
        var shown = view;
        if (listing.isForPrograms(out(), shown, () -> settings(shown))) {
            return Failure.DONE;
        }
        say(Heading.of(view));
        if (summary) {
            summed(view);
            return Failure.DONE;
        }
        for (var setting : view.path("settings")) {
            if (key != null || setting.has("asked") || setting.has("observed")) {
                setting(setting);
                switch (Listing.text(setting, "key")) {
                    case "recording.week" -> week(view.path("week"));
                    case "motion.areas" -> view.path("areas").forEach(this::area);
                    default -> {
                        // All of it was said.
                    }
                }
            }
        }
        for (var blocked : view.path("blocked")) {
            say("blocked  " + Listing.text(blocked, "key") + " of the " + Listing.text(blocked.path("origin"), "text")
                    + ": fixed by the " + Listing.text(blocked.path("fixedBy"), "text"));
        }
        return Failure.DONE;
    }

    /** The view with one setting, and with the week where that is asked for. */
    private static JsonNode only(String key, JsonNode view) {
        ObjectNode one = ((ObjectNode) view).deepCopy();
        for (var part : List.of("settings", "blocked")) {
            var about = view.path(part)
                    .valueStream()
                    .filter(s -> key.equals(Listing.text(s, "key")))
                    .toList();
            one.set(part, Client.JSON.createArrayNode().addAll(about));
        }
        if (!key.equals("recording.week")) {
            one.remove("week");
        }
        return one;
    }

    static List<JsonNode> settings(JsonNode view) {
        return view.path("settings")
                .valueStream()
                .<JsonNode>map(s -> Client.JSON
                        .createObjectNode()
                        .put("camera", Listing.text(view.path("row"), "camera"))
                        .setAll((ObjectNode) s))
                .toList();
    }

    /** What holds at a moment, and for how long what holds. */
    private void clock(Client service) {
        if (at != null) {
            var answer = service.get(Client.camera(camera) + "/clock?at=" + Client.encode(at));
            for (var moment : answer.path("moments")) {
                var calendar = Listing.text(moment, "calendar");
                var triggers = Listing.text(moment, "triggers");
                say(Listing.text(moment, "wallClock") + "  " + (triggers.isEmpty() ? "not governed" : triggers)
                        + (calendar.isEmpty() ? "" : "  (special day: " + calendar + ")"));
            }
            if (answer.path("moments").isEmpty()) {
                say(at + " does not exist on the wall clock of " + Listing.text(answer, "zone")
                        + ": the clock jumps over it");
            }
        }
        if (from != null && to != null) {
            var answer = service.get(
                    Client.camera(camera) + "/shares?from=" + Client.encode(from) + "&to=" + Client.encode(to));
            var table = new Table("triggers", "hours", "minutes");
            for (var share : answer.path("shares")) {
                long minutes = share.path("minutes").asLong();
                table.row(
                        Listing.text(share, "triggers"),
                        String.format(java.util.Locale.ROOT, "%.1f", minutes / 60.0),
                        Long.toString(minutes));
            }
            table.print(out(), Table.terminalWidth());
        } else if (from != null || to != null) {
            throw new Failure(Failure.WRONG_USAGE, "--from and --to go together");
        }
    }

    private static void requireSetting(JsonNode view, String key) {
        var keys = view.path("settings").values().stream()
                .map(s -> Listing.text(s, "key"))
                .toList();
        if (!keys.contains(key)) {
            throw new Failure(
                    Failure.FAILED, "\"" + key + "\" is not a setting; expected one of " + String.join(", ", keys));
        }
    }

    private void summed(JsonNode view) {
        var table = new Table("setting", "asked", "from", "recorder holds", "");
        for (var setting : view.path("settings")) {
            if (setting.has("asked") || setting.has("observed")) {
                table.row(
                        Listing.text(setting, "title"),
                        setting.has("asked") ? Listing.text(setting, "asked") : "not governed",
                        setting.path("origins")
                                .valueStream()
                                .map(o -> Listing.text(o, "text"))
                                .collect(Collectors.joining(", ")),
                        Listing.text(setting, setting.has("cannot") ? "cannot" : "observed"),
                        Listing.text(setting, "cause").isEmpty() ? "" : Listing.text(setting.path("mark"), "text"));
            }
        }
        say("");
        table.print(out(), Table.terminalWidth());
    }

    private void setting(JsonNode setting) {
        var asked = Listing.text(setting, "asked");
        say("");
        say(ansi().string("@|bold " + Listing.text(setting, "title") + "|@")
                + (asked.isEmpty()
                        ? "  not governed"
                        : "  " + asked + (setting.path("fixed").asBoolean() ? "  (fixed)" : "")));
        for (var origin : setting.path("origins")) {
            say("  from " + Listing.text(origin, "text") + because(origin));
        }
        for (var beaten : setting.path("beaten")) {
            say("  beat " + Listing.text(beaten, "value") + " from " + Listing.text(beaten.path("origin"), "text"));
        }
        var wanted = Listing.text(setting, "wanted");
        var held = Listing.text(setting, "observed");
        boolean isSo = !wanted.isEmpty() && wanted.equals(held);
        line("recorder ought to hold", isSo ? "" : wanted);
        line("cannot honour", Listing.text(setting, "cannot"));
        line("approximated", Listing.text(setting, "approximated"));
        line("recorder holds", isSo ? held + ", as it ought to" : held);
        if (!isSo && !Listing.text(setting, "cause").isEmpty()) {
            say("  " + Listing.text(setting.path("mark"), "text"));
        }
    }

    /** Where it is, what holds there, and who says so. */
    private void area(JsonNode area) {
        var shape = Listing.text(area, "shape");
        var where = area.path("points")
                .valueStream()
                .map(p -> Listing.items(p).stream().map(n -> n.asString("")).collect(Collectors.joining(",")))
                .collect(Collectors.joining(" "));
        say("    " + Listing.text(area, "kind") + " " + Listing.text(area, "name") + "  "
                + (shape.isEmpty() ? "without a shape" : where.isEmpty() ? shape : shape + " " + where)
                + also(area, "sensitivity") + also(area, "threshold") + "  from "
                + area.path("origins")
                        .valueStream()
                        .map(o -> Listing.text(o, "text"))
                        .collect(Collectors.joining(" and ")));
        area.path("cells").forEach(row -> say("      " + row.asString("")));
    }

    private static String also(JsonNode area, String key) {
        return area.hasNonNull(key) ? ", " + key + " " + Listing.text(area, key) : "";
    }

    private static String because(JsonNode origin) {
        var reason = Listing.text(origin, "because");
        var author = Listing.text(origin, "author");
        var until = Listing.text(origin, "until");
        return (author.isEmpty() ? "" : " by " + author)
                + (until.isEmpty() ? "" : " until " + until)
                + (reason.isEmpty() ? "" : ", because: " + reason);
    }

    private void line(String what, String text) {
        if (!text.isEmpty()) {
            say("  " + what + ": " + text);
        }
    }

    /** Where a window comes from is told when the week alone is asked for; there may be many. */
    private void window(JsonNode run) {
        var beaten = run.path("beaten");
        say("    " + Minutes.span(run) + " " + Listing.text(run, "triggers") + "  from "
                + Listing.text(run.path("origin"), "text")
                + (beaten.isEmpty() ? "" : ", beat " + Listing.text(beaten.path(0), "value")));
    }

    private void week(JsonNode week) {
        DrawnWeek.lines(week).forEach(line -> say("    " + line));
        if (key != null) {
            week.path("asked").forEach(this::window);
        }
        for (var difference : week.path("differences")) {
            say("    " + Listing.text(difference, "when") + ": ought to be " + Listing.text(difference, "wanted")
                    + ", holds " + Listing.text(difference, "observed"));
        }
    }
}
