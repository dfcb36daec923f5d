package choir.story;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.util.FileSystemUtils;

/** Folders of tests, which go with the program that made them. */
final class Scratch {
    private static final Set<Path> FOLDERS = ConcurrentHashMap.newKeySet();

    static {
        Runtime.getRuntime()
                .addShutdownHook(new Thread(() -> FOLDERS.forEach(f -> FileSystemUtils.deleteRecursively(f.toFile()))));
    }

    private Scratch() {}

    static Path folder(String name) {
        try {
            var folder = Files.createTempDirectory(name);
            FOLDERS.add(folder);
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
