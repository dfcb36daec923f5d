package choir.server.account;

import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
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
    record SignIn(String user, String password) {}

    record Session(String user, String role, boolean mustChoosePassword) {}

    record NewPassword(String user, String old, String fresh) {}

    record TokenRequest(String user, String password, String label) {}

    record TokenText(String user, String token) {}

    private final Accounts accounts;
    private final KnownPlaces places;

    SessionApi(Accounts accounts, KnownPlaces places) {
        this.places = places;
        this.accounts = accounts;
    }

    @PostMapping("/api/v1/session")
    Session signIn(@RequestBody SignIn given, HttpServletRequest request, HttpServletResponse response) {
        var account = accounts.check(given.user(), given.password(), places.of(given.user(), request));
        if (account.oneTime()) {
            return new Session(account.name(), account.role().name(), true);
        }
        var before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        var context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication(account));
        SecurityContextHolder.setContext(context);
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
        places.remember(account.name(), request, response);
        accounts.note(account.name(), "signed in");
        return new Session(account.name(), account.role().name(), false);
    }

    static Authentication authentication(Accounts.Account account) {
        List<SimpleGrantedAuthority> authorities = account.role().included().stream()
                .map(r -> new SimpleGrantedAuthority("ROLE_" + r))
                .toList();
        var token = new UsernamePasswordAuthenticationToken(account.name(), null, authorities);
        token.setDetails(account.version());
        return token;
    }

    @GetMapping("/api/v1/session")
    Session session(Authentication authentication) {
        var role = authentication.getAuthorities().stream()
                .map(a -> Role.valueOf(String.valueOf(a.getAuthority()).substring("ROLE_".length())))
                .max(java.util.Comparator.naturalOrder())
                .orElse(Role.VIEWER);
        return new Session(authentication.getName(), role.name(), false);
    }

    @DeleteMapping("/api/v1/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request, @Nullable Principal who) {
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
            if (who != null) {
                accounts.note(who.getName(), "signed out");
            }
        }
        SecurityContextHolder.clearContext();
    }

    @PostMapping("/api/v1/session/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choosePassword(@RequestBody NewPassword given, HttpServletRequest request) {
        accounts.choosePassword(given.user(), given.old(), given.fresh(), places.of(given.user(), request));
    }

    @PostMapping("/api/v1/session/token")
    TokenText makeToken(@RequestBody TokenRequest given, HttpServletRequest request) {
        var account = accounts.check(given.user(), given.password(), places.of(given.user(), request));
        if (account.oneTime()) {
            throw new Problem(
                    Problem.Kind.NOT_ALLOWED,
                    "the password is a one-time one; sign in to the console and choose your own first");
        }
        return new TokenText(account.name(), accounts.makeToken(account.name(), given.label()));
    }

    @GetMapping("/api/v1/tokens")
    List<Accounts.Token> tokens(Principal principal) {
        return accounts.tokens(principal.getName());
    }

    @DeleteMapping("/api/v1/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable long id, Principal principal) {
        accounts.revoke(principal.getName(), id);
    }
}
