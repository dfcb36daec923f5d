package choir.cli;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;

/** Text files that a person wrote, bounded in size, and words around numbers. */
final class Texts {
    private static final long LARGEST = 4_000_000;

    private static final int FEW = 3;

    private Texts() {}

    /** A number with its noun, such as {@code 1 camera} and {@code 12 cameras}. */
    static String count(int number, String noun) {
        return String.format(java.util.Locale.ROOT, "%,d %s%s", number, noun, number == 1 ? "" : "s");
    }

    /** Names in a sentence, of many the first few. */
    static String names(List<String> names) {
        int shown = names.size() > 4 ? 3 : names.size();
        var last = names.size() > shown ? names.size() - shown + " more" : names.get(shown - 1);
        var first = names.subList(0, names.size() > shown ? shown : shown - 1);
        return first.isEmpty() ? last : String.join(", ", first) + " and " + last;
    }

    /** Cameras in a cell of a table, of many the first few. */
    static String few(List<String> cameras) {
        return cameras.size() > FEW
                ? String.join(" ", cameras.subList(0, FEW)) + " and " + (cameras.size() - FEW) + " more"
                : String.join(" ", cameras);
    }

    static String read(Path file) {
        try {
            if (Files.size(file) > LARGEST) {
                throw new Failure(Failure.FAILED, file + " is larger than 4 MB");
            }
            return decoded(file, Files.readAllBytes(file));
        } catch (NoSuchFileException e) {
            throw new Failure(Failure.FAILED, "there is no file " + file);
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, file + " cannot be read: " + e.getMessage());
        }
    }

    private static String decoded(Path file, byte[] bytes) {
        var in = ByteBuffer.wrap(bytes);
        var out = CharBuffer.allocate(bytes.length);
        // Stops where it is no UTF-8.
        if (StandardCharsets.UTF_8.newDecoder().decode(in, out, true).isError()) {
            long line = 1;
            for (int i = 0; i < in.position(); i++) {
                line += bytes[i] == '\n' ? 1 : 0;
            }
            throw new Failure(
                    Failure.FAILED,
                    file + ": line " + line
                            + ": this is not UTF-8 text (byte 0x%02X)".formatted(bytes[in.position()] & 0xFF));
        }
        return out.flip().toString();
    }
}
