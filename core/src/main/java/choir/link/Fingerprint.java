package choir.link;

import choir.refusal.Refusal;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Locale;

/**
 * The SHA-256 of a certificate, by which a person recognises it.
 *
 * @param text 32 pairs of hexadecimal digits with colons between, in capitals
 */
public record Fingerprint(String text) {
    private static final int BYTES = 32;

    public Fingerprint {
        if (!text.matches("([0-9A-F]{2}:){31}[0-9A-F]{2}")) {
            throw new IllegalArgumentException("no fingerprint: " + text);
        }
    }

    /** @param text with or without colons or blanks, in capitals or not */
    public static Fingerprint parse(String text) {
        var digits = text.replaceFirst("(?i)^\\s*sha-?256[:=]", "")
                .replaceAll("[\\s:]", "")
                .toUpperCase(Locale.ROOT);
        if (!digits.matches("[0-9A-F]{" + 2 * BYTES + "}")) {
            throw new Refusal(
                    "\"" + text.strip() + "\" is no fingerprint; expected the SHA-256 of the certificate, 32 pairs"
                            + " of hexadecimal digits such as 3A:F0:…");
        }
        return new Fingerprint(HexFormat.ofDelimiter(":")
                .withUpperCase()
                .formatHex(HexFormat.of().parseHex(digits)));
    }

    /** @param encoded the certificate in its binary form */
    public static Fingerprint of(byte[] encoded) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(encoded);
            return new Fingerprint(HexFormat.ofDelimiter(":").withUpperCase().formatHex(digest));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public String toString() {
        return text;
    }
}
