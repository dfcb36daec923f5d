package choir.server.audit;

import choir.drift.Severity;
import choir.fleet.Node;
import choir.policy.SettingKey;
import choir.server.web.Problem;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Findings that share something, so that a recorder that was never tuned is one line. */
final class FindingGroups {
    enum By {
        CAUSE,
        RECORDER,
        GROUP,
        SETTING,
        PERSON;

        static By of(String word) {
            try {
                return valueOf(word.toUpperCase(Locale.ROOT));
            } catch (IllegalArgumentException e) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        "expected by cause, recorder, group, setting or person, not by \"" + word + "\"");
            }
        }

        /** What a finding has in common with the others of its group; empty when it is nothing. */
        String name(Finding f) {
            return switch (this) {
                case CAUSE -> f.why();
                case RECORDER -> f.recorder();
                case GROUP -> f.group().map(Node.Group::text).orElse("");
                case SETTING ->
                    f.matter().setting().map(SettingKey::text).orElse(f.matter().about());
                case PERSON -> f.assignment().map(Finding.Assignment::to).orElse("");
            };
        }
    }

    /**
     * @param name what they share; empty when it is nothing, such as the group of a whole recorder
     * @param cameras how many different ones
     */
    record Tally(
            String name, int findings, int cameras, int high, int medium, int low, Severity worst, Instant oldest) {}

    private FindingGroups() {}

    /** The worst first, then the largest. */
    static List<Tally> of(List<Finding> findings, By by) {
        Map<String, Collected> groups = new LinkedHashMap<>();
        findings.forEach(
                f -> groups.computeIfAbsent(by.name(f), n -> new Collected()).add(f));
        return groups.entrySet().stream()
                .map(e -> e.getValue().tally(e.getKey()))
                .sorted(Comparator.comparing(Tally::worst)
                        .thenComparing(Tally::findings)
                        .reversed()
                        .thenComparing(Tally::name))
                .toList();
    }

    private static final class Collected {
        private final int[] bySeverity = new int[Severity.values().length];
        private final Set<Node.Camera> cameras = new HashSet<>();
        private int findings;
        private Severity worst = Severity.values()[0];
        private Instant oldest = Instant.MAX;

        void add(Finding f) {
            findings++;
            bySeverity[f.severity().ordinal()]++;
            f.camera().ifPresent(cameras::add);
            worst = f.severity().compareTo(worst) > 0 ? f.severity() : worst;
            oldest = f.firstSeen().isBefore(oldest) ? f.firstSeen() : oldest;
        }

        Tally tally(String name) {
            return new Tally(
                    name,
                    findings,
                    cameras.size(),
                    bySeverity[Severity.HIGH.ordinal()],
                    bySeverity[Severity.MEDIUM.ordinal()],
                    bySeverity[Severity.LOW.ordinal()],
                    worst,
                    oldest);
        }
    }
}
