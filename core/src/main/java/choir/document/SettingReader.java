package choir.document;

import choir.area.CellMask;
import choir.area.Shape;
import choir.policy.AreaKind;
import choir.policy.AreaStatement;
import choir.policy.Catalogue;
import choir.policy.Sensing;
import choir.policy.SettingType;
import choir.policy.Value;
import choir.scale.Threshold;
import choir.week.TriggerSet;
import choir.week.Week;
import choir.week.WeekText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads the value of one setting, as it stands in a policy file or behind the equals sign of a command. */
public final class SettingReader {
    private static final Set<String> AREA_KEYS =
            Set.of("watch", "ignore", "area", "remove", "polygon", "rectangle", "cells", "sensitivity", "threshold");

    private SettingReader() {}

    /**
     * Reads {@code text} as the value of the named setting; the forms of policy files are taken, on one line.
     *
     * @throws IllegalArgumentException with what was expected
     */
    public static Value read(String key, String text) {
        Catalogue.named(key);
        var values = Documents.read(text, part -> read(key, part));
        return values.isEmpty()
                ? failed(key)
                : values.getFirst().orElseThrow(() -> new IllegalStateException("a missing value without a fault"));
    }

    private static Value failed(String key) {
        throw new IllegalArgumentException("no value for " + key + "; expected "
                + Catalogue.named(key).type().expected());
    }

    static Optional<Value> read(String key, Part part) {
        return part.attempt(() -> Catalogue.named(key)).flatMap(setting -> switch (setting.type()) {
            case SettingType.Scalar scalar -> part.text(scalar::parse);
            case SettingType.WeekOfTriggers w -> week(part);
            case SettingType.AreaList a -> areas(part);
        });
    }

    private static Optional<Value> week(Part part) {
        if (part.isMap()) {
            var keys = part.map(Set.of("replace", "windows"));
            boolean replace = Optional.ofNullable(keys.get("replace"))
                    .flatMap(p -> p.text(SettingReader::truth))
                    .orElse(false);
            return Optional.ofNullable(keys.get("windows"))
                    .flatMap(p -> windows(p).map(week -> new Value.Hours(week, replace)));
        }
        return windows(part).map(week -> new Value.Hours(week, false));
    }

    private static boolean truth(String text) {
        return switch (text) {
            case "true", "yes", "on" -> true;
            case "false", "no", "off" -> false;
            default -> throw new IllegalArgumentException("\"" + text + "\" is neither true nor false");
        };
    }

    private static Optional<Week<TriggerSet>> windows(Part part) {
        if (part.isText()) {
            return part.text(t -> WeekText.parse(List.of(t.split("\\s*[;\\n]\\s*"))));
        }
        Week<TriggerSet> week = Week.silent();
        for (var entry : part.list()) {
            Week<TriggerSet> before = week;
            week = window(before, entry).orElse(before);
        }
        return Optional.of(week);
    }

    private static Optional<Week<TriggerSet>> window(Week<TriggerSet> week, Part entry) {
        if (entry.isText()) {
            return entry.text(t -> WeekText.parse(List.of(t)).over(week));
        }
        Optional<Week<TriggerSet>> painted = Optional.of(week);
        for (var e : entry.map().entrySet()) {
            painted = painted.flatMap(w -> e.getValue()
                    .text(TriggerSet::parse)
                    .flatMap(t -> e.getValue().attempt(() -> WeekText.paint(w, e.getKey(), t))));
        }
        return painted;
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
        return keys.get(word).text(name -> statement(name, word.equals("remove"), kind, shape, sensitivity, threshold));
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
        var form = keys.get(forms.getFirst());
        return switch (forms.getFirst()) {
            case "polygon" -> points(form).flatMap(p -> form.attempt(() -> new Shape.Polygon(p)));
            case "rectangle" -> points(form).flatMap(p -> form.attempt(() -> rectangle(p)));
            default -> cells(form);
        };
    }

    private static Shape rectangle(List<Shape.Point> corners) {
        if (corners.size() != 2) {
            throw new IllegalArgumentException("a rectangle has two corners: [[0.1, 0.2], [0.5, 0.9]]");
        }
        return new Shape.Rectangle(corners.getFirst(), corners.getLast());
    }

    private static Optional<List<Shape.Point>> points(Part part) {
        List<Shape.Point> points = new ArrayList<>();
        var entries = part.list();
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
            throw new IllegalArgumentException("a point is [x, y], each 0 to 1 from the top left");
        }
        return new Shape.Point(numbers.getFirst(), numbers.getLast());
    }

    private static double number(String text) {
        if (!text.matches("\\d(\\.\\d{1,17})?")) {
            throw new IllegalArgumentException("\"" + text + "\" is not a coordinate; expected 0 to 1");
        }
        return Double.parseDouble(text);
    }

    private static Optional<Shape> cells(Part part) {
        var rows = part.list().stream().flatMap(p -> p.text().stream()).toList();
        return part.attempt(() -> new Shape.Cells(CellMask.parse(rows)));
    }
}
