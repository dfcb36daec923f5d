package choir.server.policy;

import choir.document.DocumentException;
import choir.document.Fault;
import choir.document.KnownNames;
import choir.document.PolicyDocument;
import choir.document.PolicyDocument.OfCalendar;
import choir.document.PolicyDocument.OfNode;
import choir.document.PolicyDocument.OfTemplate;
import choir.document.PolicyReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The documents of a set of policy files, with every fault of all of them told at once. */
final class PolicyDocuments {
    private record Found(PolicyFile file, PolicyDocument document) {}

    private PolicyDocuments() {}

    /**
     * Reads twice: the first time for the names that the files bring, the second against all that may be spoken of.
     *
     * @param there what may be spoken of beside what the files bring
     * @throws DocumentException with file, line and column of each fault
     */
    static List<PolicyDocument> read(List<PolicyFile> files, KnownNames there) {
        List<Fault> faults = new ArrayList<>();
        var found = read(files, Optional.empty(), faults);
        if (faults.isEmpty()) {
            Set<String> templates = new LinkedHashSet<>(there.templates());
            Set<String> calendars = new LinkedHashSet<>(there.calendars());
            found.forEach(f -> {
                switch (f.document()) {
                    case OfTemplate t -> templates.add(t.name().text());
                    case OfCalendar c -> calendars.add(c.name().text());
                    case OfNode n -> {
                        // Groups and cameras are not made by policy files.
                    }
                }
            });
            var known = new KnownNames(templates, calendars, there.groups(), there.cameras());
            read(files, Optional.of(known), faults);
            faults.addAll(toldTwice(found));
        }
        if (!faults.isEmpty()) {
            throw new DocumentException(faults);
        }
        return found.stream().map(Found::document).toList();
    }

    private static List<Found> read(List<PolicyFile> files, Optional<KnownNames> known, List<Fault> faults) {
        List<Found> found = new ArrayList<>();
        for (var file : files) {
            try {
                PolicyReader.read(file.name(), file.text(), known).forEach(d -> found.add(new Found(file, d)));
            } catch (DocumentException e) {
                faults.addAll(e.faults());
            }
        }
        return found;
    }

    /** A template stands in one document, and so do the templates that a node uses. */
    private static List<Fault> toldTwice(List<Found> found) {
        List<Fault> faults = new ArrayList<>();
        Map<Object, PolicyFile> first = new HashMap<>();
        for (var f : found) {
            Object subject = switch (f.document()) {
                case OfTemplate t -> t.name();
                case OfCalendar c -> c.name();
                case OfNode n -> n.use().isPresent() ? n.node() : new Object();
            };
            var before = first.putIfAbsent(subject, f.file());
            if (before != null) {
                faults.add(
                        new Fault(f.file().name(), 1, 1, "", subject + " is told of twice; also in " + before.name()));
            }
        }
        return faults;
    }
}
