package choir.onvif;

import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import choir.week.Week;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.StringJoiner;
import java.util.regex.Pattern;

/**
 * Values by time as a device writes them: {@code off}, or a value with the day (Monday is 0) and the minutes of the day at
 * which it holds, {@code 45 0:1260-1440 1:0-330}; several values with a bar between.
 */
final class LevelText {
    private static final Pattern STRETCH = Pattern.compile("([0-6]):(\\d{1,4})-(\\d{1,4})");

    private LevelText() {}

    static Week<NativeScalar> read(String text) {
        Week<NativeScalar> week = Week.silent();
        if (text.isBlank() || text.equals("off")) {
            return week;
        }
        for (var group : text.strip().split("\\s*\\|\\s*")) {
            var words = group.split(" +");
            for (int i = 1; i < words.length; i++) {
                var match = STRETCH.matcher(words[i]);
                if (!match.matches() || Integer.parseInt(match.group(3)) > Week.DAY) {
                    throw new Refusal("\"" + words[i] + "\" is no stretch of a day");
                }
                int midnight = Integer.parseInt(match.group(1)) * Week.DAY;
                week = week.paint(
                        midnight + Integer.parseInt(match.group(2)),
                        midnight + Integer.parseInt(match.group(3)),
                        NativeScalar.read(words[0]));
            }
        }
        return week;
    }

    static String write(Week<NativeScalar> week) {
        Map<NativeScalar, StringJoiner> byValue = new LinkedHashMap<>();
        for (var run : week.runs()) {
            for (int from = run.from(); from < run.to(); ) {
                int day = from / Week.DAY;
                int to = Math.min((day + 1) * Week.DAY, run.to());
                byValue.computeIfAbsent(run.value(), v -> new StringJoiner(" ").add(v.toString()))
                        .add(day + ":" + (from - day * Week.DAY) + "-" + (to - day * Week.DAY));
                from = to;
            }
        }
        return byValue.isEmpty()
                ? "off"
                : byValue.values().stream()
                        .map(StringJoiner::toString)
                        .collect(java.util.stream.Collectors.joining(" | "));
    }
}
