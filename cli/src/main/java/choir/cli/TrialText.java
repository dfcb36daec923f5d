package choir.cli;

import java.time.Duration;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** What a setting comes to on a clip. */
final class TrialText {
    private TrialText() {}

    static Table table() {
        return new Table(
                "clip",
                "camera",
                "setting",
                "sensitivity",
                "threshold",
                "caught",
                "missed",
                "false starts",
                "recorded",
                "margin",
                "decided by");
    }

    static void row(Table table, JsonNode clip, JsonNode report) {
        int wanted = report.path("wanted").size();
        int missed = report.path("missed").asInt();
        var setting = report.path("setting");
        table.row(
                Listing.number(clip, "clip"),
                Listing.text(clip, "camera"),
                Listing.text(setting, "name"),
                each(setting, s -> Listing.text(s, "sensitivity")),
                each(setting, s -> Shares.percent(s.path("threshold").asDouble())),
                wanted == 0 ? "-" : wanted - missed + " of " + wanted,
                wanted == 0 ? "-" : Integer.toString(missed),
                report.path("unwanted").isEmpty() ? "-" : falseStarts(report),
                recorded(report),
                report.hasNonNull("margin")
                        ? Shares.factor(report.path("margin").asDouble())
                        : "-",
                decisive(report.path("decisive")));
    }

    /** One for all areas where they are the same, else one for each with its name. */
    private static String each(JsonNode setting, Function<JsonNode, String> value) {
        var areas = setting.path("areas");
        var all = areas.valueStream().map(value).distinct().toList();
        return all.size() < 2
                ? value.apply(setting)
                : areas.valueStream()
                        .map(a -> Listing.text(a, "name") + " " + value.apply(a))
                        .collect(Collectors.joining(", "));
    }

    private static String falseStarts(JsonNode report) {
        return report.path("falseStarts").asInt()
                + (report.hasNonNull("falseStartsAnHour")
                        ? " (" + Math.round(report.path("falseStartsAnHour").asDouble()) + " an hour)"
                        : "");
    }

    private static String recorded(JsonNode report) {
        return seconds(report.path("recordedSeconds").asDouble()) + " of "
                + seconds(report.path("watchedSeconds").asDouble());
    }

    private static String seconds(double seconds) {
        var length = Duration.ofSeconds(Math.round(seconds));
        return length.toMinutes() > 0
                ? length.toMinutes() + " min" + (length.toSecondsPart() > 0 ? " " + length.toSecondsPart() + " s" : "")
                : length.toSeconds() + " s";
    }

    private static String decisive(JsonNode moment) {
        return moment.isMissingNode() || moment.isNull()
                ? ""
                : Listing.text(moment, "word") + " ("
                        + Shares.percent(moment.path("level").asDouble())
                        + (moment.hasNonNull("area") ? " in " + Listing.text(moment, "area") : "") + ")";
    }

    /** What a person has to know besides the numbers. */
    static void notes(Act act, JsonNode clip) {
        var of = "clip " + Listing.number(clip, "clip");
        if (Listing.text(clip, "judge").equals("recorder")) {
            act.say(of + ", " + Times.of(Listing.text(clip, "from"))
                    + ": what the recorder itself saw is taken as wanted");
        }
        clip.path("remarks").forEach(r -> act.say(of + ": " + r.asString("")));
        if (clip.hasNonNull("factor")) {
            act.say(of + ": levels are taken " + clip.path("factor").asDouble()
                    + " times, as recorders of this kind were found to see them");
        }
        for (var report : clip.path("reports")) {
            var name = Listing.text(report.path("setting"), "name");
            if (report.path("setting").hasNonNull("effort")) {
                act.say(of + ", " + name + ": "
                        + report.path("setting").path("picturesPerSecond").asDouble()
                        + " pictures of " + Listing.text(report.path("setting"), "size") + " a second, "
                        + Shares.factor(report.path("setting").path("effort").asDouble())
                        + " times the pixels that are usually looked at");
            }
            for (var note : report.path("setting").path("assumed")) {
                act.say("clip " + Listing.number(clip, "clip") + ", " + name + ": " + note.asString(""));
            }
            if (!report.path("setting").path("detection").asBoolean(true)) {
                act.say("clip " + Listing.number(clip, "clip") + ", " + name
                        + ": detection is off, so nothing ever begins");
            }
        }
        if (clip.hasNonNull("unheld")) {
            act.say("clip " + Listing.number(clip, "clip") + ": what the recorder holds is not tried; "
                    + Listing.text(clip, "unheld"));
        }
        var agreement = clip.path("agreement");
        if (agreement.isObject()) {
            act.say("clip " + Listing.number(clip, "clip") + ": the recorder itself saw motion "
                    + times(agreement.path("recorderEvents").asInt()) + ", the model with what it holds "
                    + times(agreement.path("modelEvents").asInt())
                    + (agreement.hasNonNull("share")
                            ? "; they agree in "
                                    + Shares.percent(agreement.path("share").asDouble())
                            : "")
                    + (Listing.text(agreement, "judge").equals("recorder")
                            ? "; this recorder sees things differently, and its own events are the better judge"
                            : ""));
        }
    }

    private static String times(int n) {
        return n == 1 ? "once" : Texts.count(n, "time");
    }
}
