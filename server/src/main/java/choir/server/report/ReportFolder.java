package choir.server.report;

import choir.server.ServiceSettings;
import choir.server.web.Problem;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;

/** Reports as files of the data folder, of which the newest are kept. */
@Component
class ReportFolder {
    private static final Pattern NAME = Pattern.compile("choir-report-[0-9a-z-]{1,60}\\.pdf");
    private static final int MOST = 500;

    record Kept(String name, Instant at, long bytes) {}

    private final Path folder;

    ReportFolder(ServiceSettings settings) {
        this.folder = settings.data().resolve("reports");
    }

    /** Under its name it is there as a whole or not at all. */
    void write(String name, byte[] bytes) {
        try {
            Files.createDirectories(folder);
            var part = folder.resolve(name + ".part");
            Files.write(part, bytes);
            Files.move(part, folder.resolve(name), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            for (var old : all().stream().skip(MOST).toList()) {
                Files.deleteIfExists(folder.resolve(old.name()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the report could not be written to " + folder, e);
        }
    }

    /** The newest first. */
    List<Kept> all() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (var files = Files.list(folder)) {
            return files.filter(f -> NAME.matcher(f.getFileName().toString()).matches())
                    .map(ReportFolder::kept)
                    .sorted(Comparator.comparing(Kept::at)
                            .thenComparing(Kept::name)
                            .reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Kept kept(Path file) {
        try {
            return new Kept(
                    file.getFileName().toString(),
                    Files.getLastModifiedTime(file).toInstant(),
                    Files.size(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    byte[] read(String name) {
        var file = folder.resolve(name);
        if (!NAME.matcher(name).matches() || !Files.isRegularFile(file)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no report " + name + " (any more)");
        }
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Path path(String name) {
        return folder.resolve(name);
    }
}
