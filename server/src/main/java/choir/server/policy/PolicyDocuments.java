package choir.server.policy;

import choir.document.DocumentException;
import choir.document.Fault;
import choir.document.KnownNames;
import choir.document.PolicyDocument;
import choir.document.PolicyDocument.OfCalendar;
import choir.document.PolicyDocument.OfNode;
import choir.document.PolicyDocument.OfTemplate;
import choir.document.PolicyReader;
import choir.policy.TemplateName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The documents of a set of policy files, with every fault of all of them told at once. */
final class PolicyDocuments {
    private record Found(PolicyFile file, PolicyDocument document) {}

    private PolicyDocuments() {}

    /**
     * Reads twice: the first time for the names that the files bring, as far as they can be read, the second against all that may
     * be spoken of, so that names that are not there are told with all other faults.
     *
     * @param there what may be spoken of beside what the files bring
     * @param newGroups the files bring groups as well
     * @throws DocumentException with file, line and column of each fault
     */
    static List<PolicyDocument> read(List<PolicyFile> files, KnownNames there, boolean newGroups) {
        Set<String> templates = new LinkedHashSet<>(there.templates());
        Set<String> calendars = new LinkedHashSet<>(there.calendars());
        Set<String> groups = new LinkedHashSet<>(there.groups());
        List<Fault> faults = new ArrayList<>();
        Map<String, PolicyFile> first = new LinkedHashMap<>();
        for (var file : files) {
            var brought = PolicyReader.brought(file.text());
            brought.templates().forEach(t -> addToldTwice("template", t, file, first, faults));
            brought.calendars().forEach(c -> addToldTwice("calendar", c, file, first, faults));
            templates.addAll(brought.templates());
            calendars.addAll(brought.calendars());
            if (newGroups) {
                groups.addAll(brought.groups());
            }
        }
        var known = new KnownNames(templates, calendars, groups, there.cameras());
        List<Found> found = new ArrayList<>();
        for (var file : files) {
            try {
                PolicyReader.read(file.name(), file.text(), Optional.of(known))
                        .forEach(d -> found.add(new Found(file, d)));
            } catch (DocumentException e) {
                faults.addAll(e.faults());
            }
        }
        faults.addAll(toldTwice(found));
        faults.addAll(circles(found));
        if (!faults.isEmpty()) {
            throw new DocumentException(faults);
        }
        return found.stream().map(Found::document).toList();
    }

    /** Templates of the files that extend each other, each circle once and with the file in which it is closed. */
    private static List<Fault> circles(List<Found> found) {
        Map<TemplateName, Found> byName = new LinkedHashMap<>();
        found.forEach(f -> {
            if (f.document() instanceof OfTemplate t) {
                byName.put(t.name(), f);
            }
        });
        List<Fault> faults = new ArrayList<>();
        Set<TemplateName> settled = new HashSet<>();
        for (var start : byName.keySet()) {
            List<TemplateName> line = new ArrayList<>();
            var next = Optional.of(start);
            while (next.isPresent() && byName.containsKey(next.get()) && !settled.contains(next.get())) {
                int at = line.indexOf(next.get());
                if (at >= 0) {
                    var circle = new ArrayList<>(line.subList(at, line.size()));
                    circle.add(next.get());
                    faults.add(new Fault(
                            byName.get(line.getLast()).file().name(),
                            lineOf(
                                    "extends: *" + next.get(),
                                    byName.get(line.getLast()).file().text()),
                            1,
                            "extends",
                            "templates extend each other in a circle: "
                                    + circle.stream()
                                            .map(TemplateName::text)
                                            .collect(Collectors.joining(" extends "))));
                    break;
                }
                line.add(next.get());
                next = ((OfTemplate) byName.get(next.get()).document()).base();
            }
            settled.addAll(line);
        }
        return faults;
    }

    /** Where something stands first. */
    private static int lineOf(String pattern, String text) {
        var lines = text.lines().toList();
        var wanted = Pattern.compile("(^|[{, ])" + pattern + "\\b.*");
        for (int i = 0; i < lines.size(); i++) {
            if (wanted.matcher(lines.get(i)).find()) {
                return i + 1;
            }
        }
        return 1;
    }

    /** A template or calendar stands in one file; also one of which something else is wrong tells of it. */
    private static void addToldTwice(
            String kind, String name, PolicyFile file, Map<String, PolicyFile> first, List<Fault> faults) {
        var before = first.putIfAbsent(kind + " " + name, file);
        if (before != null) {
            faults.add(toldTwice(name, file, before));
        }
    }

    private static Fault toldTwice(Object name, PolicyFile file, PolicyFile before) {
        return new Fault(file.name(), 1, 1, "", name + " is told of twice; also in " + before.name());
    }

    /** In one file as well it stands in one document; and what a node uses does in one document of all files. */
    private static List<Fault> toldTwice(List<Found> found) {
        List<Fault> faults = new ArrayList<>();
        Map<Object, PolicyFile> first = new HashMap<>();
        for (var f : found) {
            var subject = switch (f.document()) {
                case OfTemplate t -> List.of(f.file().name(), t.name());
                case OfCalendar c -> List.of(f.file().name(), c.name());
                case OfNode n -> n.use().isPresent() ? List.of(n.node()) : List.of(new Object());
            };
            var before = first.putIfAbsent(subject, f.file());
            if (before != null) {
                faults.add(toldTwice(subject.getLast(), f.file(), before));
            }
        }
        return faults;
    }
}
