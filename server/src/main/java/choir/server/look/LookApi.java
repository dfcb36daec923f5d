package choir.server.look;

import choir.server.audit.ChosenFindings;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.journal.Journal;
import choir.server.reach.Reach;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** What happened since the person who is signed in looked last. */
@RestController
class LookApi {
    /** What is counted; of more it is only said that there are more. */
    private static final int MOST = 5_000;

    private static final int SHOWN = 5;

    /**
     * @param since when they looked last; missing when this is the first time
     * @param opened findings that came, and are still open
     * @param worst of those the worst few
     * @param ended findings that went
     * @param changes what others did, without what only looks; nothing for who may not read the journal
     * @param lastChanges of those the newest few
     * @param atLeast one of the numbers is the most that is counted
     */
    record SinceView(
            @Nullable String since,
            int opened,
            List<String> worst,
            int ended,
            int changes,
            List<Journal.Entry> lastChanges,
            boolean atLeast) {
        static final SinceView FIRST = new SinceView(null, 0, List.of(), 0, 0, List.of(), false);
    }

    private final LookStore looks;
    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final Journal journal;

    LookApi(LookStore looks, FindingStore findings, ChosenFindings chosen, Journal journal) {
        this.looks = looks;
        this.findings = findings;
        this.chosen = chosen;
        this.journal = journal;
    }

    /** Without saying that they look. */
    @GetMapping("/api/v1/overview/since")
    SinceView since(Principal who) {
        return looks.of(who.getName())
                .map(look -> of(look.again(looks.now()), who.getName()))
                .orElse(SinceView.FIRST);
    }

    /** They look now; the answer stays the same for as long as they stay. */
    @PostMapping("/api/v1/overview/since")
    SinceView look(Principal who) {
        var look = looks.look(who.getName());
        return look.isFirst() ? SinceView.FIRST : of(look, who.getName());
    }

    private SinceView of(Look look, String person) {
        var since = look.since();
        var opened = findings.openedAfter(since.finding(), MOST);
        var ended = findings.endedSince(since.at(), since.finding(), MOST);
        var changes = Reach.current().isEverywhere()
                ? journal.changesAfter(since.entry(), person, MOST)
                : List.<Journal.Entry>of();
        var mine = chosen.of("", opened);
        return new SinceView(
                since.at().toString(),
                mine.size(),
                mine.stream().limit(SHOWN).map(LookApi::words).toList(),
                chosen.of("", ended).size(),
                changes.size(),
                changes.reversed().stream().limit(SHOWN).toList(),
                opened.size() == MOST || ended.size() == MOST || changes.size() == MOST);
    }

    private static String words(Finding finding) {
        return finding.where() + ": " + finding.sentence();
    }
}
