package choir.document;

import choir.refusal.Refusal;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.function.BiFunction;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;

/** An iCalendar text that cannot be used, with the line or the event that is to blame. */
public final class CalendarException extends Refusal {
    static final int LONGEST = 1_000_000;

    CalendarException(String message, Throwable cause) {
        super(Code.CALENDAR, message);
        initCause(cause);
    }

    /** The events of a text, whatever its line ends. */
    static List<VEvent> events(String text) {
        if (text.length() > LONGEST) {
            throw new Refusal("a calendar has at most " + LONGEST + " characters");
        }
        try {
            return new CalendarBuilder()
                    .build(new StringReader(text.replace("\r\n", "\n").replace("\n", "\r\n")))
                    .getComponents(Component.VEVENT);
        } catch (ParserException e) {
            throw new CalendarException(
                    "this is not iCalendar that can be understood: line " + e.getLineNo() + ": " + e.getMessage(), e);
        } catch (IOException | RuntimeException e) {
            throw new CalendarException("this is not iCalendar that can be understood: " + e.getMessage(), e);
        }
    }

    /** What the function makes of an event; what it refuses is told with the event's summary and start. */
    static <T> T about(VEvent event, T before, BiFunction<VEvent, T, T> work) {
        try {
            return work.apply(event, before);
        } catch (RuntimeException e) {
            var name =
                    event.getProperty(Property.SUMMARY).map(Property::getValue).orElse("without a summary");
            var start =
                    event.getProperty(Property.DTSTART).map(Property::getValue).orElse("no time");
            throw new CalendarException("the event \"" + name + "\" of " + start + ": " + e.getMessage(), e);
        }
    }
}
