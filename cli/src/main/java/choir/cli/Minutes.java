package choir.cli;

import tools.jackson.databind.JsonNode;

/** Minutes of the week in words. */
final class Minutes {
    private static final String[] DAYS = {"mon", "tue", "wed", "thu", "fri", "sat", "sun"};
    private static final int DAY = 24 * 60;

    private Minutes() {}

    static String span(JsonNode run) {
        return start(run.path("from").asInt()) + " to " + end(run.path("to").asInt());
    }

    /** So many minutes as people say them; beyond two days hours alone. */
    static String duration(long minutes) {
        if (minutes < 60) {
            return minutes + " min";
        }
        var hours = String.format(java.util.Locale.ROOT, "%,d h", minutes / 60);
        return minutes % 60 == 0 || minutes > 2 * DAY ? hours : hours + " " + minutes % 60 + " min";
    }

    private static String start(int minute) {
        return DAYS[minute / DAY] + " " + time(minute % DAY);
    }

    private static String end(int minute) {
        return DAYS[(minute - 1) / DAY] + " " + time((minute - 1) % DAY + 1);
    }

    private static String time(int minute) {
        return "%02d:%02d".formatted(minute / 60, minute % 60);
    }
}
