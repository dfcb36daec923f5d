package choir.onvif;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import javax.xml.namespace.QName;

/**
 * The WS-Security UsernameToken with a password digest: {@code Base64(SHA-1(nonce + created + password))}, OASIS
 * Username Token Profile 1.0, section 3.1. Nonce and time are fresh for every request.
 */
final class UsernameToken {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final String PROFILE = "http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-";

    private UsernameToken() {}

    static Element header(String user, String password, Instant created) {
        var nonce = new byte[16];
        RANDOM.nextBytes(nonce);
        var time = created.truncatedTo(ChronoUnit.SECONDS).toString();
        var token = Element.of(
                Namespaces.SECURITY,
                "UsernameToken",
                Element.of(Namespaces.SECURITY, "Username", user),
                Element.of(Namespaces.SECURITY, "Password", digest(nonce, time, password))
                        .withAttribute("Type", PROFILE + "username-token-profile-1.0#PasswordDigest"),
                Element.of(Namespaces.SECURITY, "Nonce", Base64.getEncoder().encodeToString(nonce))
                        .withAttribute("EncodingType", PROFILE + "soap-message-security-1.0#Base64Binary"),
                Element.of(Namespaces.SECURITY_UTILITY, "Created", time));
        return Element.of(Namespaces.SECURITY, "Security", token)
                .withAttribute(new QName(Namespaces.ENVELOPE, "mustUnderstand"), "true");
    }

    static String digest(byte[] nonce, String created, String password) {
        try {
            var sha = MessageDigest.getInstance("SHA-1");
            sha.update(nonce);
            sha.update(created.getBytes(StandardCharsets.UTF_8));
            sha.update(password.getBytes(StandardCharsets.UTF_8));
            return Base64.getEncoder().encodeToString(sha.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
