package choir.cli;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "timeline",
        description =
                "A camera's days to the minute: what was recorded and why, what moved, what was asked for, and what is"
                        + " missing.",
        footer = "The last seven days if no day is said. Asks no recorder; see: choir activity read")
final class ActivityTimeline extends Act {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final int QUARTERS = 96;
    private static final int DAYS = 7;

    @Parameters(paramLabel = "CAMERA", description = "recorder and channel, such as haldr-1/07")
    private String camera = "";

    @Mixin
    private Days days = new Days();

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var address = Client.camera(camera) + "/activity";
        var view = service.get(
                days.isSaid()
                        ? days.with(address)
                        : address + "?from="
                                + LocalDate.now(ZoneId.systemDefault()).minusDays(DAYS - 1L));
        if (listing.isForPrograms(
                out(), view, () -> Records.kinds(view, "known", "demanded", "recorded", "motion", "missing"))) {
            return Failure.DONE;
        }
        if (view.path("days").isEmpty()) {
            say("nothing is known of these days; ask the recorder by: choir activity read " + camera);
            return Failure.DONE;
        }
        var zone = CameraTime.zone(Listing.text(view, "zone"));
        say(Listing.text(view, "camera") + " " + Listing.text(view, "label") + ", times in " + zone);
        int width = Table.terminalWidth().filter(w -> w < QUARTERS + 14).isPresent() ? QUARTERS / 2 : QUARTERS;
        out().println(" ".repeat(12) + hours(width));
        for (var day : view.path("days")) {
            day(view, day, zone, width);
        }
        out().println(DrawnDays.KEY);
        tell(view, zone);
        out().flush();
        return view.path("missing").isEmpty() ? Failure.DONE : Failure.FOUND;
    }

    private static String hours(int width) {
        var line = new StringBuilder();
        for (int hour = 0; hour < 24; hour += 3) {
            line.append("%-".concat(Integer.toString(width / 8)).concat("s").formatted("%02d".formatted(hour)));
        }
        return line.toString();
    }

    private void day(JsonNode view, JsonNode day, ZoneId zone, int width) {
        var date = LocalDate.parse(Listing.text(day, "date"));
        var begin = date.atStartOfDay(zone).toInstant();
        var length = Duration.between(begin, date.plusDays(1).atStartOfDay(zone).toInstant());
        char[] asked = blank(width);
        for (var demand : view.path("demanded")) {
            var triggers = Listing.text(demand, "triggers");
            char letter = triggers.equals("none") ? '·' : DrawnDays.letter(triggers.split(",", 2)[0]);
            DrawnDays.draw(asked, begin, length, List.of(demand), Character.toLowerCase(letter));
        }
        char[] recorded = blank(width);
        DrawnDays.draw(recorded, begin, length, Listing.items(view.path("known")), '·');
        DrawnDays.draw(recorded, begin, length, Listing.items(view.path("recorded")), (char) 0);
        DrawnDays.draw(recorded, begin, length, Listing.items(view.path("missing")), '!');
        char[] moved = blank(width);
        DrawnDays.draw(moved, begin, length, Listing.items(view.path("motion")), '▪');
        out().println("%-12s".formatted(date.format(DAY)) + new String(asked).stripTrailing() + "  asked for");
        out().println(" ".repeat(12) + new String(recorded) + "  recorded");
        out().println(" ".repeat(12) + new String(moved) + "  moved");
    }

    private static char[] blank(int width) {
        char[] line = new char[width];
        Arrays.fill(line, ' ');
        return line;
    }

    private void tell(JsonNode view, ZoneId zone) {
        var what = new Table("when", "what");
        for (var turn : view.path("turns")) {
            what.row(when(turn, "at", zone), Listing.text(turn, "words"));
        }
        if (!what.isEmpty()) {
            out().println();
            what.print(out(), Table.terminalWidth());
        }
        var missing = new Table("missing from", "until", "for", "asked for", "why");
        for (var gap : view.path("missing")) {
            missing.row(
                    when(gap, "from", zone),
                    when(gap, "until", zone),
                    DrawnDays.length(gap.path("seconds").asLong()),
                    Listing.text(gap, "demanded"),
                    Listing.text(gap, "words"));
        }
        if (!missing.isEmpty()) {
            out().println();
            missing.print(out(), Table.terminalWidth());
        }
    }

    static String when(JsonNode node, String key, ZoneId zone) {
        var at = Instant.parse(Listing.text(node, key)).atZone(zone);
        return at.format(DateTimeFormatter.ofPattern("EEE d MMM HH:mm:ss", Locale.ENGLISH));
    }
}
