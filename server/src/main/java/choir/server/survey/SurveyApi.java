package choir.server.survey;

import choir.family.NativeText;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.policy.PolicyStore;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.survey.Proposal;
import choir.survey.Surveyed;
import choir.survey.Variants;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is really set today, and a policy that would say just that. */
@RestController
class SurveyApi {
    /** @param cameras at most the first hundred by name */
    record VariantView(String value, boolean factory, int count, List<String> cameras) {}

    /** @param oddOnesOut the variants that one camera in ten has, or fewer */
    record SettingSurvey(
            String family,
            String key,
            String title,
            int cameras,
            List<VariantView> variants,
            List<VariantView> oddOnesOut) {}

    record ProposedFile(String name, String text) {}

    /**
     * @param unread cameras of which nothing is known
     * @param proposal policy files that describe whole groups as they are; loaded and given out, they change nothing
     */
    record Survey(int cameras, List<String> unread, List<SettingSurvey> settings, List<ProposedFile> proposal) {}

    private static final int MOST_NAMES = 100;

    private final Standings standings;
    private final PolicyStore policies;
    private final Clock clock;

    SurveyApi(Standings standings, PolicyStore policies, Clock clock) {
        this.policies = policies;
        this.standings = standings;
        this.clock = clock;
    }

    @GetMapping("/api/v1/survey")
    Survey survey(@RequestParam(defaultValue = "") String select, Principal who) {
        var chosen = standings.someOf(select);
        var read = chosen.stream().filter(s -> s.held().isPresent()).toList();
        var unread = chosen.stream()
                .filter(s -> s.held().isEmpty())
                .map(s -> s.camera().text())
                .toList();
        // A template reaches all cameras of its group, so the proposal speaks for whole groups.
        Set<Node.Group> groups = read.stream().map(Standing::group).collect(Collectors.toSet());
        var whole = standings.all().stream()
                .filter(s -> groups.contains(s.group()) && s.held().isPresent())
                .map(SurveyApi::surveyed)
                .toList();
        var proposal = Proposal.describing(
                whole,
                standings.calendars(),
                policies.names(),
                "as found by the survey of " + LocalDate.now(clock),
                who.getName());
        return new Survey(
                read.size(),
                unread,
                Variants.among(read.stream().map(SurveyApi::surveyed).toList()).stream()
                        .map(SurveyApi::view)
                        .toList(),
                proposal.files().entrySet().stream()
                        .map(e -> new ProposedFile(e.getKey(), e.getValue()))
                        .toList());
    }

    private static Surveyed surveyed(Standing s) {
        return new Surveyed(s.camera(), s.group(), s.family(), s.held().orElseThrow());
    }

    private static SettingSurvey view(Variants variants) {
        return new SettingSurvey(
                variants.family().name(),
                variants.key().text(),
                Catalogue.get(variants.key()).title(),
                variants.cameras(),
                variants.variants().stream().map(SurveyApi::view).toList(),
                variants.oddOnesOut().stream().map(SurveyApi::view).toList());
    }

    private static VariantView view(Variants.Variant variant) {
        return new VariantView(
                NativeText.of(variant.value()),
                variant.factory(),
                variant.cameras().size(),
                variant.cameras().stream()
                        .limit(MOST_NAMES)
                        .map(Node.Camera::text)
                        .toList());
    }
}
