package choir.server.standing;

import choir.area.CellMask;
import choir.document.PolicyDocument.OfTemplate;
import choir.document.PolicyReader;
import choir.document.SettingReader;
import choir.drift.Soundness;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.family.Translator;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Layer.Statement;
import choir.policy.PolicyBook;
import choir.policy.SettingKey;
import choir.policy.Template;
import choir.server.policy.PolicyStore;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What would come of a draft: nothing is stored. */
@RestController
class DraftApi {
    record DraftText(String text) {}

    /**
     * @param cameras of this family of which the recorder would have to hold something else
     * @param cannot what the family has no place for, once for all its cameras
     * @param approximated what would come out different from what is asked
     */
    record FamilyDraft(String family, int cameras, List<String> cannot, List<String> approximated) {}

    /**
     * @param reached cameras that the template reaches at all
     * @param warnings what in it cannot both be
     */
    record TemplateDraft(int reached, int cameras, List<FamilyDraft> families, List<String> warnings) {}

    /**
     * @param areas as they stand in a policy file
     * @param alone leaves out what the layers above the camera say
     */
    record Areas(String camera, String areas, boolean alone) {}

    /**
     * @param cells what the recorder would watch, one line a row, {@code #} for watched
     * @param asked what was asked, on the same cells
     * @param cannot why the recorder cannot; missing when it can
     */
    record AreasDraft(
            List<String> cells,
            List<String> asked,
            @Nullable String approximated,
            @Nullable String cannot) {}

    private final Standings standings;
    private final PolicyStore policies;
    private final Clock clock;

    DraftApi(Standings standings, PolicyStore policies, Clock clock) {
        this.standings = standings;
        this.policies = policies;
        this.clock = clock;
    }

    private record Asked(Identity policy, String family, Optional<CellMask> mask) {}

    private static final class Count {
        private int cameras;
        private final Set<String> cannot = new LinkedHashSet<>();
        private final Set<String> approximated = new LinkedHashSet<>();

        void count(Translation before, Translation after) {
            cameras++;
            after.wishes().forEach((key, wish) -> {
                if (!wish.equals(before.wishes().get(key))) {
                    note(key, wish);
                }
            });
        }

        private void note(SettingKey key, Wish wish) {
            switch (wish) {
                case Wish.Cannot c -> cannot.add(c.why() + " (asked " + c.asked() + ")");
                case Wish.Wanted w ->
                    w.approximated()
                            .ifPresent(a -> approximated.add(Catalogue.get(key).title() + ": " + a));
            }
        }
    }

    /** What publishing this text as its template would touch, family by family. */
    @PostMapping("/api/v1/template-drafts")
    TemplateDraft template(@RequestBody DraftText given) {
        var documents = PolicyReader.read(given.text());
        if (documents.size() != 1 || !(documents.getFirst() instanceof OfTemplate t)) {
            throw new Problem(Problem.Kind.INVALID, "expected one document that starts with \"template:\"");
        }
        var drafted = new Template(t.name(), 1, t.title(), t.base(), t.layer());
        var book = policies.book(Optional.of(drafted), LocalDate.now(clock));
        var dates = standings.calendars();
        Map<String, Count> families = new TreeMap<>();
        Map<Asked, Translation> translations = new HashMap<>();
        int reached = 0;
        for (var s : standings.all()) {
            if (!book.templatesReaching(s.group(), s.own().uses())
                    .contains(t.name().text())) {
                continue;
            }
            reached++;
            var policy = book.of(s.camera(), s.group(), s.own());
            var after = translations.computeIfAbsent(
                    new Asked(new Identity(policy), s.family().name(), s.mask()),
                    a -> Translator.translate(policy, s.family(), s.mask(), dates));
            if (!after.equals(s.translation())) {
                families.computeIfAbsent(s.family().name(), f -> new Count()).count(s.translation(), after);
            }
        }
        List<FamilyDraft> views = new ArrayList<>();
        families.forEach((family, tally) -> views.add(
                new FamilyDraft(family, tally.cameras, List.copyOf(tally.cannot), List.copyOf(tally.approximated))));
        return new TemplateDraft(
                reached,
                views.stream().mapToInt(FamilyDraft::cameras).sum(),
                views,
                Soundness.ofTemplate(book.of(t.name())).stream()
                        .map(u -> u.sentence() + ".")
                        .toList());
    }

    /** What the recorder of a camera would hold for these areas. */
    @PostMapping("/api/v1/area-drafts")
    AreasDraft areas(@RequestBody Areas given) {
        var s = standings.of(Node.Camera.parse(given.camera()));
        var above = given.alone()
                ? EffectivePolicy.EMPTY
                : standings.snapshot().said().book().without(Catalogue.AREAS, s.camera(), s.group(), s.own());
        var value = SettingReader.read(Catalogue.AREAS.text(), given.areas());
        var policy = PolicyBook.with(above, s.camera(), Map.of(Catalogue.AREAS, new Statement.Set(value)));
        var wish = Translator.translate(policy, s.family(), s.mask(), standings.calendars())
                .wishes()
                .get(Catalogue.AREAS);
        return switch (wish) {
            case null -> new AreasDraft(List.of(), List.of(), null, "nothing was asked");
            case Wish.Cannot c -> new AreasDraft(List.of(), List.of(), null, c.why());
            case Wish.Wanted w ->
                new AreasDraft(
                        AreaView.cells(s.family(), Optional.of(w.value())),
                        AreaView.asked(s.family(), policy),
                        w.approximated().orElse(null),
                        null);
        };
    }
}
