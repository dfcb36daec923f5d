package choir.document;

import choir.area.CellMask;
import choir.area.Shape;
import choir.policy.AreaKind;
import choir.policy.AreaStatement;
import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.Sensing;
import choir.policy.SettingType;
import choir.policy.Value;
import choir.refusal.Refusal;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.week.DayPlan;
import choir.week.SpecialDate;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntConsumer;

/** Reads the value of one setting, as it stands in a policy file or behind the equals sign of a command. */
public final class SettingReader {
    private static final Set<String> AREA_KEYS =
            Set.of("watch", "ignore", "area", "remove", "polygon", "rectangle", "cells", "sensitivity", "threshold");

    private SettingReader() {}

    /**
     * Reads {@code text} as the value of the named setting; the forms of policy files are taken, on one line.
     *
     * @throws Refusal with what was expected
     */
    public static Value read(String key, String text) {
        Catalogue.named(key);
        var values = Documents.read(text, part -> read(key, part));
        return values.isEmpty()
                ? failed(key)
                : values.getFirst().orElseThrow(() -> new IllegalStateException("a missing value without a fault"));
    }

    private static Value failed(String key) {
        throw new Refusal("no value for " + key + "; expected "
                + Catalogue.named(key).type().expected());
    }

    static Optional<Value> read(String key, Part part) {
        return part.attempt(() -> Catalogue.named(key)).flatMap(setting -> switch (setting.type()) {
            case SettingType.Scalar scalar -> part.text(scalar::parse);
            case SettingType.WeekOfTriggers w -> week(part, TriggerSet::parse, Value.Hours::new);
            case SettingType.WeekOfSensitivities w -> week(part, SettingReader::sensitivity, Value.Levels::new);
            case SettingType.DayPlans d -> specialDays(part);
            case SettingType.AreaList a -> areas(part);
        });
    }

    /** A week with the lines by which it was said; without any where it came as iCalendar. */
    private record Said<V>(Week<V> week, List<String> lines) {
        /** The same with one more line over it. */
        Said<V> with(String window, V value) {
            List<String> more = new ArrayList<>(lines);
            more.add(window.strip().replaceAll("\\s+", " ") + " " + value);
            return new Said<>(WeekText.paint(week, window, value), more);
        }

        Said<V> with(String line, Function<String, V> value) {
            // Refuses what is no line.
            WeekText.parse(List.of(line), value);
            var trimmed = line.strip();
            int cut = trimmed.lastIndexOf(' ');
            return with(trimmed.substring(0, cut), value.apply(trimmed.substring(cut + 1)));
        }
    }

    /** How a kind of week is made of what was said. */
    private interface Made<V> {
        Value of(Week<V> week, boolean replace, List<String> lines);
    }

    private static <V> Optional<Value> week(Part part, Function<String, V> value, Made<V> made) {
        if (part.isMap()) {
            var keys = part.map(Set.of("replace", "windows"));
            boolean replace = Optional.ofNullable(keys.get("replace"))
                    .flatMap(p -> p.text(SettingReader::truth))
                    .orElse(false);
            return Optional.ofNullable(keys.get("windows"))
                    .flatMap(p -> windows(p, value).map(said -> made.of(said.week(), replace, said.lines())));
        }
        return windows(part, value).map(said -> made.of(said.week(), false, said.lines()));
    }

    private static Sensitivity sensitivity(String text) {
        if (!text.matches("\\d{1,3}(\\.\\d{1,4})?")) {
            throw new Refusal("\"" + text + "\" is not a sensitivity by time; expected 0 to 100");
        }
        return new Sensitivity(new java.math.BigDecimal(text));
    }

    private static boolean truth(String text) {
        return switch (text) {
            case "true", "yes", "on" -> true;
            case "false", "no", "off" -> false;
            default -> throw new Refusal("\"" + text + "\" is neither true nor false");
        };
    }

    /** Lines in a list, lines with semicolons between, or a whole iCalendar text. */
    private static <V> Optional<Said<V>> windows(Part part, Function<String, V> value) {
        Said<V> nothing = new Said<>(Week.silent(), List.of());
        if (part.isText()) {
            return part.text(t -> {
                if (t.startsWith("BEGIN:VCALENDAR")) {
                    return new Said<>(WeekCalendar.read(t, value), List.of());
                }
                var said = nothing;
                for (var line : t.split("\\s*[;\\n]\\s*")) {
                    said = said.with(line, value);
                }
                return said;
            });
        }
        var said = nothing;
        for (var entry : part.list()) {
            var before = said;
            said = window(before, entry, value).orElse(before);
        }
        return Optional.of(said);
    }

    private static <V> Optional<Said<V>> window(Said<V> before, Part entry, Function<String, V> value) {
        if (entry.isText()) {
            return entry.text(t -> before.with(t, value));
        }
        Optional<Said<V>> painted = Optional.of(before);
        for (var e : entry.map().entrySet()) {
            painted = painted.flatMap(said ->
                    e.getValue().text(value).flatMap(v -> e.getValue().attempt(() -> said.with(e.getKey(), v))));
        }
        return painted;
    }

    private static Optional<Value> specialDays(Part part) {
        Map<String, Optional<DayPlan>> plans = new LinkedHashMap<>();
        part.map()
                .forEach((calendar, plan) -> plan.attempt(() -> checked(calendar))
                        .ifPresent(c -> dayPlan(plan).ifPresent(p -> plans.put(c, p))));
        return Optional.of(new Value.SpecialDays(plans));
    }

    /** A calendar's name, or a date in its canonical form. */
    private static String checked(String calendar) {
        return Calendars.isDate(calendar) ? SpecialDate.parse(calendar).toString() : new CalendarName(calendar).text();
    }

    /** {@code remove}, or the plan's lines in a list or with semicolons between. */
    private static Optional<Optional<DayPlan>> dayPlan(Part part) {
        if (part.isText()) {
            return part.text(t -> t.equals("remove")
                    ? Optional.<DayPlan>empty()
                    : Optional.of(DayPlan.parse(List.of(t.split("\\s*[;\\n]\\s*")))));
        }
        List<String> lines = new ArrayList<>();
        for (var entry : part.list()) {
            if (entry.isText()) {
                entry.text().ifPresent(lines::add);
            } else {
                entry.map().forEach((window, triggers) -> triggers.text().ifPresent(t -> lines.add(window + " " + t)));
            }
        }
        return part.attempt(() -> Optional.of(DayPlan.parse(lines)));
    }

    private static Optional<Value> areas(Part part) {
        Map<String, AreaStatement> areas = new LinkedHashMap<>();
        for (var entry : part.list()) {
            area(entry).ifPresent(area -> {
                if (areas.putIfAbsent(area.name(), area) != null) {
                    entry.fault("the area \"" + area.name() + "\" stands here twice");
                }
            });
        }
        return Optional.of(new Value.Areas(List.copyOf(areas.values())));
    }

    private static Optional<AreaStatement> area(Part part) {
        var keys = part.map(AREA_KEYS);
        var named = List.of("watch", "ignore", "area", "remove").stream()
                .filter(keys::containsKey)
                .toList();
        if (named.size() != 1) {
            part.fault("an area starts with its kind and name: watch, ignore, area (kind left to other layers) or"
                    + " remove");
            return Optional.empty();
        }
        var word = named.getFirst();
        Optional<AreaKind> kind = switch (word) {
            case "watch" -> Optional.of(AreaKind.WATCH);
            case "ignore" -> Optional.of(AreaKind.IGNORE);
            default -> Optional.empty();
        };
        var shape = shape(part, keys);
        var sensitivity = Optional.ofNullable(keys.get("sensitivity"))
                .flatMap(p -> p.text(t -> ((Value.Sense) new SettingType.SensitivityOrAuto().parse(t)).sensing()));
        var threshold = Optional.ofNullable(keys.get("threshold"))
                .flatMap(p -> p.text(t -> ((Value.Share) new SettingType.ShareOfPicture().parse(t)).threshold()));
        return Part.there(keys, word)
                .text(name -> statement(name, word.equals("remove"), kind, shape, sensitivity, threshold));
    }

    private static AreaStatement statement(
            String name,
            boolean remove,
            Optional<AreaKind> kind,
            Optional<Shape> shape,
            Optional<Sensing> sensitivity,
            Optional<Threshold> threshold) {
        return new AreaStatement(name, remove, kind, shape, sensitivity, threshold);
    }

    private static Optional<Shape> shape(Part part, Map<String, Part> keys) {
        var forms = List.of("polygon", "rectangle", "cells").stream()
                .filter(keys::containsKey)
                .toList();
        if (forms.isEmpty()) {
            return Optional.empty();
        }
        if (forms.size() > 1) {
            part.fault("an area has one of polygon, rectangle, cells");
            return Optional.empty();
        }
        var form = Part.there(keys, forms.getFirst());
        return switch (forms.getFirst()) {
            case "polygon" ->
                points(form, Shape.Polygon::requireCorners).flatMap(p -> form.attempt(() -> new Shape.Polygon(p)));
            case "rectangle" -> points(form, count -> {}).flatMap(p -> form.attempt(() -> rectangle(p)));
            default -> cells(form);
        };
    }

    private static Shape rectangle(List<Shape.Point> corners) {
        if (corners.size() != 2) {
            throw new Refusal("a rectangle has two corners: [[0.1, 0.2], [0.5, 0.9]]");
        }
        return new Shape.Rectangle(corners.getFirst(), corners.getLast());
    }

    /** @param number refuses a number of points that cannot be, before they are looked at */
    private static Optional<List<Shape.Point>> points(Part part, IntConsumer number) {
        List<Shape.Point> points = new ArrayList<>();
        var entries = part.list();
        boolean canBe = entries.isEmpty()
                || part.attempt(() -> {
                            number.accept(entries.size());
                            return true;
                        })
                        .isPresent();
        if (!canBe) {
            return Optional.empty();
        }
        for (var entry : entries) {
            var numbers = entry.list().stream()
                    .flatMap(p -> p.text(SettingReader::number).stream())
                    .toList();
            entry.attempt(() -> point(numbers)).ifPresent(points::add);
        }
        return points.size() == entries.size() ? Optional.of(points) : Optional.empty();
    }

    private static Shape.Point point(List<Double> numbers) {
        if (numbers.size() != 2) {
            throw new Refusal("a point is [x, y], each 0 to 1 from the top left");
        }
        return new Shape.Point(numbers.getFirst(), numbers.getLast());
    }

    private static double number(String text) {
        if (!text.matches("\\d(\\.\\d{1,17})?")) {
            throw new Refusal("\"" + text + "\" is not a coordinate; expected 0 to 1");
        }
        return Double.parseDouble(text);
    }

    private static Optional<Shape> cells(Part part) {
        var rows = part.list().stream().flatMap(p -> p.text().stream()).toList();
        return part.attempt(() -> new Shape.Cells(CellMask.parse(rows)));
    }
}
