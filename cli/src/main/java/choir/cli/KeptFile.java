package choir.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A file that the service gave, kept where the person wants it. */
final class KeptFile {
    private KeptFile() {}

    static void write(Path file, byte[] content) {
        try {
            Files.write(file, content);
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, file + " cannot be written: " + e.getMessage());
        }
    }
}
