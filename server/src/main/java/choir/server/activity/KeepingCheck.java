package choir.server.activity;

import choir.server.ServiceSettings;
import choir.server.checkup.Check;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** How much room what was recorded takes, and what keeping it for a shorter time would free; by some cameras of many. */
@Component
class KeepingCheck implements Check {
    private static final int SAMPLED = 200;
    /** Of a day's row beside its stretches. */
    private static final long ROW = 90;

    private static final double MEGABYTE = 1e6;

    private final ActivityStore store;
    private final Standings standings;
    private final ServiceSettings settings;
    private final Clock clock;

    KeepingCheck(ActivityStore store, Standings standings, ServiceSettings settings, Clock clock) {
        this.store = store;
        this.standings = standings;
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    public String about() {
        return "what was recorded";
    }

    @Override
    public Seen look() {
        var cameras = standings.all();
        var some = sample(cameras);
        int half = Math.max(1, settings.activityDays() / 2);
        var before = LocalDate.now(clock).minusDays(half);
        long days = 0;
        long bytes = 0;
        long old = 0;
        for (var camera : some) {
            var taken = store.taken(camera.row().id(), before);
            days += taken.days();
            bytes += taken.detail() + ROW * taken.days();
            old += taken.old();
        }
        double share = some.isEmpty() ? 0 : (double) cameras.size() / some.size();
        return Seen.well((some.size() < cameras.size() ? "about " : "")
                + size(bytes * share)
                + " for "
                + Math.round(days * share)
                + " days of cameras; kept to the second for "
                + settings.activityDays()
                + " days and as sums for "
                + settings.activitySumsDays()
                + "; "
                + half
                + " days to the second instead would free "
                + size(old * share));
    }

    private static List<Standing> sample(List<Standing> cameras) {
        int every = Math.max(1, (cameras.size() + SAMPLED - 1) / SAMPLED);
        return IntStream.range(0, cameras.size())
                .filter(i -> i % every == 0)
                .mapToObj(cameras::get)
                .toList();
    }

    private static String size(double bytes) {
        return bytes < 1e9
                ? String.format(Locale.ROOT, "%.1f MB", bytes / MEGABYTE)
                : String.format(Locale.ROOT, "%.1f GB", bytes / 1e9);
    }
}
