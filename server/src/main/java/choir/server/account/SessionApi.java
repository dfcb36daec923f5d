package choir.server.account;

import choir.fleet.Node;
import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.security.Principal;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, and tokens for the command line. */
@RestController
class SessionApi {
    /** @param code of the authenticator, of those who have one */
    record SignIn(String user, String password, @Nullable String code) {}

    /**
     * @param role the highest that they have anywhere
     * @param places the groups in which alone they may look; empty for the whole fleet
     * @param footage whether they see any
     * @param decides whether they decide any finding
     */
    record Session(
            String user,
            String role,
            List<String> places,
            boolean footage,
            boolean decides,
            boolean mustChoosePassword) {
        static Session of(Accounts.Account account, boolean mustChoosePassword) {
            var grants = account.grants();
            var seen = grants.reach(Right.SEE);
            return new Session(
                    account.name(),
                    grants.highest().name(),
                    seen.isEverywhere()
                            ? List.of()
                            : seen.groups().stream().map(Node.Group::text).toList(),
                    !grants.reach(Right.FOOTAGE).isNowhere(),
                    !grants.reach(Right.DECIDE).isNowhere(),
                    mustChoosePassword);
        }
    }

    /** @param goTo where whoever came by the organisation's accounts signs out there as well; missing for all others */
    record SignedOut(@Nullable String goTo) {}

    /** @param code as in {@link SignIn} */
    record NewPassword(
            String user, String old, String fresh, @Nullable String code) {}

    /**
     * @param code as in {@link SignIn}
     * @param role what the token is to let in to at most; missing for all that its person may do
     * @param place the group in which alone it is to let in; missing for wherever its person may be
     * @param days after so many it ends by itself; missing for when it is taken back
     */
    record TokenRequest(
            String user,
            String password,
            @Nullable String code,
            String label,
            @Nullable String role,
            @Nullable String place,
            @Nullable Integer days) {}

    /** The same of somebody who is signed in. */
    record OwnTokenRequest(
            String label,
            @Nullable String role,
            @Nullable String place,
            @Nullable Integer days) {}

    record TokenText(String user, String token) {}

    private final Accounts accounts;
    private final Tokens tokens;
    private final KnownPlaces places;
    private final Organisation organisation;
    private final Sessions sessions;

    SessionApi(Accounts accounts, Tokens tokens, KnownPlaces places, Organisation organisation, Sessions sessions) {
        this.sessions = sessions;
        this.tokens = tokens;
        this.places = places;
        this.organisation = organisation;
        this.accounts = accounts;
    }

    @PostMapping("/api/v1/session")
    Session signIn(@RequestBody SignIn given, HttpServletRequest request, HttpServletResponse response) {
        var account = check(given.user(), given.password(), given.code(), request);
        if (account.oneTime()) {
            return Session.of(account, true);
        }
        begin(account, sessions, request, response);
        places.remember(account.name(), request, response);
        accounts.note(account.name(), "signed in");
        return Session.of(account, false);
    }

    private Accounts.Account check(String user, String password, @Nullable String code, HttpServletRequest request) {
        return accounts.check(user, password, Optional.ofNullable(code), places.of(user, request));
    }

    /** A session that was there before is somebody else's. */
    static void begin(
            Accounts.Account account, Sessions sessions, HttpServletRequest request, HttpServletResponse response) {
        var before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        var context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication(account));
        SecurityContextHolder.setContext(context);
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
        sessions.begun(request.getSession(), account, request);
    }

    /** What they may do is looked up each time they come. */
    static Authentication authentication(Accounts.Account account) {
        var token = new UsernamePasswordAuthenticationToken(account.name(), null, List.of());
        token.setDetails(account.version());
        return token;
    }

    @GetMapping("/api/v1/session")
    Session session(HttpServletRequest request) {
        return Session.of(SignedIn.of(request), false);
    }

    @DeleteMapping("/api/v1/session")
    SignedOut signOut(HttpServletRequest request, @Nullable Principal who) {
        var session = request.getSession(false);
        Optional<URI> goTo = Optional.empty();
        if (session != null) {
            goTo = Optional.ofNullable((String) session.getAttribute(OrganisationApi.ID_TOKEN))
                    .flatMap(organisation::signOutAt);
            session.invalidate();
            if (who != null) {
                accounts.note(who.getName(), "signed out");
            }
        }
        SecurityContextHolder.clearContext();
        return new SignedOut(goTo.map(URI::toString).orElse(null));
    }

    @PostMapping("/api/v1/session/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choosePassword(@RequestBody NewPassword given, HttpServletRequest request) {
        accounts.choosePassword(
                given.user(),
                given.old(),
                given.fresh(),
                Optional.ofNullable(given.code()),
                places.of(given.user(), request));
    }

    @PostMapping("/api/v1/session/token")
    TokenText makeToken(@RequestBody TokenRequest given, HttpServletRequest request) {
        var account = check(given.user(), given.password(), given.code(), request);
        if (account.oneTime()) {
            throw new Problem(
                    Problem.Kind.NOT_ALLOWED,
                    "the password is a one-time one; choose your own first, in the console or by: choir login --new-password");
        }
        return new TokenText(
                account.name(),
                tokens.make(account.name(), wish(given.label(), given.role(), given.place(), given.days())));
    }

    private static Tokens.Wish wish(
            String label, @Nullable String role, @Nullable String place, @Nullable Integer days) {
        return new Tokens.Wish(
                label,
                Optional.ofNullable(role).map(Role::of),
                Optional.ofNullable(place).map(Node.Group::of),
                Optional.ofNullable(days).map(Duration::ofDays));
    }

    /** Whoever comes by a token that may little, or ends, does not get one by it that may more or ends later. */
    @PostMapping("/api/v1/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    TokenText makeOwnToken(@RequestBody OwnTokenRequest given, Principal who, HttpServletRequest request) {
        var wish = wish(given.label(), given.role(), given.place(), given.days());
        var taken = request.getAttribute(Doors.BY_TOKEN) instanceof String token ? tokens.noWider(token, wish) : wish;
        return new TokenText(who.getName(), tokens.make(who.getName(), taken));
    }

    @GetMapping("/api/v1/tokens")
    List<Tokens.Token> tokens(Principal principal) {
        return tokens.of(principal.getName());
    }

    @DeleteMapping("/api/v1/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable long id, Principal principal) {
        tokens.revoke(principal.getName(), id, principal.getName());
    }

    /** Everything that lets this person in without their password does so no more, this session among them. */
    @DeleteMapping("/api/v1/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOutEverywhere(Principal principal) {
        accounts.endSessions(principal.getName(), principal.getName());
    }
}
