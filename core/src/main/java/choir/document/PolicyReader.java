package choir.document;

import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.Layer;
import choir.policy.Layer.Statement;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import choir.policy.Value;
import choir.refusal.Refusal;
import choir.week.DateSet;
import choir.week.SpecialDate;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reads policy files: templates, and what stands at groups and cameras. */
public final class PolicyReader {
    private static final Set<String> TEMPLATE_KEYS = Stream.concat(
                    Stream.of("template", "title", "extends", "unset", "fixed"), Catalogue.sections().stream())
            .collect(Collectors.toUnmodifiableSet());
    private static final Set<String> CALENDAR_KEYS = Set.of("calendar", "title", "dates");
    private static final Set<String> NODE_KEYS =
            Set.of("group", "camera", "use", "set", "unset", "fixed", "because", "until");

    private final Optional<KnownNames> known;

    private PolicyReader(Optional<KnownNames> known) {
        this.known = known;
    }

    public static List<PolicyDocument> read(String text) {
        return read("", text, Optional.empty());
    }

    /**
     * Reads the documents of one file.
     *
     * @param known when present, names of anything else are faults
     * @throws DocumentException with every fault and its place
     */
    public static List<PolicyDocument> read(String file, String text, Optional<KnownNames> known) {
        return Documents.read(file, text, new PolicyReader(known)::document).stream()
                .flatMap(Optional::stream)
                .toList();
    }

    /** Templates, calendars and groups that a file brings, as far as it can be read; its faults are told by {@link #read}. */
    public static KnownNames brought(String text) {
        Set<String> templates = new LinkedHashSet<>();
        Set<String> calendars = new LinkedHashSet<>();
        Set<String> groups = new LinkedHashSet<>();
        try {
            Documents.read(text, part -> {
                if (part.isMap()) {
                    var keys = part.map();
                    optional(keys, "template", TemplateName::new).ifPresent(t -> templates.add(t.text()));
                    optional(keys, "calendar", CalendarName::new).ifPresent(c -> calendars.add(c.text()));
                    optional(keys, "group", Node.Group::of)
                            .ifPresent(g -> g.chain().forEach(one -> groups.add(one.text())));
                }
                return part;
            });
        } catch (DocumentException e) {
            // What could be read of it counts.
        }
        return new KnownNames(templates, calendars, groups, Set.of());
    }

    private Optional<PolicyDocument> document(Part part) {
        var keys = part.map();
        if (keys.containsKey("template")) {
            return template(part.map(TEMPLATE_KEYS));
        }
        if (keys.containsKey("calendar")) {
            return calendar(part.map(CALENDAR_KEYS));
        }
        if (keys.containsKey("group") || keys.containsKey("camera")) {
            return node(part, part.map(NODE_KEYS));
        }
        part.fault("a document starts with template, calendar, group or camera");
        return Optional.empty();
    }

    private static Optional<PolicyDocument> calendar(Map<String, Part> keys) {
        var name = Part.there(keys, "calendar").text(CalendarName::new);
        var title = optional(keys, "title", t -> t).orElse("");
        if (!keys.containsKey("dates")) {
            Part.there(keys, "calendar").fault("\"dates\" is missing; expected dates: [2027-01-01, 12-25 yearly]");
            return Optional.empty();
        }
        var dates = keys.get("dates").list().stream()
                .flatMap(p -> p.text(SpecialDate::parse).stream())
                .toList();
        var set = keys.get("dates").attempt(() -> new DateSet(dates));
        return name.flatMap(n -> set.map(s -> new PolicyDocument.OfCalendar(n, title, s)));
    }

    /** Calendars that a value speaks of have to be there. */
    private Optional<Value> settingValue(String key, Part part) {
        var value = SettingReader.read(key, part);
        if (value.orElse(null) instanceof Value.SpecialDays days) {
            known.ifPresent(k -> days.plans().keySet().stream()
                    .filter(c -> !Calendars.isDate(c))
                    .forEach(c -> KnownNames.require(part, "calendar", c, k.calendars())));
        }
        return value;
    }

    private Optional<PolicyDocument> template(Map<String, Part> keys) {
        var name = Part.there(keys, "template").text(TemplateName::new);
        var title = optional(keys, "title", t -> t).orElse("");
        var base = optional(keys, "extends", TemplateName::new);
        base.ifPresent(b -> requireTemplate(Part.there(keys, "extends"), b));
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        for (var section : Catalogue.sections()) {
            if (keys.containsKey(section)) {
                keys.get(section)
                        .map()
                        .forEach((key, part) -> settingValue(section + "." + key, part)
                                .ifPresent(v ->
                                        statements.put(new SettingKey(section + "." + key), new Statement.Set(v))));
            }
        }
        var layer = layer(statements, keys);
        return name.map(n -> new PolicyDocument.OfTemplate(n, title, base, layer));
    }

    private Optional<PolicyDocument> node(Part part, Map<String, Part> keys) {
        Optional<Node> node = keys.containsKey("group")
                ? keys.get("group").text(Node.Group::of)
                : Part.there(keys, "camera").text(Node.Camera::parse);
        if (keys.containsKey("group") && keys.containsKey("camera")) {
            part.fault("a document is about a group or about a camera, not both");
        }
        node.ifPresent(n -> requireNode(Part.there(keys, keys.containsKey("group") ? "group" : "camera"), n));
        Optional<List<TemplateName>> use = Optional.ofNullable(keys.get("use")).map(this::templates);
        Map<SettingKey, Statement> statements = new LinkedHashMap<>();
        if (keys.containsKey("set")) {
            keys.get("set")
                    .map()
                    .forEach((key, value) -> settingValue(key, value)
                            .ifPresent(v -> statements.put(new SettingKey(key), new Statement.Set(v))));
        }
        var overrides = layer(statements, keys);
        var because = optional(keys, "because", b -> b);
        if (!overrides.statements().isEmpty()
                && because.filter(b -> !b.isBlank()).isEmpty()) {
            part.fault("what is set or unset here needs a reason: because: …");
        }
        var until = optional(keys, "until", PolicyReader::date);
        return node.map(n -> new PolicyDocument.OfNode(n, use, overrides, because, until));
    }

    private List<TemplateName> templates(Part part) {
        Set<TemplateName> use = new LinkedHashSet<>();
        for (var entry : part.list()) {
            entry.text(TemplateName::new).ifPresent(name -> {
                requireTemplate(entry, name);
                if (!use.add(name)) {
                    entry.fault("\"" + name + "\" stands here twice");
                }
            });
        }
        return List.copyOf(use);
    }

    private void requireTemplate(Part part, TemplateName name) {
        known.ifPresent(k -> KnownNames.require(part, "template", name.text(), k.templates()));
    }

    private void requireNode(Part part, Node node) {
        known.ifPresent(k -> {
            switch (node) {
                case Node.Group g -> KnownNames.require(part, "group", g.text(), k.groups());
                case Node.Camera c -> KnownNames.require(part, "camera", c.text(), k.cameras());
            }
        });
    }

    private static Layer layer(Map<SettingKey, Statement> statements, Map<String, Part> keys) {
        for (var key : settingKeys(keys, "unset")) {
            if (statements.put(key, new Statement.Unset()) instanceof Statement.Set) {
                Part.there(keys, "unset").fault(key + " is set and unset in one document; say one of the two");
            }
        }
        return new Layer(statements, settingKeys(keys, "fixed"));
    }

    private static Set<SettingKey> settingKeys(Map<String, Part> keys, String name) {
        Set<SettingKey> found = new LinkedHashSet<>();
        if (keys.containsKey(name)) {
            keys.get(name)
                    .list()
                    .forEach(p -> p.text(k -> Catalogue.named(k).key()).ifPresent(found::add));
        }
        return found;
    }

    private static <T> Optional<T> optional(Map<String, Part> keys, String name, Function<String, T> reader) {
        return Optional.ofNullable(keys.get(name)).flatMap(part -> part.text(reader));
    }

    static LocalDate date(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Refusal("\"" + text + "\" is not a date; expected a form like 2027-03-01");
        }
    }
}
