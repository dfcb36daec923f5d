package choir.server.account;

import choir.server.ServiceSettings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Cipher;
import javax.crypto.SecretKey;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/**
 * Encrypts recorder passwords by AES-256-GCM with a key file that only the service's user can read. A stored secret is
 * the 12 bytes of its own nonce, then the text with its tag of 16 bytes.
 */
@Component
public class Secrets {
    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final SecretKey key;
    private final SecureRandom random = new SecureRandom();

    Secrets(ServiceSettings settings) {
        this.key = new SecretKeySpec(key(settings.data().resolve("key")), "AES");
    }

    private static byte[] key(Path file) {
        try {
            if (!Files.exists(file)) {
                make(file);
            }
            var bytes = HexFormat.of().parseHex(Files.readString(file).strip());
            if (bytes.length != KEY_BYTES) {
                throw new IllegalStateException("the key file " + file + " does not hold a key of 32 bytes");
            }
            return bytes;
        } catch (IOException e) {
            throw new UncheckedIOException("the key file " + file + " cannot be read or made", e);
        }
    }

    /** Whether that file still holds the key that is used. */
    boolean isKeptIn(Path file) {
        return Files.exists(file) && MessageDigest.isEqual(key(file), key.getEncoded());
    }

    /** The file appears with its whole content or not at all. */
    private static void make(Path file) throws IOException {
        var bytes = new byte[KEY_BYTES];
        new SecureRandom().nextBytes(bytes);
        Files.createDirectories(file.toAbsolutePath().getParent());
        var onlyOwner = PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"));
        var fresh = Files.createTempFile(file.toAbsolutePath().getParent(), "key", ".new", onlyOwner);
        Files.writeString(fresh, HexFormat.of().formatHex(bytes));
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }

    public byte[] encrypt(String password) {
        var nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        try {
            var text = cipher(Cipher.ENCRYPT_MODE, nonce).doFinal(password.getBytes(StandardCharsets.UTF_8));
            return ByteBuffer.allocate(NONCE_BYTES + text.length)
                    .put(nonce)
                    .put(text)
                    .array();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws IllegalStateException when the key file is not the one that the secret was made with */
    public String decrypt(byte[] secret) {
        try {
            var nonce = java.util.Arrays.copyOf(secret, NONCE_BYTES);
            var text = cipher(Cipher.DECRYPT_MODE, nonce).doFinal(secret, NONCE_BYTES, secret.length - NONCE_BYTES);
            return new String(text, StandardCharsets.UTF_8);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(
                    "a recorder's password cannot be decrypted; the key file is not the one it was stored with", e);
        }
    }

    private Cipher cipher(int mode, byte[] nonce) throws GeneralSecurityException {
        var cipher = Cipher.getInstance("AES/GCM/NoPadding");
        cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
        return cipher;
    }
}
