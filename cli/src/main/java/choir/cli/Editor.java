package choir.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.util.Optional;

/** The person's own editor on a file of its own. A text that is refused is kept, so that no work is lost. */
final class Editor {
    private Editor() {}

    static String edit(String name, String text) {
        var command = Optional.ofNullable(System.getenv("VISUAL"))
                .or(() -> Optional.ofNullable(System.getenv("EDITOR")))
                .orElse("vi");
        try {
            var file = Files.createTempFile(name + "-", ".yaml");
            Files.writeString(file, text);
            int code = new ProcessBuilder("sh", "-c", command + " \"$0\"", file.toString())
                    .inheritIO()
                    .start()
                    .waitFor();
            if (code != 0) {
                throw new Failure(Failure.FAILED, "the editor ended with " + code + "; the text is kept in " + file);
            }
            var after = Files.readString(file);
            if (!after.equals(text)) {
                System.err.println("your text is kept in " + file);
            }
            return after;
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the editor cannot be started: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failure(Failure.FAILED, "interrupted");
        }
    }
}
