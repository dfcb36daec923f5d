package choir.server.journal;

import choir.server.web.Problem;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class JournalApi {
    private final Journal journal;

    JournalApi(Journal journal) {
        this.journal = journal;
    }

    /** @param seal what an entry is sealed with, over all that came before it */
    record SealView(long id, String seal) {}

    /** The seal of one entry, to be held against one that was noted down elsewhere. */
    @GetMapping("/api/v1/journal/{id}/seal")
    SealView seal(@PathVariable long id) {
        return journal.sealOf(id)
                .map(seal -> new SealView(id, seal.text()))
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "the journal has no entry " + id));
    }

    /** The newest first; {@code about} keeps those of one camera, group, template, recorder or calendar. */
    @GetMapping("/api/v1/journal")
    List<Journal.Entry> entries(
            @RequestParam(defaultValue = "9223372036854775807") long before,
            @RequestParam(defaultValue = "") String about,
            @RequestParam(defaultValue = "100") int limit) {
        return journal.before(before, about, Math.clamp(limit, 1, 1000));
    }
}
