package choir.server.work;

import java.io.IOException;
import java.time.Duration;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** How far long work is: once, or as a stream of server-sent events that ends with the work. */
@RestController
class WorkApi {
    private final Works works;

    WorkApi(Works works) {
        this.works = works;
    }

    @GetMapping("/api/v1/works/{id}")
    Work work(@PathVariable long id) {
        return works.get(id);
    }

    @GetMapping("/api/v1/works/{id}/progress")
    SseEmitter progress(@PathVariable long id) {
        var emitter = new SseEmitter(Duration.ofHours(1).toMillis());
        var stop = works.listen(id, work -> send(emitter, work));
        emitter.onCompletion(stop);
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> stop.run());
        send(emitter, works.get(id));
        return emitter;
    }

    private static synchronized void send(SseEmitter emitter, Work work) {
        try {
            emitter.send(SseEmitter.event().name("work").data(work));
            if (work.hasEnded()) {
                emitter.complete();
            }
        } catch (IOException | IllegalStateException e) {
            emitter.completeWithError(e);
        }
    }
}
