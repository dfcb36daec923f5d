package choir.server.plan;

import choir.refusal.Refusal;
import com.cronutils.descriptor.CronDescriptor;
import com.cronutils.model.Cron;
import com.cronutils.model.CronType;
import com.cronutils.model.definition.CronDefinitionBuilder;
import com.cronutils.model.time.ExecutionTime;
import com.cronutils.parser.CronParser;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Times of a plan as a cron expression of five fields, on the service's clock. An hour that daylight saving leaves out is
 * made up for right after it, one that comes twice counts once.
 */
record Timing(String text) {
    private static final CronParser PARSER = new CronParser(CronDefinitionBuilder.instanceDefinitionFor(CronType.UNIX));

    Timing {
        text = text.strip();
        try {
            PARSER.parse(text);
        } catch (IllegalArgumentException e) {
            throw new Refusal(
                    "\"" + text + "\" is no time that comes again; expected minute, hour, day of month, month and"
                            + " day of week, such as \"20 2 * * *\" for 02:20 each night: " + e.getMessage());
        }
    }

    private Cron cron() {
        return PARSER.parse(text);
    }

    String words() {
        return CronDescriptor.instance(Locale.UK)
                .describe(cron())
                .replaceAll("\\bat (\\d+) day\\b", "on day $1 of the month");
    }

    /** Empty when it never comes again, such as on 30 February. */
    Optional<Instant> after(Instant time, ZoneId zone) {
        var times = ExecutionTime.forCron(cron());
        // On the wall, where no hour is missing and none comes twice; then on the clock of the zone.
        var wall = times.nextExecution(time.atZone(zone).toLocalDateTime().atZone(ZoneOffset.UTC));
        while (wall.isPresent()) {
            var there = wall.get().toLocalDateTime().atZone(zone);
            for (var one : List.of(there.withEarlierOffsetAtOverlap(), there.withLaterOffsetAtOverlap())) {
                if (one.toInstant().isAfter(time)) {
                    return Optional.of(one.toInstant());
                }
            }
            wall = times.nextExecution(wall.get());
        }
        return Optional.empty();
    }

    List<Instant> next(int count, Instant time, ZoneId zone) {
        List<Instant> all = new ArrayList<>();
        var next = after(time, zone);
        while (next.isPresent() && all.size() < count) {
            all.add(next.get());
            next = after(next.get(), zone);
        }
        return all;
    }
}
