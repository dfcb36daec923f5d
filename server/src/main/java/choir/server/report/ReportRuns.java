package choir.server.report;

import choir.server.db.Database;
import choir.server.notice.Mailings;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** Makes a report that a plan asked for. Made again after a crash it is the same, byte by byte. */
@Component
class ReportRuns implements Works.Runner {
    private final Reports reports;
    private final ReportFolder folder;
    private final Mailings mailings;
    private final Database database;

    ReportRuns(Reports reports, ReportFolder folder, Mailings mailings, Database database) {
        this.reports = reports;
        this.folder = folder;
        this.mailings = mailings;
        this.database = database;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.REPORT;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        if (!(work.task() instanceof Task.Report(var select, var first, var last, var mail))) {
            throw new IllegalStateException(work.task() + " is no report");
        }
        progress.begin(1, 0, 0);
        var name = "choir-report-" + first + "-" + last + "-" + work.id() + ".pdf";
        folder.write(name, ReportPdf.of(reports.make(first, last, select)));
        database.write(() -> {
            mail.ifPresent(to -> mailings.add(
                    to,
                    "report",
                    "Choir: what was in tune from " + first + " to " + last,
                    "The report of " + (select.isEmpty() ? "all cameras" : select) + " from " + first + " to " + last
                            + " is attached.\n",
                    folder.path(name)));
            progress.step(false);
        });
        return Works.Ended.done(
                "reports/" + name + mail.map(to -> ", and by mail to " + to).orElse(""));
    }
}
