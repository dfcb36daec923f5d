package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.fleet.CameraState;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** Calendars, special days and the wall clock, on the command line and out to the recorder. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CalendarsTest {
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 2);
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static Path file(String name, String text) throws IOException {
        return Files.writeString(choir.folder().resolve(name), text);
    }

    private static String said(String... arguments) {
        var said = choir.choir(arguments);
        assertThat(said.exitCode()).as(said.errors()).isZero();
        return said.out();
    }

    @Test
    @Order(1)
    void aCalendarIsMadeFromTextOrFromICalendarAndComesOutAsEither() throws IOException {
        var text = file("holidays.yaml", "calendar: holidays\ntitle: Quiet days\ndates: [12-25 yearly, 2027-01-01]\n");
        said("calendar", "edit", "holidays", "--file", text.toString());
        assertThat(said("calendar", "list"))
                .contains("holidays")
                .contains("Quiet days")
                .contains("2027-01-01");
        var ical = said("calendar", "export", "holidays");
        assertThat(ical).contains("BEGIN:VEVENT").contains("RRULE:FREQ=YEARLY").contains("DTSTART;VALUE=DATE:20270101");
        assertThat(said("calendar", "import", "copied", file("x.ics", ical).toString()))
                .contains("2 entries");
        assertThat(said("calendar", "show", "copied")).contains("12-25 yearly").contains("2027-01-01");
        said("calendar", "remove", "copied");
        assertThat(choir.choir("calendar", "show", "copied").errors()).contains("there is no calendar \"copied\"");
    }

    @Test
    @Order(2)
    void whatIsWrongWithACalendarIsSaidWithItsPlaceAndNothingIsStored() throws IOException {
        var wrong = file("wrong.yaml", "calendar: holidays\ndates: [2027-02-30]\n");
        assertThat(choir.choir("calendar", "edit", "holidays", "--file", wrong.toString())
                        .errors())
                .contains("2027-02-30")
                .contains("line 2");
        var timed = file(
                "timed.ics",
                "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nUID:1\nSUMMARY:Dinner\n"
                        + "DTSTART:20270101T190000\nDTEND:20270101T210000\nEND:VEVENT\nEND:VCALENDAR\n");
        assertThat(choir.choir("calendar", "import", "holidays", timed.toString())
                        .errors())
                .contains("Dinner")
                .contains("whole days");
        assertThat(said("calendar", "show", "holidays")).contains("12-25 yearly");
        var unknown = choir.choir("set", "fleet", "recording.special-days={holydays: daily none}", "--because", "x");
        assertThat(unknown.errors())
                .contains("there is no calendar \"holydays\"")
                .contains("holidays");
    }

    @Test
    @Order(3)
    void specialDaysReachTheRecorderAndAChangedCalendarWaitsToBeGivenOut() throws IOException {
        said(
                "set",
                "fleet",
                "recording.special-days={holidays: daily continuous, 2027-06-19: daily none}",
                "recording.week=daily motion",
                "motion.sensitivity-by-time=daily 21:00-05:30 45",
                "--because",
                "a test");
        choir.giveOut("");
        assertThat(choir.choir("audit", "run").out()).contains("2 in tune");
        assertThat(said("explain", "haldr-1/01", "recording.special-days"))
                .contains("recorder holds: holidays (2027-01-01, 12-25 yearly): daily continuous");
        var more = file("more.yaml", "calendar: holidays\ndates: [12-25 yearly, 12-26 yearly]\n");
        said("calendar", "edit", "holidays", "--file", more.toString());
        assertThat(said("explain", "haldr-1/02", "recording.special-days")).contains("other dates or another plan");
        assertThat(choir.giveOut("state:waiting").path("note").asString("")).contains("2 verified");
        assertThat(choir.choir("calendar", "remove", "holidays").errors()).contains("spoken of by fleet");
    }

    @Test
    @Order(4)
    void explainsAMomentAndCountsRealTime() {
        assertThat(said("explain", "haldr-1/01", "--at", "2027-12-25T12:00"))
                .contains("continuous  (special day: holidays)");
        assertThat(said("explain", "haldr-1/01", "--at", "2027-03-28T01:30")).contains("does not exist");
        assertThat(said("explain", "haldr-1/01", "--at", "2027-10-31T01:30").lines())
                .hasSize(2);
        assertThat(said("explain", "haldr-1/01", "--from", "2027-03-28", "--to", "2027-03-29"))
                .contains("1380");
        assertThat(choir.choir("explain", "haldr-1/01", "--at", "noon").errors())
                .contains("is no time");
        assertThat(choir.choir("explain", "haldr-1/01", "--from", "2027-03-28").exitCode())
                .isEqualTo(2);
    }

    @Test
    @Order(5)
    void aWeekGoesOutAsICalendarAndComesBackIn() throws IOException {
        said("set", "haldr-1/01", "recording.week=mon-fri 06:00-18:30 continuous", "--because", "a test");
        var ical = said("explain", "haldr-1/01", "--ical");
        assertThat(ical).contains("RRULE:FREQ=WEEKLY").contains("SUMMARY:continuous");
        var file = file("week.ics", ical);
        said("set", "haldr-1/02", "recording.week=@" + file, "--because", "like the first");
        var first = choir.get("/api/v1/cameras/haldr-1/01").body().path("week").path("wanted");
        assertThat(choir.get("/api/v1/cameras/haldr-1/02").body().path("week").path("wanted"))
                .isEqualTo(first);
    }

    @Test
    @Order(6)
    void policyFilesHoldCalendarsAndSaveThemAsTheyWere() {
        var folder = choir.folder().resolve("saved").toString();
        said("policy", "save", folder);
        assertThat(choir.folder().resolve("saved/calendars.yaml")).content().contains("calendar: holidays");
        assertThat(said("policy", "load", folder, "--prune", "--yes")).contains("nothing");
    }

    @Test
    @Order(7)
    void completionOffersNames() {
        assertThat(said("names").lines())
                .contains("haldr-1", "haldr-1/02", "holidays", "fleet", "recording.special-days");
        assertThat(said("names", "--for", "choir camera list ").lines()).contains("state:", "group:", "not:");
        assertThat(said("names", "--for", "choir camera list state:drifted,not:state:")
                        .lines())
                .containsExactlyInAnyOrderElementsOf(Arrays.stream(CameraState.values())
                        .map(s -> "state:drifted,not:state:" + s.word())
                        .toList());
        assertThat(said("names", "--for", "choir recorder show h").lines()).contains("haldr-1");
        assertThat(said("names", "--for", "choir template show ").lines()).doesNotContain("haldr-1");
        assertThat(said("names", "--for", "choir use house --on ").lines()).contains("fleet", "haldr-1/02");
        assertThat(said("names", "--for", "choir use house --on=ha").lines()).contains("--on=haldr-1/02");
        assertThat(said("names", "--for", "choir set haldr-1/02 moti").lines()).contains("motion.threshold=");
        assertThat(said("names", "--for", "choir finding show ").lines()).allMatch(id -> id.matches("\\d*"));
        assertThat(said("names", "--for", "choir no such thing ")).isEmpty();
    }

    @Test
    @Order(8)
    void bashTakesWhatIsOffered() throws Exception {
        assertThat(completed("choir camera list state:no", "choir", "camera", "list", "state", ":", "no"))
                .isEqualTo("not-governed");
        assertThat(completed("choir camera list recorder:hal", "choir", "camera", "list", "recorder", ":", "hal"))
                .isEqualTo("haldr-1");
        assertThat(completed("choir recorder show ha", "choir", "recorder", "show", "ha"))
                .isEqualTo("haldr-1");
        assertThat(completed("choir camera li", "choir", "camera", "li")).contains("list");
    }

    /** What the shell itself makes of a line that ends with these of its words. */
    private static String completed(String line, String... words) throws Exception {
        var script = "set -f\n" + said("completion") + """
                choir() { printf '%s\\n' "$NAMES"; }
                COMP_WORDBREAKS=$' \\t\\n"\\'><=;|&(:'
                COMP_WORDS=("$@"); COMP_CWORD=$(($# - 1)); COMP_POINT=${#COMP_LINE}
                _choir_with_names choir "${COMP_WORDS[COMP_CWORD]}" "${COMP_WORDS[COMP_CWORD-1]}"
                echo "${COMPREPLY[*]}"
                """;
        var file = Files.writeString(choir.folder().resolve("complete.bash"), script);
        var command = new ArrayList<>(List.of("bash", file.toString()));
        command.addAll(List.of(words));
        // The shell says that nobody is typing, which is so.
        var started = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD);
        started.environment().put("NAMES", said("names", "--for", line));
        started.environment().put("COMP_LINE", line);
        var process = started.start();
        var out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(out).isZero();
        return out.strip();
    }
}
