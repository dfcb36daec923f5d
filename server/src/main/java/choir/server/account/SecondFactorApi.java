package choir.server.account;

import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The second factor of whoever is signed in, and of somebody who lost theirs. */
@RestController
class SecondFactorApi {
    /** @param code of the second factor that is in use, where there is one */
    record PasswordAgain(String password, @Nullable String code) {}

    record Code(String code) {}

    record RecoveryCodes(List<String> codes) {}

    private final SecondFactor factor;
    private final Accounts accounts;
    private final KnownPlaces places;

    SecondFactorApi(SecondFactor factor, Accounts accounts, KnownPlaces places) {
        this.factor = factor;
        this.accounts = accounts;
        this.places = places;
    }

    @GetMapping("/api/v1/session/second-factor")
    SecondFactor.State state(Principal who) {
        return factor.of(who.getName());
    }

    /** What the authenticator is told; the password is asked for again, so that a page left open is not enough. */
    @PostMapping("/api/v1/session/second-factor")
    SecondFactor.Begun begin(@RequestBody PasswordAgain given, Principal who, HttpServletRequest request) {
        again(given, who, request);
        return factor.begin(who.getName());
    }

    /** A first code of it; from now on one is asked for. */
    @PostMapping("/api/v1/session/second-factor/confirmation")
    RecoveryCodes confirm(@RequestBody Code given, Principal who) {
        return new RecoveryCodes(factor.confirm(who.getName(), given.code()));
    }

    @PostMapping("/api/v1/session/second-factor/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@RequestBody PasswordAgain given, Principal who, HttpServletRequest request) {
        again(given, who, request);
        factor.end(who.getName(), who.getName());
    }

    private void again(PasswordAgain given, Principal who, HttpServletRequest request) {
        if (accounts.require(who.getName()).subject().isPresent()) {
            throw new Problem(
                    Problem.Kind.CONFLICT, "you come by the organisation's accounts, which have factors of their own");
        }
        try {
            accounts.check(
                    who.getName(),
                    given.password(),
                    Optional.ofNullable(given.code()),
                    places.of(who.getName(), request));
        } catch (Problem e) {
            // They are signed in all the same.
            throw e.kind() == Problem.Kind.TOO_MANY
                    ? e
                    : new Problem(Problem.Kind.NOT_ALLOWED, String.valueOf(e.getMessage()));
        }
    }

    /** For somebody whose authenticator and recovery codes are lost. */
    @DeleteMapping("/api/v1/people/{name}/second-factor")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lost(@PathVariable String name, Principal who) {
        accounts.mustKnow(name);
        factor.end(name, who.getName());
    }
}
