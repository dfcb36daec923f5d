package choir.document;

import choir.area.Shape;
import choir.fleet.Node;
import choir.policy.AreaStatement;
import choir.policy.CalendarName;
import choir.policy.Catalogue;
import choir.policy.Layer;
import choir.policy.Layer.Statement;
import choir.policy.PolicyOverride;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.policy.Value;
import choir.week.DateSet;
import choir.week.DayPlan;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.common.FlowStyle;
import org.snakeyaml.engine.v2.nodes.Tag;
import org.snakeyaml.engine.v2.representer.StandardRepresenter;

/** Writes the canonical form of policy files: reading it back gives the same values. */
public final class PolicyWriter {
    private PolicyWriter() {}

    public static String template(TemplateName name, String title, Optional<TemplateName> base, Layer layer) {
        Map<String, Object> document = new LinkedHashMap<>();
        document.put("template", name.text());
        if (!title.isEmpty()) {
            document.put("title", title);
        }
        base.ifPresent(b -> document.put("extends", b.text()));
        for (var section : Catalogue.sections()) {
            var entries = section(section, layer);
            if (!entries.isEmpty()) {
                document.put(section, entries);
            }
        }
        unsetAndFixed(document, layer);
        return dump(document);
    }

    public static String calendar(CalendarName name, String title, DateSet dates) {
        Map<String, Object> document = new LinkedHashMap<>();
        document.put("calendar", name.text());
        if (!title.isEmpty()) {
            document.put("title", title);
        }
        document.put("dates", dates.dates().stream().map(Object::toString).toList());
        return dump(document);
    }

    /**
     * What stands at a group or a camera, in one document or several.
     *
     * @param overrides those with one reason and one end date stand in one document
     */
    public static String node(Node node, List<TemplateName> use, List<PolicyOverride> overrides) {
        List<Map<String, Object>> documents = new ArrayList<>();
        if (!use.isEmpty()) {
            var first = nodeDocument(node);
            first.put("use", use.stream().map(TemplateName::text).toList());
            documents.add(first);
        }
        Map<List<Object>, List<PolicyOverride>> byReason = new LinkedHashMap<>();
        overrides.stream()
                .sorted(Comparator.comparing((PolicyOverride o) -> o.until().isPresent())
                        .thenComparing(o -> o.until().orElse(LocalDate.MIN))
                        .thenComparing(PolicyOverride::because)
                        .thenComparing(PolicyOverride::key))
                .forEach(o -> byReason.computeIfAbsent(List.of(o.because(), o.until()), r -> new ArrayList<>())
                        .add(o));
        if (documents.isEmpty() && byReason.isEmpty() && node instanceof Node.Group) {
            // That it is there is all there is to say.
            documents.add(nodeDocument(node));
        }
        byReason.values().forEach(group -> documents.add(overridesDocument(node, group)));
        return documents.stream().map(d -> dump(d)).collect(Collectors.joining("---\n"));
    }

    private static Map<String, Object> nodeDocument(Node node) {
        Map<String, Object> document = new LinkedHashMap<>();
        switch (node) {
            case Node.Group g -> document.put("group", g.text());
            case Node.Camera c -> document.put("camera", c.text());
        }
        return document;
    }

    private static Map<String, Object> overridesDocument(Node node, List<PolicyOverride> overrides) {
        var document = nodeDocument(node);
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        Set<SettingKey> fixed = new TreeSet<>();
        Map<String, Object> set = new LinkedHashMap<>();
        for (var override : overrides) {
            statements.put(override.key(), override.statement());
            if (override.fixed()) {
                fixed.add(override.key());
            }
            if (override.statement() instanceof Statement.Set(Value value)) {
                set.put(override.key().text(), tree(value));
            }
        }
        if (!set.isEmpty()) {
            document.put("set", set);
        }
        unsetAndFixed(document, new Layer(statements, fixed));
        document.put("because", overrides.getFirst().because());
        overrides.getFirst().until().ifPresent(u -> document.put("until", u.toString()));
        return document;
    }

    private static void unsetAndFixed(Map<String, Object> document, Layer layer) {
        var unset = layer.statements().entrySet().stream()
                .filter(e -> e.getValue() instanceof Statement.Unset)
                .map(e -> e.getKey().text())
                .sorted()
                .toList();
        if (!unset.isEmpty()) {
            document.put("unset", unset);
        }
        if (!layer.fixed().isEmpty()) {
            document.put("fixed", layer.fixed().stream().map(SettingKey::text).toList());
        }
    }

    /** One value as a policy file would hold it, on one line. */
    public static String value(Value value) {
        return switch (value) {
            case Value.OfWeek<?> w -> w.replace() ? flow(tree(w)) : String.join("; ", w.lines());
            case Value.SpecialDays d -> flow(specialDays(d));
            case Value.Areas a -> flow(areas(a));
            case Value.Flag v -> v.text();
            case Value.Sense v -> v.text();
            case Value.Share v -> v.text();
            case Value.Amount v -> v.text();
            case Value.Word v -> v.text();
        };
    }

    private static Map<String, Object> section(String section, Layer layer) {
        Map<String, Object> entries = new LinkedHashMap<>();
        for (var setting : Catalogue.settings()) {
            if (setting.key().text().startsWith(section + ".")
                    && layer.statements().get(setting.key()) instanceof Statement.Set(Value value)) {
                entries.put(setting.key().text().substring(section.length() + 1), tree(value));
            }
        }
        return entries;
    }

    private static Object tree(Value value) {
        return switch (value) {
            case Value.OfWeek<?> w -> windows(w.lines(), w.replace());
            case Value.SpecialDays d -> specialDays(d);
            case Value.Areas a -> areas(a);
            case Value.Flag v -> v.text();
            case Value.Sense v -> plain(v.text());
            case Value.Share v -> v.text();
            case Value.Amount v -> v.text();
            case Value.Word v -> v.text();
        };
    }

    /** A line such as {@code mon-fri 06:00-18:30 continuous} stands as a window with its value. */
    private static Object windows(List<String> lines, boolean replace) {
        List<Object> windows = new ArrayList<>();
        for (var line : lines) {
            int cut = line.lastIndexOf(' ');
            windows.add(Map.of(line.substring(0, cut), plain(line.substring(cut + 1))));
        }
        if (!replace) {
            return windows;
        }
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("replace", "true");
        map.put("windows", windows);
        return map;
    }

    private static Map<String, Object> specialDays(Value.SpecialDays days) {
        Map<String, Object> map = new LinkedHashMap<>();
        days.plans()
                .forEach((calendar, plan) ->
                        map.put(calendar, plan.map(DayPlan::toString).orElse("remove")));
        return map;
    }

    private static List<Object> areas(Value.Areas areas) {
        return areas.areas().stream().map(PolicyWriter::area).toList();
    }

    private static Object area(AreaStatement area) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put(area.remove() ? "remove" : area.kind().map(k -> k.text()).orElse("area"), area.name());
        area.shape().ifPresent(shape -> {
            switch (shape) {
                case Shape.Polygon p -> map.put("polygon", points(p.corners()));
                case Shape.Rectangle r -> map.put("rectangle", points(List.of(r.topLeft(), r.bottomRight())));
                case Shape.Cells c -> map.put("cells", c.mask().rows());
            }
        });
        area.sensitivity().ifPresent(s -> map.put("sensitivity", plain(s.toString())));
        area.threshold().ifPresent(t -> map.put("threshold", t.toString()));
        return map;
    }

    private static Inline points(List<Shape.Point> points) {
        return new Inline(points.stream()
                .<Object>map(p -> new Inline(List.of(number(p.x()), number(p.y()))))
                .toList());
    }

    /** A list that stands on one line. */
    private record Inline(List<Object> items) {}

    /** A number as a person would write it: 1 and not 1.0. */
    private static Object number(double value) {
        return value == Math.rint(value) ? (Object) (long) value : BigDecimal.valueOf(value);
    }

    /** A text that is a number stands without quotes. */
    private static Object plain(String text) {
        return text.matches("\\d{1,9}") ? Integer.valueOf(text) : text;
    }

    private static String dump(Object tree) {
        return dump(tree, FlowStyle.BLOCK, 120);
    }

    private static String flow(Object tree) {
        return dump(tree, FlowStyle.FLOW, 1_000_000).strip();
    }

    private static String dump(Object tree, FlowStyle style, int width) {
        var settings = DumpSettings.builder()
                .setDefaultFlowStyle(style)
                .setWidth(width)
                .setIndicatorIndent(2)
                .setIndentWithIndicator(true)
                .build();
        return new Dump(settings, new WithInlineLists(settings)).dumpToString(tree);
    }

    private static final class WithInlineLists extends StandardRepresenter {
        WithInlineLists(DumpSettings settings) {
            super(settings);
            representers.put(Inline.class, data -> representSequence(Tag.SEQ, ((Inline) data).items(), FlowStyle.FLOW));
        }
    }
}
