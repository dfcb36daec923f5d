package choir.server.account;

import choir.server.journal.Journal;
import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.servlet.http.HttpSessionEvent;
import jakarta.servlet.http.HttpSessionListener;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Sessions that are open, each under a name of its own, since what lets in by its cookie is told to nobody. */
@Component
class Sessions implements HttpSessionListener {
    private static final String ID = "choir.session";
    private static final int LONGEST_PROGRAM = 160;

    /**
     * @param address from which it began
     * @param program the browser, as it called itself then; it may say anything
     * @param thisOne it is the one that asks
     */
    record SessionView(String id, String began, String lastSeen, String address, String program, boolean thisOne) {}

    private record Open(
            String id, HttpSession session, Accounts.Account account, Instant began, String address, String program) {
        /** Empty when it has ended meanwhile. */
        Optional<SessionView> seen(Object own) {
            try {
                var last = Instant.ofEpochMilli(session.getLastAccessedTime());
                return Optional.of(
                        new SessionView(id, began.toString(), last.toString(), address, program, id.equals(own)));
            } catch (IllegalStateException e) {
                return Optional.empty();
            }
        }
    }

    private final Map<String, Open> open = new ConcurrentHashMap<>();
    private final Accounts accounts;
    private final Journal journal;
    private final Clock clock;

    Sessions(Accounts accounts, Journal journal, Clock clock) {
        this.accounts = accounts;
        this.journal = journal;
        this.clock = clock;
    }

    /** Somebody has come in by this session. */
    void begun(HttpSession session, Accounts.Account account, HttpServletRequest request) {
        var id = accounts.secret(6);
        session.setAttribute(ID, id);
        var program =
                Objects.requireNonNullElse(request.getHeader("User-Agent"), "").replaceAll("\\p{Cntrl}", " ");
        open.put(
                id,
                new Open(
                        id,
                        session,
                        account,
                        clock.instant(),
                        request.getRemoteAddr(),
                        program.substring(0, Math.min(LONGEST_PROGRAM, program.length()))));
    }

    @Override
    public void sessionDestroyed(HttpSessionEvent event) {
        if (event.getSession().getAttribute(ID) instanceof String id) {
            open.remove(id);
        }
    }

    /** Those of somebody that still let in, the last that began first. */
    List<SessionView> of(String name, Object own) {
        return living(name)
                .sorted(Comparator.comparing(Open::began).reversed())
                .flatMap(o -> o.seen(own).stream())
                .toList();
    }

    /** Which of them a request comes by; something else when it comes by none. */
    static Object of(HttpServletRequest request) {
        var session = request.getSession(false);
        return session != null && session.getAttribute(ID) instanceof String id ? id : "";
    }

    /** What began before another version of somebody lets in no more, though it is there. */
    private Stream<Open> living(String name) {
        long version = accounts.require(name).version();
        return open.values().stream()
                .filter(o -> o.account().name().equals(name) && o.account().version() == version);
    }

    /** @throws Problem when they have no such session */
    void end(String name, String id, String who) {
        var one = living(name)
                .filter(o -> o.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Problem(
                        Problem.Kind.NOT_FOUND, name + " has no session \"" + id + "\"; it may have ended by itself"));
        open.remove(id);
        try {
            one.session().invalidate();
        } catch (IllegalStateException e) {
            // It ended at the same time.
        }
        journal.add(who, "ended a session", name, one.program());
    }
}
