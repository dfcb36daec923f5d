package choir.server.account;

import static choir.server.account.Right.ADMINISTER;
import static choir.server.account.Right.DECIDE;
import static choir.server.account.Right.EDIT;
import static choir.server.account.Right.FOOTAGE;
import static choir.server.account.Right.SEE;
import static choir.server.account.Right.WORK;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/**
 * What each address of the interface asks for, the first that fits. Whoever has roles in groups alone comes only by the
 * addresses of which it is said here, since only those tell and touch no more than what is in their groups.
 */
final class Rules {
    /** @param rights all of which are needed; none where anybody may who is signed in, since it is about themselves */
    record Rule(Set<Right> rights, boolean inPlaces) {}

    private record Line(Optional<String> method, PathPattern path, Rule rule) {}

    private static final List<Line> LINES = new ArrayList<>();

    static {
        own("/session/second-factor/**");
        own("/overview/since");
        own("GET /session", "DELETE /session", "/sessions/**", "GET /tokens", "POST /tokens", "DELETE /tokens/*");

        // In places: footage shows people, so who may look at settings alone does not see it, and who may look at it
        // does not take it away.
        inPlaces(
                Set.of(FOOTAGE, WORK),
                "DELETE /clips/*",
                "/clips/*/keep",
                "/clips/*/marks/**",
                "/clip-files",
                "/group-suggestions",
                "POST /suggestions",
                "POST /walks/**");
        inPlaces(
                FOOTAGE,
                "GET /cameras/*/*/still",
                "/area-searches/**",
                "/clips/**",
                "/live-levels",
                "/moments",
                "/motion-maps/**",
                "/recorded-still",
                "/trials",
                "/tuning",
                "/walks/**");
        inPlaces(
                SEE,
                "GET /activity/calendar",
                "GET /activity/comparison",
                "GET /activity/now",
                "GET /activity/now/counts",
                "GET /audits",
                "GET /audits/last",
                "GET /calendars/**",
                "GET /cameras/**",
                "GET /changes",
                "GET /families/**",
                "GET /family-schema",
                "GET /findings/**",
                "GET /forecast",
                "GET /groups",
                "GET /inbox",
                "GET /openapi/**",
                "GET /overrides",
                "GET /overview",
                "GET /policy/schema",
                "GET /policy/warnings",
                "GET /recorded",
                "GET /recorders/**",
                "GET /report/**",
                "GET /responses",
                "GET /rollouts/**",
                "GET /settings",
                "GET /survey",
                "GET /templates/**",
                "GET /uses",
                "GET /works/**");
        inPlaces(
                WORK,
                "POST /activity/readings",
                "POST /area-drafts",
                "POST /audits",
                "POST /forecasts",
                "POST /previews",
                "POST /readings",
                "POST /recorders/*/sheet/ticks",
                "POST /response-trials",
                "PUT /response-trials/*",
                "POST /template-drafts");
        inPlaces(DECIDE, "POST /findings/decisions");
        inPlaces(
                EDIT,
                "POST /copies",
                "POST /findings/reapply",
                "/groups/**",
                "/overrides",
                "POST /overrides-of-many",
                "POST /placings",
                "PUT /cameras/*/*/placing",
                "POST /recorders/*/clock",
                "/recorders/*/pause",
                "/rollouts/**",
                "/uses",
                "POST /uses-of-many",
                "POST /works/*/stop");

        // What concerns the whole fleet.
        fleet(
                ADMINISTER,
                "/backups/**",
                "/check-up",
                "POST /exports",
                "PUT /families/*",
                "DELETE /families/*",
                "/notices/**",
                "/password-changes/**",
                "POST /people",
                "/people/*/**",
                "PUT /people/*",
                "DELETE /people/*",
                "POST /recorder-searches",
                "POST /recorders",
                "DELETE /recorders/*",
                "PUT /recorders/*",
                "PUT /recorders/*/certificate",
                "PUT /recorders/*/password");
        fleet(SEE, "GET /**");
        fleet(EDIT, "/**");
    }

    private Rules() {}

    static Rule of(HttpServletRequest request) {
        var path = PathContainer.parsePath(request.getRequestURI());
        return LINES.stream()
                .filter(l ->
                        l.method().filter(m -> !m.equals(request.getMethod())).isEmpty()
                                && l.path().matches(path))
                .findFirst()
                .map(Line::rule)
                .orElseThrow(() -> new IllegalStateException(request.getRequestURI() + " is no address here"));
    }

    private static void own(String... doors) {
        add(new Rule(Set.of(), true), doors);
    }

    private static void inPlaces(Right right, String... doors) {
        inPlaces(Set.of(right), doors);
    }

    private static void inPlaces(Set<Right> rights, String... doors) {
        add(new Rule(rights, true), doors);
    }

    private static void fleet(Right right, String... doors) {
        add(new Rule(Set.of(right), false), doors);
    }

    /** @param doors a method and a path, or a path for all methods */
    private static void add(Rule rule, String... doors) {
        for (var door : doors) {
            int blank = door.indexOf(' ');
            LINES.add(new Line(
                    blank < 0 ? Optional.empty() : Optional.of(door.substring(0, blank)),
                    PathPatternParser.defaultInstance.parse("/api/v1" + door.substring(blank + 1)),
                    rule));
        }
    }
}
