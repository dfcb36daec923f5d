package choir.server.account;

import choir.server.account.Organisation.RefusedException;
import choir.server.account.Organisation.Why;
import choir.server.web.Problem;
import com.nimbusds.oauth2.sdk.util.URLUtils;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** The way in by the organisation's accounts: to the issuer, and back. */
@RestController
class OrganisationApi {
    static final String ID_TOKEN = "choir.id-token";

    private static final Logger LOG = LoggerFactory.getLogger(OrganisationApi.class);
    private static final String PATH = "/api/v1/session/organisation";
    private static final String BROWSER = "choir-sign-in";
    private static final Duration LASTS = Duration.ofMinutes(10);

    /** @param organisation by whose accounts people sign in beside passwords; missing when by none */
    record WaysView(@Nullable String organisation) {}

    private final Organisation organisation;
    private final Accounts accounts;
    private final Sessions sessions;

    OrganisationApi(Organisation organisation, Accounts accounts, Sessions sessions) {
        this.sessions = sessions;
        this.organisation = organisation;
        this.accounts = accounts;
    }

    @GetMapping("/api/v1/session/ways")
    WaysView ways() {
        return new WaysView(organisation.name().orElse(null));
    }

    /** To the issuer. */
    @GetMapping(PATH)
    ResponseEntity<Void> begin(HttpServletRequest request, HttpServletResponse response) {
        try {
            var begun = organisation.begin(URI.create(organisation.base() + PATH + "/callback"));
            remember(begun.browser(), LASTS, request, response);
            return goTo(begun.goTo());
        } catch (RefusedException e) {
            return refused(e);
        }
    }

    /** And back. */
    @GetMapping(PATH + "/callback")
    ResponseEntity<Void> end(
            @CookieValue(name = BROWSER, defaultValue = "") String browser,
            HttpServletRequest request,
            HttpServletResponse response) {
        remember("", Duration.ZERO, request, response);
        try {
            var query = Optional.ofNullable(request.getQueryString()).orElse("");
            var member = organisation.end(browser, URI.create(organisation.base() + PATH + "/callback?" + query));
            var account = accounts.ofTheOrganisation(member)
                    .orElseThrow(() -> new RefusedException(
                            Why.NAME_TAKEN, "somebody else is called " + member.name() + " here", null));
            SessionApi.begin(account, sessions, request, response);
            request.getSession().setAttribute(ID_TOKEN, member.idToken());
            accounts.note(account.name(), "signed in by the organisation's account");
            return goTo(URI.create("/"));
        } catch (RefusedException e) {
            return refused(e);
        } catch (Problem e) {
            return refused(new RefusedException(Why.NO_ROLE, String.valueOf(e.getMessage()), e));
        } catch (IllegalArgumentException e) {
            return refused(new RefusedException(Why.FAILED, "the answer is no address", e));
        }
    }

    /** The issuer says that somebody signed out there; what let them in here does so no more. */
    @PostMapping(path = PATH + "/sign-out", consumes = MediaType.APPLICATION_FORM_URLENCODED_VALUE)
    ResponseEntity<Void> signedOut(HttpServletRequest request) throws IOException {
        // Its body was taken in before, so that there are no parameters to be asked for.
        var form = new String(request.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        try {
            var token = URLUtils.parseParameters(form).getOrDefault("logout_token", List.of());
            if (token.size() != 1) {
                throw new RefusedException(Why.FAILED, "no logout_token was sent", null);
            }
            accounts.signedOutByTheOrganisation(organisation.signedOut(token.getFirst()));
            return ResponseEntity.ok().cacheControl(CacheControl.noStore()).build();
        } catch (RefusedException e) {
            LOG.info("a sign-out that the organisation told of was not taken: {}", e.getMessage());
            throw new Problem(Problem.Kind.INVALID, "that is no sign-out of one who is known here");
        }
    }

    /** The page says why, in words for people; what exactly went wrong is for the log. */
    private static ResponseEntity<Void> refused(RefusedException e) {
        LOG.info("somebody was not let in by the organisation's accounts: {}", e.getMessage());
        var why = e.why().name().toLowerCase(Locale.ROOT).replace('_', '-');
        return goTo(URI.create("/#refused=" + why));
    }

    private static ResponseEntity<Void> goTo(URI where) {
        return ResponseEntity.status(HttpStatus.FOUND).location(where).build();
    }

    /** The cookie is lax, since it has to come along when the issuer sends the browser back. */
    private static void remember(
            String browser, Duration lasts, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(BROWSER, browser)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .path(PATH)
                        .maxAge(lasts)
                        .build()
                        .toString());
    }
}
