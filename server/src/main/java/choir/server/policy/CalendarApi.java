package choir.server.policy;

import choir.document.DateCalendar;
import choir.document.PolicyDocument.OfCalendar;
import choir.document.PolicyReader;
import choir.policy.CalendarName;
import choir.policy.Layer.Statement;
import choir.policy.Value;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import choir.server.web.Versions;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Calendars: dates on which another plan holds. */
@RestController
class CalendarApi {
    /**
     * @param text the calendar as a document of a policy file
     * @param usedBy templates and nodes whose special days speak of it
     */
    record CalendarView(
            String name, String title, long version, List<String> dates, String text, List<String> usedBy) {}

    /** One of the two: the calendar as a document of a policy file, or as iCalendar (RFC 5545). */
    record CalendarText(@Nullable String text, @Nullable String ical) {}

    record ICalendar(String name, String ical) {}

    /** @param leftOut events of iCalendar that cannot be used, each with why */
    record Written(List<String> leftOut) {}

    private final CalendarStore store;
    private final PolicyStore policies;
    private final NodeStore nodes;
    private final Journal journal;
    private final Database database;

    CalendarApi(CalendarStore store, PolicyStore policies, NodeStore nodes, Journal journal, Database database) {
        this.store = store;
        this.policies = policies;
        this.nodes = nodes;
        this.journal = journal;
        this.database = database;
    }

    @GetMapping("/api/v1/calendars")
    List<CalendarView> calendars() {
        return store.all().stream().map(this::view).toList();
    }

    @GetMapping("/api/v1/calendars/{name}")
    ResponseEntity<CalendarView> calendar(@PathVariable String name) {
        var calendar = require(name);
        return ResponseEntity.ok().eTag(Versions.tag(calendar.version())).body(view(calendar));
    }

    @GetMapping("/api/v1/calendars/{name}/ical")
    ICalendar ical(@PathVariable String name) {
        var calendar = require(name);
        return new ICalendar(name, DateCalendar.write(name, calendar.dates(), DateCalendar.Form.DATES));
    }

    private StoredCalendar require(String name) {
        return store.find(new CalendarName(name))
                .orElseThrow(() -> Problem.notFound(
                        "calendar",
                        name,
                        store.all().stream().map(c -> c.name().text()).toList()));
    }

    private CalendarView view(StoredCalendar c) {
        return new CalendarView(
                c.name().text(),
                c.title(),
                c.version(),
                c.dates().dates().stream().map(Object::toString).toList(),
                c.text(),
                usedBy(c.name()));
    }

    private List<String> usedBy(CalendarName name) {
        var templates = policies.templates().stream()
                .filter(t -> t.layer().statements().values().stream().anyMatch(s -> speaksOf(s, name)))
                .map(t -> "template " + t.name());
        var speaking = nodes.overrides().stream()
                .filter(o -> speaksOf(o.statement(), name))
                .map(o -> o.node().text());
        return Stream.concat(templates, speaking).distinct().toList();
    }

    private static boolean speaksOf(Statement statement, CalendarName name) {
        return statement instanceof Statement.Set(Value.SpecialDays days)
                && days.plans().containsKey(name.text());
    }

    /** Makes the calendar, or replaces it; replacing takes the version that was seen. */
    @PutMapping("/api/v1/calendars/{name}")
    Written put(
            @PathVariable String name,
            @RequestBody CalendarText given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        var wanted = new CalendarName(name);
        List<String> leftOut = new ArrayList<>();
        var calendar = read(wanted, given, leftOut);
        database.write(() -> {
            var before = store.find(wanted);
            before.ifPresent(b -> Versions.check(Optional.ofNullable(ifMatch), b.version(), "calendar " + name));
            var title = given.text() == null ? before.map(StoredCalendar::title).orElse("") : calendar.title();
            store.put(wanted, title, calendar.dates());
            journal.add(
                    who.getName(), "wrote a calendar", name, calendar.dates().toString());
        });
        return new Written(leftOut);
    }

    private static OfCalendar read(CalendarName name, CalendarText given, List<String> leftOut) {
        if (given.text() == null && given.ical() != null) {
            var usable = DateCalendar.usable(given.ical());
            leftOut.addAll(usable.leftOut());
            return new OfCalendar(name, "", usable.dates());
        }
        var documents = PolicyReader.read(given.text() == null ? "" : given.text());
        if (documents.size() == 1
                && documents.getFirst() instanceof OfCalendar calendar
                && calendar.name().equals(name)) {
            return calendar;
        }
        throw new Problem(Problem.Kind.INVALID, "expected one document that starts with \"calendar: " + name + "\"");
    }

    @DeleteMapping("/api/v1/calendars/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            @PathVariable String name,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        database.write(() -> {
            var calendar = require(name);
            Versions.check(Optional.ofNullable(ifMatch), calendar.version(), "calendar " + name);
            var usedBy = usedBy(calendar.name());
            if (!usedBy.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "the calendar \"" + name + "\" is spoken of by " + String.join(", ", usedBy)
                                + "; take it out there first");
            }
            store.remove(calendar.name());
            journal.add(who.getName(), "removed a calendar", name, "");
        });
    }
}
