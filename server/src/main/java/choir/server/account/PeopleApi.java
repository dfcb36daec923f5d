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
    record PersonRequest(String name, String role) {}

    record RoleRequest(String role) {}

    /**
     * @param oneTime a one-time password was given out and not replaced yet
     * @param oneTimeUntil when that one ends; missing when it does not
     * @param ofTheOrganisation they come by the organisation's accounts, which decide their role, and have no password here
     * @param tokens how many let them in
     */
    record PersonView(
            String name,
            String role,
            boolean oneTime,
            @Nullable String oneTimeUntil,
            String createdAt,
            boolean ofTheOrganisation,
            int tokens) {}

    record Invitation(String name, String role, String oneTimePassword) {}

    private final People people;

    private final Accounts accounts;

    PeopleApi(People people, Accounts accounts) {
        this.people = people;
        this.accounts = accounts;
    }

    @GetMapping("/api/v1/people")
    List<PersonView> people() {
        return people.all();
    }

    @PostMapping("/api/v1/people")
    @ResponseStatus(HttpStatus.CREATED)
    Invitation add(@RequestBody PersonRequest given, Principal who) {
        var role = Role.of(given.role());
        return new Invitation(given.name(), role.word(), people.add(given.name(), role, who.getName()));
    }

    @PutMapping("/api/v1/people/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@PathVariable String name, @RequestBody RoleRequest given, Principal who) {
        people.setRole(name, Role.of(given.role()), who.getName());
    }

    /** For somebody who forgot theirs. */
    @PostMapping("/api/v1/people/{name}/one-time-password")
    Invitation renew(@PathVariable String name, Principal who) {
        var password = people.renew(name, who.getName());
        return new Invitation(name, people.role(name).word(), password);
    }

    @GetMapping("/api/v1/people/{name}/tokens")
    List<Accounts.Token> tokens(@PathVariable String name) {
        accounts.mustKnow(name);
        return accounts.tokens(name);
    }

    @DeleteMapping("/api/v1/people/{name}/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable String name, @PathVariable long id, Principal who) {
        accounts.mustKnow(name);
        accounts.revoke(name, id, who.getName());
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
