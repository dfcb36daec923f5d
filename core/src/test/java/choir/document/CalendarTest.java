package choir.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.policy.Value;
import choir.week.DateSet;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.io.StringReader;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class CalendarTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "daily continuous",
                "mon-fri 06:00-18:30 continuous",
                "sun 22:00-04:00 continuous",
                "mon 00:00-00:01 continuous;sun 23:59-24:00 continuous"
            })
    void schedulesSurviveTheirCalendar(String lines) {
        Week<Boolean> week = WeekText.parse(List.of(lines.split(";"))).map(t -> true);
        assertThat(WeekCalendar.read(WeekCalendar.write(week, on -> "x"), s -> true))
                .isEqualTo(week);
    }

    @Test
    void anEmptyScheduleIsNeverActive() {
        assertThat(WeekCalendar.read(WeekCalendar.write(Week.silent(), on -> "x"), s -> true)
                        .isSilent())
                .isTrue();
    }

    @Test
    void readsEventsOverMidnightDailyOnesAndFoldedLines() {
        var text = """
                BEGIN:VCALENDAR
                VERSION:2.0
                PRODID:-//recorder//EN
                BEGIN:VEVENT
                SUMMARY:a very long summary that was folded by the recorder since it is long
                 er than a line may be
                DTSTART:19700105T220000
                DTEND:19700106T040000
                RRULE:FREQ=WEEKLY;BYDAY=FR,SU
                UID:1
                END:VEVENT
                BEGIN:VEVENT
                DTSTART:19700105T120000
                DTEND:19700105T130000
                RRULE:FREQ=DAILY
                UID:2
                END:VEVENT
                END:VCALENDAR
                """;
        assertThat(WeekText.print(WeekCalendar.read(text, s -> true).map(b -> "on")))
                .containsExactly("daily 12:00-13:00 on", "fri,sun 22:00-04:00 on");
    }

    private static String event(String... lines) {
        return "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nUID:1\n" + String.join("\n", lines)
                + "\nEND:VEVENT\nEND:VCALENDAR\n";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DTSTART:19700105T080000;DTEND:19700105T170000;RRULE:FREQ=DAILY^BYDAY=MO,TU,WE,TH,FR | mon-fri 08:00-17:00 on",
                "DTSTART:19700105T080000;DURATION:PT10H;RRULE:FREQ=DAILY | daily 08:00-18:00 on",
                "DTSTART:19700105T000000;DTEND:19700105T235959;RRULE:FREQ=WEEKLY^BYDAY=MO,SU | mon,sun on",
                "DTSTART:19700105T080000;DTEND:19700105T090000;RRULE:FREQ=WEEKLY^BYDAY=MO;RRULE:FREQ=WEEKLY^BYDAY=FR | mon,fri 08:00-09:00 on",
                "DTSTART:19700105T080000;DTEND:19700105T090000;RRULE:FREQ=WEEKLY^BYDAY=MO^INTERVAL=1 | mon 08:00-09:00 on",
                "DTSTART:19700105T080000;DTEND:19700105T090000;RRULE:FREQ=WEEKLY^BYDAY=MO^UNTIL=20991231T235959Z | mon 08:00-09:00 on",
                "DTSTART:19700107T080000;DTEND:19700107T090000;RRULE:FREQ=WEEKLY | wed 08:00-09:00 on",
            })
    void theSameWeekIsReadHoweverItIsWritten(String lines, String week) {
        var text = event(lines.replace(';', '\n').replace('^', ';').split("\n"));
        assertThat(WeekText.print(WeekCalendar.read(text, s -> true).map(b -> "on")))
                .containsExactly(week);
    }

    @Test
    void anEventOfAMinuteLongAgoIsNoMinuteOfAnyWeek() {
        assertThat(WeekCalendar.never()).contains("BEGIN:VEVENT");
        assertThat(WeekCalendar.read(WeekCalendar.never(), s -> true).isSilent())
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "RRULE:FREQ=WEEKLY^BYDAY=MO^UNTIL=19710101T000000",
                "RRULE:FREQ=WEEKLY^BYDAY=MO^UNTIL=20300101T000000Z",
                "RRULE:FREQ=WEEKLY^BYDAY=MO^UNTIL=20300101",
                "RRULE:FREQ=WEEKLY^BYDAY=MO^COUNT=10",
                "RRULE:FREQ=WEEKLY^BYDAY=MO^INTERVAL=2",
                "RRULE:FREQ=DAILY^BYDAY=1MO",
                "RRULE:FREQ=DAILY^BYHOUR=8,12",
                "RRULE:FREQ=WEEKLY^BYDAY=MO^BYMONTH=6",
                "RRULE:FREQ=MONTHLY^BYDAY=MO",
                "RRULE:FREQ=WEEKLY^BYDAY=MO;EXDATE:19700112T080000",
                "RRULE:FREQ=WEEKLY^BYDAY=MO;RDATE:19700113T080000",
                "X-NOTHING:at all",
            })
    void whatNoWeekCanSayIsRefusedAndNotGuessed(String lines) {
        var text = event(("DTSTART:19700105T080000;DTEND:19700105T090000;" + lines)
                .replace(';', '\n')
                .replace('^', ';')
                .split("\n"));
        assertThatThrownBy(() -> WeekCalendar.read(text, s -> true)).isInstanceOf(CalendarException.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "DTSTART:19700105T080000Z;DTEND:19700105T090000Z",
                "DTSTART:19700105T080030;DTEND:19700105T090000",
                "DTSTART:19700105T090000;DTEND:19700105T080000",
                "DTSTART:19700105T080000;DURATION:P8D",
                "DTEND:19700105T090000",
            })
    void timesThatAreNoneOfAWeekAreRefused(String times) {
        var text = event((times + ";RRULE:FREQ=WEEKLY^BYDAY=MO")
                .replace(';', '\n')
                .replace('^', ';')
                .split("\n"));
        assertThatThrownBy(() -> WeekCalendar.read(text, s -> true)).isInstanceOf(CalendarException.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "BEGIN:VCALENDAR",
                "hello",
                "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nDTSTART:19700105T120000\nDTEND:19700105T130000\nUID:1\nEND:VEVENT\nEND:VCALENDAR\n",
                "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nDTSTART:19700105T120000\nDTEND:19700105T130000\nRRULE:FREQ=YEARLY\nUID:1\nEND:VEVENT\nEND:VCALENDAR\n"
            })
    void aScheduleThatIsNotUnderstoodSaysSo(String text) {
        assertThatThrownBy(() -> WeekCalendar.read(text, s -> true)).isInstanceOf(CalendarException.class);
    }

    @ParameterizedTest
    @EnumSource(DateCalendar.Form.class)
    void datesSurviveTheirCalendar(DateCalendar.Form form) {
        var dates = DateSet.parse("2027-01-01, 2027-06-28..2027-07-02, 02-29 yearly, 12-25 yearly");
        assertThat(DateCalendar.read(DateCalendar.write("public-holidays", dates, form)))
                .isEqualTo(dates);
    }

    @Test
    void whatIsWrittenIsValidByTheLibrarysOwnRules() throws Exception {
        var week = WeekText.parse(List.of("daily motion", "mon-fri 06:00-18:30 continuous"));
        for (var text : List.of(
                WeekCalendar.write(week, TriggerSet::toString),
                DateCalendar.write("x", DateSet.parse("12-25 yearly"), DateCalendar.Form.DATES))) {
            var calendar = new CalendarBuilder().build(new StringReader(text));
            assertThat(calendar.validate().hasErrors()).as(text).isFalse();
            assertThat(calendar.<VEvent>getComponents("VEVENT")).isNotEmpty();
        }
    }

    @Test
    void aWeekOfTriggersIsTakenWhereAWeekIsExpected() {
        var week = WeekText.parse(List.of("daily motion", "mon-fri 06:00-18:30 continuous", "sat none"));
        var value = SettingReader.read(
                "recording.week",
                "|\n"
                        + WeekCalendar.write(week, TriggerSet::toString)
                                .replace("\r", "")
                                .indent(2));
        assertThat(value).isEqualTo(new Value.Hours(week, false));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "DTSTART:20271225T120000\nDTEND:20271225T130000",
                "DTSTART;VALUE=DATE:20271225\nRRULE:FREQ=MONTHLY",
                "DTSTART;VALUE=DATE:20271225\nRRULE:FREQ=YEARLY;COUNT=3",
                "DTSTART;VALUE=DATE:20271225\nDTEND;VALUE=DATE:20201225",
                "SUMMARY:nothing"
            })
    void anEventThatIsNoDateIsNamed(String event) {
        var text = "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nSUMMARY:Sailing day\nUID:1\n" + event
                + "\nEND:VEVENT\nEND:VCALENDAR\n";
        assertThatThrownBy(() -> DateCalendar.read(text))
                .isInstanceOf(CalendarException.class)
                .hasMessageContaining("the event");
    }

    @Test
    void oneEventThatCannotBeUsedDoesNotRefuseTheRest() {
        var text = "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\n"
                + "BEGIN:VEVENT\nUID:1\nSUMMARY:Noon gun\nDTSTART:20271224T120000\nDTEND:20271224T130000\nEND:VEVENT\n"
                + "BEGIN:VEVENT\nUID:2\nSUMMARY:Yule\nDTSTART;VALUE=DATE:20271225\nRRULE:FREQ=YEARLY\nEND:VEVENT\n"
                + "END:VCALENDAR\n";
        var usable = DateCalendar.usable(text);
        assertThat(usable.dates().toString()).contains("12-25 yearly");
        assertThat(usable.leftOut()).singleElement().asString().contains("Noon gun", "not of whole days");
        assertThatThrownBy(() -> DateCalendar.usable(text.replaceFirst("(?s)BEGIN:VEVENT\nUID:2.*?END:VEVENT\n", "")))
                .as("nothing can be used")
                .isInstanceOf(CalendarException.class)
                .hasMessageContaining("Noon gun");
    }
}
