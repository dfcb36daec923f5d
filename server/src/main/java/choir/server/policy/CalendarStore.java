package choir.server.policy;

import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.refusal.Refusal;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.stored.Json;
import choir.server.stored.StringsJson;
import choir.week.DateSet;
import choir.week.SpecialDate;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The calendars that special days speak of. */
@Component
public class CalendarStore {
    private static final Logger LOG = LoggerFactory.getLogger(CalendarStore.class);

    private final Database database;

    CalendarStore(Database database) {
        this.database = database;
    }

    public Calendars calendars() {
        Map<CalendarName, DateSet> byName =
                all().stream().collect(Collectors.toMap(StoredCalendar::name, StoredCalendar::dates));
        return new Calendars(byName);
    }

    /** As they were then. */
    Calendars calendarsThen(Instant then) {
        Map<CalendarName, DateSet> byName = new HashMap<>();
        database.query("SELECT name, title, dates, 0 AS version FROM calendar_then" + PolicyStore.HELD)
                .param("then", then.toEpochMilli())
                .query(CalendarStore::calendar)
                .list()
                .forEach(c -> byName.put(c.name(), c.dates()));
        return new Calendars(byName);
    }

    Set<CalendarName> notUnderstood() {
        return all().stream()
                .filter(c -> !c.understood())
                .map(StoredCalendar::name)
                .collect(Collectors.toSet());
    }

    List<StoredCalendar> all() {
        return database.query("SELECT name, title, dates, version FROM calendar ORDER BY name")
                .query(CalendarStore::calendar)
                .list();
    }

    Optional<StoredCalendar> find(CalendarName name) {
        return database.query("SELECT name, title, dates, version FROM calendar WHERE name = :name")
                .param("name", name.text())
                .query(CalendarStore::calendar)
                .optional();
    }

    private static StoredCalendar calendar(ResultSet row, int number) throws SQLException {
        var name = new CalendarName(row.getString("name"));
        var dates = dates(name, row.getString("dates"));
        return new StoredCalendar(
                name,
                row.getString("title"),
                dates.orElse(new DateSet(List.of())),
                dates.isPresent(),
                row.getLong("version"));
    }

    private static Optional<DateSet> dates(CalendarName name, String stored) {
        try {
            return Optional.of(DateSet.parse(StringsJson.read(stored)));
        } catch (Json.UnreadableException | Refusal e) {
            LOG.error("the dates of calendar {} cannot be understood: {}", name, e.getMessage());
            return Optional.empty();
        }
    }

    /** Adds or replaces; to be called within a transaction. */
    void put(CalendarName name, String title, DateSet dates) {
        database.change("""
                        INSERT INTO calendar (name, title, dates) VALUES (:name, :title, :dates)
                        ON CONFLICT (name) DO UPDATE SET title = :title, dates = :dates, version = version + 1
                        """)
                .param("name", name.text())
                .param("title", title)
                .param(
                        "dates",
                        StringsJson.write(dates.dates().stream()
                                .map(SpecialDate::toString)
                                .toList()))
                .update();
        database.tell(new Change.CalendarWritten(name));
    }

    void remove(CalendarName name) {
        database.change("DELETE FROM calendar WHERE name = :name")
                .param("name", name.text())
                .update();
        database.tell(new Change.CalendarWritten(name));
    }
}
