package choir.server.backup;

import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** Makes a backup that a plan asked for. */
@Component
class BackupRuns implements Works.Runner {
    private final Backups backups;

    BackupRuns(Backups backups) {
        this.backups = backups;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.BACKUP;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        progress.begin(1, 0, 0);
        var made = backups.make(work.who());
        progress.step(false);
        return Works.Ended.done(made.name());
    }
}
