package choir.server.standing;

import choir.document.PolicyDocument.OfTemplate;
import choir.document.PolicyReader;
import choir.document.SettingReader;
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
import choir.server.policy.CalendarStore;
import choir.server.policy.PolicyStore;
import choir.server.web.Problem;
import java.util.ArrayList;
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

/** What would come of something that is only thought of: nothing is stored. */
@RestController
class TrialApi {
    record TriedText(String text) {}

    /**
     * @param cameras of this family of which the recorder would have to hold something else
     * @param cannot what the family has no place for, once for all its cameras
     * @param approximated what would come out different from what is asked
     */
    record FamilyTrial(String family, int cameras, List<String> cannot, List<String> approximated) {}

    /** @param reached cameras that the template reaches at all */
    record TemplateTrial(int reached, int cameras, List<FamilyTrial> families) {}

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
    record AreasTrial(
            List<String> cells,
            List<String> asked,
            @Nullable String approximated,
            @Nullable String cannot) {}

    private final Standings standings;
    private final PolicyStore policies;
    private final CalendarStore calendars;

    TrialApi(Standings standings, PolicyStore policies, CalendarStore calendars) {
        this.standings = standings;
        this.policies = policies;
        this.calendars = calendars;
    }

    private static final class Tally {
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
    @PostMapping("/api/v1/template-trials")
    TemplateTrial template(@RequestBody TriedText given) {
        var documents = PolicyReader.read(given.text());
        if (documents.size() != 1 || !(documents.getFirst() instanceof OfTemplate t)) {
            throw new Problem(Problem.Kind.INVALID, "expected one document that starts with \"template:\"");
        }
        var tried = new Template(t.name(), 1, t.title(), t.base(), t.layer());
        var book = policies.book(Optional.of(tried));
        var dates = calendars.calendars();
        Map<String, Tally> families = new TreeMap<>();
        int reached = 0;
        for (var s : standings.all()) {
            var camera = s.camera();
            if (!book.templatesReaching(camera.camera(), camera.group())
                    .contains(t.name().text())) {
                continue;
            }
            reached++;
            var after = Translator.translate(book.of(camera.camera(), camera.group()), s.family(), s.mask(), dates);
            if (!after.equals(s.translation())) {
                families.computeIfAbsent(s.family().name(), f -> new Tally()).count(s.translation(), after);
            }
        }
        List<FamilyTrial> views = new ArrayList<>();
        families.forEach((family, tally) -> views.add(
                new FamilyTrial(family, tally.cameras, List.copyOf(tally.cannot), List.copyOf(tally.approximated))));
        return new TemplateTrial(
                reached, views.stream().mapToInt(FamilyTrial::cameras).sum(), views);
    }

    /** What the recorder of a camera would hold for these areas. */
    @PostMapping("/api/v1/area-trials")
    AreasTrial areas(@RequestBody Areas given) {
        var s = standings.of(Node.Camera.parse(given.camera()));
        var above = given.alone()
                ? EffectivePolicy.EMPTY
                : policies.book()
                        .without(
                                Catalogue.AREAS, s.camera().camera(), s.camera().group());
        var value = SettingReader.read(Catalogue.AREAS.text(), given.areas());
        var policy = PolicyBook.with(above, s.camera().camera(), Map.of(Catalogue.AREAS, new Statement.Set(value)));
        var wish = Translator.translate(policy, s.family(), s.mask(), calendars.calendars())
                .wishes()
                .get(Catalogue.AREAS);
        return switch (wish) {
            case null -> new AreasTrial(List.of(), List.of(), null, "nothing was asked");
            case Wish.Cannot c -> new AreasTrial(List.of(), List.of(), null, c.why());
            case Wish.Wanted w ->
                new AreasTrial(
                        CameraView.cells(s.family(), Optional.of(w.value())),
                        CameraView.asked(s.family(), policy),
                        w.approximated().orElse(null),
                        null);
        };
    }
}
