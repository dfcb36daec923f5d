package choir.server.account;

import choir.server.account.Sessions.SessionView;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Open sessions one by one: of somebody's own, and of others for administrators. */
@RestController
class SessionsApi {
    private final Sessions sessions;

    SessionsApi(Sessions sessions) {
        this.sessions = sessions;
    }

    @GetMapping("/api/v1/sessions")
    List<SessionView> own(Principal who, HttpServletRequest request) {
        return sessions.of(who.getName(), Sessions.of(request));
    }

    @DeleteMapping("/api/v1/sessions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOwn(@PathVariable String id, Principal who) {
        sessions.end(who.getName(), id, who.getName());
    }

    @GetMapping("/api/v1/people/{name}/sessions")
    List<SessionView> of(@PathVariable String name, HttpServletRequest request) {
        return sessions.of(name, Sessions.of(request));
    }

    @DeleteMapping("/api/v1/people/{name}/sessions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable String name, @PathVariable String id, Principal who) {
        sessions.end(name, id, who.getName());
    }
}
