package choir.sim;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.regex.Pattern;
import org.w3c.dom.Element;

/** Checks a request's proof of the password: the WS-Security header, or the answer to the challenge of HTTP. */
final class Credentials {
    private static final Duration WINDOW = Duration.ofMinutes(5);
    private static final Pattern FIELD = Pattern.compile("(\\w+)=(?:\"([^\"]*)\"|([^,\\s]+))");
    /** What was challenged with, and how often it was used. */
    private final Map<String, Long> nonces = new ConcurrentHashMap<>();

    private final Set<String> seen = ConcurrentHashMap.newKeySet();

    String challenge() {
        var nonce = UUID.randomUUID().toString().replace("-", "");
        if (nonces.size() > 10_000) {
            nonces.clear();
        }
        nonces.put(nonce, 0L);
        return "Digest realm=\"recorder\", qop=\"auth\", algorithm=MD5, nonce=\"" + nonce + "\"";
    }

    /** @param target as the request line has it, which the answer has to be about; a count is used once */
    boolean http(SimRecorder recorder, String header, String method, String target) {
        if (!header.startsWith("Digest ")) {
            return false;
        }
        Map<String, String> fields = new LinkedHashMap<>();
        var match = FIELD.matcher(header);
        while (match.find()) {
            fields.put(match.group(1), match.group(2) != null ? match.group(2) : match.group(3));
        }
        var nonce = fields.getOrDefault("nonce", "");
        if (!nonces.containsKey(nonce)
                || !recorder.user.equals(fields.get("username"))
                || !target.equals(fields.get("uri"))) {
            return false;
        }
        var one = md5(recorder.user + ":recorder:" + recorder.password);
        var two = md5(method + ":" + fields.get("uri"));
        var expected = md5(one + ":" + fields.get("nonce") + ":" + fields.get("nc") + ":" + fields.get("cnonce") + ":"
                + fields.get("qop") + ":" + two);
        return expected.equals(fields.get("response")) && isNew(nonce, fields.getOrDefault("nc", ""));
    }

    private boolean isNew(String nonce, String count) {
        if (!count.matches("[0-9a-fA-F]{1,8}")) {
            return false;
        }
        long number = Long.parseLong(count, 16);
        var fresh = new AtomicBoolean();
        nonces.computeIfPresent(nonce, (n, last) -> {
            fresh.set(number > last);
            return Math.max(last, number);
        });
        return fresh.get();
    }

    boolean webService(SimRecorder recorder, Optional<Element> header) {
        var token = header.flatMap(h -> Xml.first(h, "UsernameToken"));
        if (token.isEmpty()) {
            return false;
        }
        var user = Xml.text(token.get(), "Username").orElse("");
        var digest = Xml.text(token.get(), "Password").orElse("");
        var nonce = Xml.text(token.get(), "Nonce").orElse("");
        var created = Xml.text(token.get(), "Created").orElse("");
        var now = SimTime.now().plus(recorder.clockAhead);
        try {
            var age = Duration.between(Instant.parse(created), now).abs();
            if (age.compareTo(WINDOW) > 0 || !seen.add(nonce + created)) {
                return false;
            }
        } catch (java.time.format.DateTimeParseException e) {
            return false;
        }
        if (seen.size() > 100_000) {
            seen.clear();
        }
        return user.equals(recorder.user) && digest.equals(digest(nonce, created, recorder.password));
    }

    private static String digest(String nonce, String created, String password) {
        var sha = algorithm("SHA-1");
        try {
            sha.update(Base64.getDecoder().decode(nonce));
        } catch (IllegalArgumentException e) {
            return "";
        }
        sha.update(created.getBytes(StandardCharsets.UTF_8));
        sha.update(password.getBytes(StandardCharsets.UTF_8));
        return Base64.getEncoder().encodeToString(sha.digest());
    }

    private static String md5(String text) {
        return HexFormat.of().formatHex(algorithm("MD5").digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    private static MessageDigest algorithm(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
