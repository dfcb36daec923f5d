package choir.onvif;

import choir.area.CellGrid;
import choir.link.RecorderReading;
import choir.link.SelfDescription;
import choir.link.SelfDescription.Range;
import choir.week.Trigger;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a recorder's options, its cell layout and its jobs say of its abilities. */
final class SelfDescriptions {
    private static final Set<String> DETECTOR_PARAMETERS =
            Set.of("MinCount", "AlarmOnDelay", "AlarmOffDelay", "ActiveCells");

    private SelfDescriptions() {}

    static SelfDescription of(OnvifSession session, Snapshot snapshot, RecorderReading.Device device) {
        var channel = snapshot.channels().stream().findFirst();
        var jobs = channel.map(snapshot::jobsOf).orElse(List.of());
        var lanes = EnumSet.noneOf(Trigger.class);
        jobs.stream()
                .filter(j -> snapshot.schedules().containsKey(j.schedule()))
                .flatMap(j -> j.triggers().stream())
                .filter(t -> t.members().size() == 1)
                .forEach(t -> lanes.addAll(t.members()));
        return new SelfDescription(
                device,
                ranges(session, snapshot),
                channel.flatMap(snapshot::analyticsOf).flatMap(SelfDescriptions::grid),
                lanes,
                jobs.stream().anyMatch(j -> j.buffer("Before").isPresent()),
                channel.flatMap(snapshot::recordingOf)
                        .flatMap(r -> r.at("Configuration", "MaximumRetentionTime"))
                        .isPresent(),
                channel.flatMap(snapshot::encoderOf)
                        .flatMap(e -> e.at("RateControl", "FrameRateLimit"))
                        .isPresent());
    }

    private static Optional<CellGrid> grid(Element analytics) {
        return analytics
                .tree()
                .filter(e -> e.is("CellLayout"))
                .findFirst()
                .flatMap(layout -> number(layout.attribute("Columns"))
                        .flatMap(columns -> number(layout.attribute("Rows"))
                                .filter(rows -> columns > 0 && rows > 0 && columns <= 1000 && rows <= 1000)
                                .map(rows -> new CellGrid(columns, rows))));
    }

    /** The whole numbers that analytics parameters may have; a recorder without options has none. */
    static List<Range> ranges(OnvifSession session, Snapshot snapshot) {
        List<Range> ranges = new ArrayList<>();
        snapshot.analytics().keySet().stream().findFirst().ifPresent(token -> {
            ranges.addAll(ranges(session, token, "module", "GetAnalyticsModuleOptions", "AnalyticsModule"));
            ranges.addAll(ranges(session, token, "rule", "GetRuleOptions", "RuleType"));
        });
        return ranges;
    }

    private static List<Range> ranges(OnvifSession session, String token, String kind, String operation, String owner) {
        var request = Element.of(
                Namespaces.ANALYTICS, operation, Element.of(Namespaces.ANALYTICS, "ConfigurationToken", token));
        List<Range> ranges = new ArrayList<>();
        var options = session.ifOffered(request).map(Element::children).orElse(List.of());
        for (var option : options) {
            number(bound(option, "Min"))
                    .ifPresent(min -> number(bound(option, "Max"))
                            .ifPresent(max -> ranges.add(new Range(
                                    kind,
                                    owner(option, owner, kind),
                                    option.attribute("Name").orElse(""),
                                    min,
                                    max))));
        }
        return ranges;
    }

    /** Whatever prefix the standard's namespace has there; where the owner is left out, the standard's names tell it. */
    private static String owner(Element option, String owner, String kind) {
        var said = option.attribute(owner).orElse("");
        if (said.isEmpty()) {
            var name = option.attribute("Name").orElse("");
            return kind.equals("module")
                    ? name.equals("Sensitivity") ? "tt:CellMotionEngine" : ""
                    : DETECTOR_PARAMETERS.contains(name) ? "tt:CellMotionDetector" : "";
        }
        boolean standard =
                option.namespaceOf(said).filter(Namespaces.SCHEMA::equals).isPresent();
        return standard ? "tt:" + said.substring(said.indexOf(':') + 1) : said;
    }

    private static Optional<String> bound(Element option, String name) {
        return option.tree().filter(e -> e.is(name)).map(e -> e.text().strip()).findFirst();
    }

    private static Optional<Integer> number(Optional<String> text) {
        return text.filter(t -> t.matches("-?\\d{1,8}")).map(Integer::valueOf);
    }
}
