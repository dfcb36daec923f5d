package choir.server.policy;

import choir.document.PolicyWriter;
import choir.policy.CalendarName;
import choir.week.DateSet;

/** @param version counted from 1 with each change */
record StoredCalendar(CalendarName name, String title, DateSet dates, long version) {
    /** As a document of a policy file. */
    String text() {
        return PolicyWriter.calendar(name, title, dates);
    }
}
