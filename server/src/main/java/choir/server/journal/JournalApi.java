package choir.server.journal;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class JournalApi {
    private final Journal journal;

    JournalApi(Journal journal) {
        this.journal = journal;
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
