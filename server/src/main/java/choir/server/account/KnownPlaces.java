package choir.server.account;

import choir.server.account.Guesses.Place;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/**
 * Tells browsers and clients in which a person was signed in before from all others: by a cookie that lets nobody in, and by
 * a token that still does.
 */
@Component
class KnownPlaces {
    private static final String COOKIE = "choir-known";
    private static final Duration KEPT = Duration.ofDays(180);
    private static final int LONGEST = 1_000;
    private static final String BEARER = "Bearer ";

    private final Secrets secrets;
    private final Tokens tokens;

    KnownPlaces(Secrets secrets, Tokens tokens) {
        this.secrets = secrets;
        this.tokens = tokens;
    }

    Place of(String name, HttpServletRequest request) {
        return byCookie(name, request)
                .or(() -> byToken(name, request))
                .map(text -> new Place(text, true))
                .orElseGet(() -> Place.address(request.getRemoteAddr()));
    }

    private Optional<String> byCookie(String name, HttpServletRequest request) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(Arrays::stream)
                .filter(c -> c.getName().equals(COOKIE))
                .flatMap(c -> read(c.getValue()).stream())
                .filter(text -> text.startsWith(name + "\n"))
                .findFirst();
    }

    private Optional<String> byToken(String name, HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader(HttpHeaders.AUTHORIZATION))
                .filter(h -> h.startsWith(BEARER))
                .flatMap(h -> tokens.account(h.substring(BEARER.length()).strip()))
                .filter(a -> a.name().equals(name))
                .map(a -> "token of " + a.name());
    }

    /** Empty for what was not made here. */
    private Optional<String> read(String value) {
        try {
            return value.length() > LONGEST
                    ? Optional.empty()
                    : Optional.of(secrets.decrypt(Base64.getUrlDecoder().decode(value)));
        } catch (IllegalArgumentException | IllegalStateException e) {
            return Optional.empty();
        }
    }

    /** The person was let in. */
    void remember(String name, HttpServletRequest request, HttpServletResponse response) {
        if (byCookie(name, request).isPresent()) {
            return;
        }
        var value = Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(secrets.encrypt(name + "\n" + UUID.randomUUID()));
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, value)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Strict")
                        .path("/api/v1/session")
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }
}
