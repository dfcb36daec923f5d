package choir.server.policy;

import choir.document.PolicyWriter;
import choir.policy.CalendarName;
import choir.week.DateSet;

/**
 * @param understood false when the dates that are stored cannot be read; there are none then
 * @param version counted from 1 with each change
 */
record StoredCalendar(CalendarName name, String title, DateSet dates, boolean understood, long version) {
    /** As a document of a policy file. */
    String text() {
        return PolicyWriter.calendar(name, title, dates);
    }
}
