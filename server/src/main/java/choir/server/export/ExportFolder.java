package choir.server.export;

import choir.server.ServiceSettings;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.stereotype.Component;

/**
 * Tables as files, by day: {@code activity/day=2026-11-26/choir.parquet}, which is how engines find the days that they need.
 * Nothing is ever taken away here; how long they stay is up to those who read them.
 */
@Component
class ExportFolder {
    private final Path folder;
    private final List<TableForm> forms;
    private final Tables tables;
    private final Clock clock;

    ExportFolder(ServiceSettings settings, Tables tables, Clock clock) {
        var set = settings.exports();
        this.folder = set == null ? settings.data().resolve("exports") : set;
        this.forms = settings.exportForms().stream().map(TableForm::of).toList();
        this.tables = tables;
        this.clock = clock;
    }

    Path path() {
        return folder;
    }

    /**
     * Under its name each is there as a whole or not at all; the same day again takes its place.
     *
     * @return how many lines
     */
    long write(Dataset dataset, LocalDate day) throws IOException {
        long lines = 0;
        var now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        for (var form : forms) {
            var into = Files.createDirectories(folder.resolve(dataset.word()).resolve("day=" + day));
            var part = into.resolve(".choir." + form.word() + ".part");
            try {
                lines = write(dataset, day, now, form, part);
                Files.move(
                        part,
                        into.resolve("choir." + form.word()),
                        StandardCopyOption.ATOMIC_MOVE,
                        StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(part);
            }
        }
        return lines;
    }

    private long write(Dataset dataset, LocalDate day, Instant now, TableForm form, Path file) throws IOException {
        long[] count = {0};
        try (var out = new BufferedOutputStream(Files.newOutputStream(file))) {
            form.write(
                    dataset.line(),
                    out,
                    taken -> tables.lines(dataset, day, now, line -> {
                        count[0]++;
                        taken.accept(line);
                    }));
        }
        return count[0];
    }
}
