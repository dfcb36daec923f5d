package choir.cli;

import java.time.Duration;
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
                Listing.text(setting, "sensitivity"),
                Shares.percent(setting.path("threshold").asDouble()),
                wanted == 0 ? "-" : wanted - missed + " of " + wanted,
                wanted == 0 ? "-" : Integer.toString(missed),
                report.path("unwanted").isEmpty() ? "-" : falseStarts(report),
                recorded(report),
                report.hasNonNull("margin")
                        ? Shares.factor(report.path("margin").asDouble())
                        : "-",
                decisive(report.path("decisive")));
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
                        + Shares.percent(moment.path("level").asDouble()) + ")";
    }

    /** What a person has to know besides the numbers. */
    static void notes(Act act, JsonNode clip) {
        for (var report : clip.path("reports")) {
            var name = Listing.text(report.path("setting"), "name");
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
