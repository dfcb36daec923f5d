package choir.server.account;

import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who may sign in, and as what. A one-time password is shown once, to the administrator who asked for it. */
@RestController
class PeopleApi {
    /**
     * @param roles each such as {@code viewer}, for the whole fleet, or {@code technician:terminals/haldr} for a group
     * @param footage whether they see footage wherever they may look; missing for: where they are technician or more
     * @param decides whether they decide findings there; missing for: where they are editor or more
     */
    record PersonRequest(
            String name,
            List<String> roles,
            @Nullable Boolean footage,
            @Nullable Boolean decides) {}

    /** The same of somebody who is there. */
    record RolesRequest(
            List<String> roles,
            @Nullable Boolean footage,
            @Nullable Boolean decides) {}

    /**
     * @param roles, footage and decides as in {@link PersonRequest}
     * @param oneTime a one-time password was given out and not replaced yet
     * @param oneTimeUntil when that one ends; missing when it does not
     * @param ofTheOrganisation they come by the organisation's accounts, which decide their role, and have no password here
     * @param secondFactor a code of their authenticator is asked for as well
     * @param tokens how many let them in
     */
    record PersonView(
            String name,
            List<String> roles,
            @Nullable Boolean footage,
            @Nullable Boolean decides,
            boolean oneTime,
            @Nullable String oneTimeUntil,
            String createdAt,
            boolean ofTheOrganisation,
            boolean secondFactor,
            int tokens) {}

    record Invitation(String name, List<String> roles, String oneTimePassword) {}

    private final People people;

    private final Accounts accounts;
    private final Tokens tokens;

    PeopleApi(People people, Accounts accounts, Tokens tokens) {
        this.people = people;
        this.accounts = accounts;
        this.tokens = tokens;
    }

    @GetMapping("/api/v1/people")
    List<PersonView> people() {
        return people.all();
    }

    @PostMapping("/api/v1/people")
    @ResponseStatus(HttpStatus.CREATED)
    Invitation add(@RequestBody PersonRequest given, Principal who) {
        var grants = Grants.of(given.roles(), given.footage(), given.decides());
        return new Invitation(given.name(), grants.texts(), people.add(given.name(), grants, who.getName()));
    }

    @PutMapping("/api/v1/people/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@PathVariable String name, @RequestBody RolesRequest given, Principal who) {
        people.give(name, Grants.of(given.roles(), given.footage(), given.decides()), who.getName());
    }

    /** For somebody who forgot theirs. */
    @PostMapping("/api/v1/people/{name}/one-time-password")
    Invitation renew(@PathVariable String name, Principal who) {
        var password = people.renew(name, who.getName());
        return new Invitation(name, people.grants(name).texts(), password);
    }

    @GetMapping("/api/v1/people/{name}/tokens")
    List<Tokens.Token> tokens(@PathVariable String name) {
        accounts.mustKnow(name);
        return tokens.of(name);
    }

    @DeleteMapping("/api/v1/people/{name}/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable String name, @PathVariable long id, Principal who) {
        accounts.mustKnow(name);
        tokens.revoke(name, id, who.getName());
    }

    /** For somebody whose machine was lost. */
    @DeleteMapping("/api/v1/people/{name}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOutEverywhere(@PathVariable String name, Principal who) {
        accounts.endSessions(name, who.getName());
    }

    @DeleteMapping("/api/v1/people/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String name, Principal who) {
        people.remove(name, who.getName());
    }
}
