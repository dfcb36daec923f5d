package choir.server.export;

import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.stereotype.Component;

/**
 * Puts tables into their folder: of the past the last days, since what was recorded is often told later, and where everything
 * stands now under today's date.
 */
@Component
class ExportRuns implements Works.Runner {
    static final int DAYS = 3;

    private final ExportFolder folder;
    private final Clock clock;

    ExportRuns(ExportFolder folder, Clock clock) {
        this.folder = folder;
        this.clock = clock;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.EXPORT;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        var today = LocalDate.now(clock);
        int all = 0;
        for (var dataset : Dataset.values()) {
            all += dataset.ofPast() ? DAYS : 1;
        }
        progress.begin(all, 0, 0);
        long lines = 0;
        for (var dataset : Dataset.values()) {
            for (int back = dataset.ofPast() ? DAYS : 0; back >= (dataset.ofPast() ? 1 : 0); back--) {
                progress.goOn();
                lines += write(dataset, today.minusDays(back));
                progress.step(false);
            }
        }
        return Works.Ended.done(lines + " lines in " + folder.path());
    }

    private long write(Dataset dataset, LocalDate day) {
        try {
            return folder.write(dataset, day);
        } catch (IOException e) {
            throw new UncheckedIOException(
                    "the " + dataset.word() + " of " + day + " cannot be written to " + folder.path(), e);
        }
    }
}
