package choir.server.journal;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * The seal of a journal's entry: SHA-256 over the seal before it and all that the entry says, each part with its length
 * before it, so that nothing can be moved from one part into the next. Whoever changes, adds or takes away an entry breaks
 * every seal after it.
 *
 * @param text 64 digits of base 16; empty before the first entry
 */
record Seal(String text) {
    static final Seal NONE = new Seal("");

    /** The seal of the entry that follows. */
    Seal over(Journal.Entry entry) {
        var digest = sha256();
        for (var part : new String[] {
            text, Long.toString(entry.id()), entry.at(), entry.who(), entry.act(), entry.subject(), entry.detail()
        }) {
            var bytes = part.getBytes(StandardCharsets.UTF_8);
            digest.update(
                    ByteBuffer.allocate(Integer.BYTES).putInt(bytes.length).array());
            digest.update(bytes);
        }
        return new Seal(HexFormat.of().formatHex(digest.digest()));
    }

    boolean isMissing() {
        return text.isEmpty();
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
