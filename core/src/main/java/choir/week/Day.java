package choir.week;

import java.util.Arrays;
import java.util.Optional;

enum Day {
    MON,
    TUE,
    WED,
    THU,
    FRI,
    SAT,
    SUN;

    String text() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    int firstMinute() {
        return ordinal() * Week.DAY;
    }

    Day plus(int days) {
        return values()[(ordinal() + days) % 7];
    }

    static Optional<Day> parse(String text) {
        return Arrays.stream(values()).filter(d -> d.text().equals(text)).findFirst();
    }
}
