package choir.server.work;

import choir.server.journal.Journal;
import choir.server.reach.Reach;
import choir.server.web.Mailbox;
import choir.server.web.Problem;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** How far long work is: once, or as a stream of server-sent events that ends with the work. */
@RestController
class WorkApi {
    private final Works works;
    private final WorkWatchers watchers;
    private final Journal journal;

    WorkApi(Works works, WorkWatchers watchers, Journal journal) {
        this.works = works;
        this.watchers = watchers;
        this.journal = journal;
    }

    @GetMapping("/api/v1/works/{id}")
    WorkView work(@PathVariable long id, Principal who) {
        return WorkView.of(seen(id, who));
    }

    /** Whoever does not see the whole fleet sees their own alone. */
    private Work seen(long id, Principal who) {
        var work = works.get(id);
        if (!Reach.current().isEverywhere() && !work.who().equals(who.getName())) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no work " + id);
        }
        return work;
    }

    /** What is under way at a recorder is settled first. */
    @PostMapping("/api/v1/works/{id}/stop")
    @ResponseStatus(HttpStatus.ACCEPTED)
    WorkView stop(@PathVariable long id, Principal who) {
        seen(id, who);
        works.stop(id, who.getName());
        journal.add(who.getName(), "asked for work to stop", "work " + id, "");
        return WorkView.of(works.get(id));
    }

    @GetMapping("/api/v1/works/{id}/progress")
    SseEmitter progress(@PathVariable long id, Principal who) {
        seen(id, who);
        var mailbox = Mailbox.open(
                () -> {
                    var work = works.get(id);
                    return new Mailbox.Told("work", WorkView.of(work), work.hasEnded());
                },
                ended -> watchers.remove(id, ended));
        watchers.add(id, mailbox);
        mailbox.ring();
        return mailbox.emitter();
    }
}
