package choir.cli;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "forecast",
        description =
                "How much is put on disks and for how long it stays there: as recorders are set, and once policy is given"
                        + " out.",
        footer = "Exits with 3 when footage would not live as long as is wanted. How large a store is says:"
                + " choir recorder store")
final class ForecastCommand extends Act {
    private static final int SHOWN = 20;
    private static final int MOST = 1_000;

    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Option(
            names = "--with",
            paramLabel = "FILE",
            description = "as if this policy file, or those of this folder, were taken; changes nothing")
    private List<Path> with = List.of();

    @Option(names = "--all", description = "every store, and not the " + SHOWN + " most urgent alone")
    private boolean all;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        Map<String, Object> asked = new HashMap<>();
        asked.put("select", Selections.joined(words, ""));
        asked.put("files", with.isEmpty() ? List.of() : PolicyFolder.read(with));
        asked.put("limit", all || !listing.isTable() ? MOST : SHOWN);
        var forecast = service.post("/api/v1/forecasts", asked);
        if (listing.isJson()) {
            out().println(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(forecast));
            out().flush();
        } else if (listing.isTable()) {
            print(forecast);
        } else {
            csv(forecast);
        }
        return forecast.path("verdicts").path("TOO_SHORT").asInt() > 0 ? Failure.FOUND : Failure.DONE;
    }

    private void print(JsonNode forecast) {
        var now = Sizes.words(forecast.path("now").path("allBytesADay"));
        var then = Sizes.words(forecast.path("then").path("allBytesADay"));
        int counted =
                forecast.path("cameras").asInt() - forecast.path("unknown").asInt();
        say(Texts.count(counted, "camera") + (counted == 1 ? " puts " : " put ") + now + " a day on "
                + Texts.count(forecast.path("stores").asInt(), "store")
                + (then.equals(now) ? "" : "; " + then + " a day " + when()) + ".");
        say("  " + triggers(forecast.path(with.isEmpty() ? "now" : "then")));
        say("  (" + Listing.text(forecast, "basis") + ")");
        int unknown = forecast.path("unknown").asInt();
        if (unknown > 0) {
            say("  " + Texts.count(unknown, "camera") + " of which nobody knows when "
                    + (unknown == 1 ? "it records is" : "they record are") + " not counted");
        }
        out().println();
        stores(forecast);
        var table = new Table("takes the most room", "label", "a day", "hours a day", "by", "bits a second");
        for (var camera : forecast.path("costliest")) {
            table.row(
                    Listing.text(camera, "camera"),
                    Listing.text(camera, "label"),
                    Sizes.words(camera.path("bytesADay")),
                    String.format(
                            Locale.ROOT,
                            "%.1f",
                            camera.path("hoursADay").path("likely").asDouble()),
                    String.join(", ", camera.path("byTrigger").propertyNames()).replace('-', ' '),
                    String.format(
                                    Locale.ROOT,
                                    "%.1f Mbit/s ",
                                    camera.path("bits").path("likely").asDouble() / 1e6)
                            + Listing.text(camera, "basis").toLowerCase(Locale.ROOT));
        }
        if (!table.isEmpty()) {
            out().println();
            table.print(out(), Table.terminalWidth());
        }
        savings(forecast);
    }

    private String when() {
        return with.isEmpty() ? "once policy is given out" : "with these files given out";
    }

    private static String triggers(JsonNode load) {
        List<String> parts = new ArrayList<>();
        load.path("bytesADay")
                .properties()
                .forEach(e -> parts.add(e.getKey().replace('-', ' ') + " "
                        + Sizes.words(e.getValue().path("likely").asDouble())));
        return parts.isEmpty() ? "nothing is recorded" : String.join(", ", parts);
    }

    private void stores(JsonNode forecast) {
        var table = new Table("store", "size", "a day", "days now", "days then", "wanted", "");
        for (var store : forecast.path("told")) {
            table.row(
                    name(store),
                    size(store.path("size")),
                    Sizes.words(store.path("then").path("load").path("allBytesADay")),
                    days(store, "now"),
                    days(store, "then"),
                    store.path("then").path("wanted").asString("-"),
                    verdict(store));
        }
        if (!table.isEmpty()) {
            table.print(out(), Table.terminalWidth());
        }
        int more = forecast.path("stores").asInt() - forecast.path("told").size();
        if (more > 0) {
            say("and " + Texts.count(more, "store") + " less urgent; all by --all");
        }
    }

    private static String name(JsonNode store) {
        return Listing.text(store, "recorder") + (store.hasNonNull("store") ? " " + Listing.text(store, "store") : "");
    }

    private static String size(JsonNode size) {
        if (!size.hasNonNull("bytes")) {
            return "not known";
        }
        return (size.path("atLeast").asBoolean() ? "at least " : "")
                + Sizes.words(size.path("bytes").asDouble())
                + (Listing.text(size, "basis").equals("SAID") ? "" : " (reckoned)");
    }

    private static String verdict(JsonNode store) {
        var then = store.path("then");
        var words = switch (Listing.text(then, "verdict")) {
            case "TOO_SHORT" -> "too short";
            case "CLOSE" -> "may be too short";
            case "NOT_KNOWN" -> "not known";
            case "ENOUGH" -> "enough";
            default -> "";
        };
        return !deletedEarly(then)
                ? words
                : words + (words.isEmpty() ? "" : "; ") + "deleted after "
                        + then.path("allowed").asInt() + " days";
    }

    /** By what recorders are set to, and not for want of room. */
    private static boolean deletedEarly(JsonNode kept) {
        return kept.hasNonNull("allowed")
                && kept.path("days").path("likely").asDouble()
                        > kept.path("allowed").asInt() + 1;
    }

    private static String days(JsonNode store, String when) {
        var kept = store.path(when);
        var days = kept.path("days");
        if (days.isMissingNode() || days.isNull()) {
            return "now".equals(when) && store.hasNonNull("oldest")
                    ? Duration.between(Instant.parse(Listing.text(store, "oldest")), Instant.now())
                                    .toDays() + " so far"
                    : "-";
        }
        var fits = days.hasNonNull("likely") ? whole(days.path("likely").asDouble()) : "no end";
        var range = days.hasNonNull("low") && days.hasNonNull("high")
                ? " (" + whole(days.path("low").asDouble()) + " to "
                        + whole(days.path("high").asDouble()) + ")"
                : "";
        return (store.path("size").path("atLeast").asBoolean() ? "at least " : "") + fits + range;
    }

    private static String whole(double days) {
        return String.format(Locale.ROOT, "%,.0f", Math.floor(days));
    }

    /** What could be done where footage would not live long enough. */
    private void savings(JsonNode forecast) {
        for (var store : forecast.path("told")) {
            var verdict = Listing.text(store.path("then"), "verdict");
            if (!verdict.equals("TOO_SHORT") && !verdict.equals("CLOSE")) {
                continue;
            }
            out().println();
            int wanted = store.path("then").path("wanted").asInt();
            say(name(store) + ", for " + wanted + " days:");
            if (store.hasNonNull("bytesMissing")) {
                say("  " + Sizes.words(store.path("bytesMissing").asDouble()) + " more of disk, or "
                        + Sizes.words(store.path("bytesADayTooMany").asDouble())
                        + " a day less; each TB brings "
                        + store.path("daysATerabyte").asString() + " days");
            }
            for (var saving : store.path("savings")) {
                say("  " + Listing.text(saving, "words") + ": "
                        + Sizes.words(saving.path("bytesADay").asDouble()) + " a day less"
                        + (saving.hasNonNull("days")
                                ? ", " + whole(saving.path("days").asDouble()) + " days"
                                : ""));
            }
        }
    }

    private void csv(JsonNode forecast) {
        var table = new Table(
                "recorder",
                "store",
                "cameras",
                "size_bytes",
                "size_basis",
                "bytes_a_day_now",
                "bytes_a_day",
                "bytes_a_day_low",
                "bytes_a_day_high",
                "days_now",
                "days",
                "days_low",
                "days_high",
                "wanted",
                "verdict");
        for (var store : forecast.path("told")) {
            var then = store.path("then");
            var load = then.path("load").path("allBytesADay");
            table.row(
                    Listing.text(store, "recorder"),
                    Listing.text(store, "store"),
                    store.path("cameras").asString(),
                    store.path("size").path("bytes").asString(""),
                    Listing.text(store.path("size"), "basis"),
                    plain(store.path("now").path("load").path("allBytesADay").path("likely")),
                    plain(load.path("likely")),
                    plain(load.path("low")),
                    plain(load.path("high")),
                    store.path("now").path("days").path("likely").asString(""),
                    then.path("days").path("likely").asString(""),
                    then.path("days").path("low").asString(""),
                    then.path("days").path("high").asString(""),
                    then.path("wanted").asString(""),
                    Listing.text(then, "verdict"));
        }
        table.csv(out());
    }

    private static String plain(JsonNode bytes) {
        return bytes.isNumber() ? Long.toString(Math.round(bytes.asDouble())) : "";
    }
}
