package choir.onvif;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Everything of a recorder that matters here, as it was answered. Profiles tie a channel (its video source) to its
 * encoder and its analytics; jobs name a profile and a schedule. The groups of special days may be added to: they belong
 * to the whole recorder, and what is written for one channel is there for the next.
 */
record Snapshot(
        Element device,
        Map<String, Element> profileByChannel,
        Map<String, Element> analytics,
        Map<String, Element> recordings,
        Map<String, List<RecordingJob>> jobsByChannel,
        Map<String, Element> schedules,
        Map<String, Element> dayGroups) {

    private static final int MOST_CHANNELS = 1_024;

    /** @param specialDays whether the groups of special days are wanted too */
    static Snapshot take(OnvifSession session, boolean specialDays) {
        var device = session.call(Element.of(Namespaces.DEVICE, "GetDeviceInformation"));
        var profiles = session.call(
                Element.of(Namespaces.MEDIA2, "GetProfiles", Element.of(Namespaces.MEDIA2, "Type", "All")));
        Map<String, Element> byChannel = new LinkedHashMap<>();
        Map<String, String> channels = new LinkedHashMap<>();
        profiles.all("Profiles")
                .forEach(p -> source(p).ifPresent(channel -> {
                    byChannel.putIfAbsent(channel, p);
                    channels.put(p.token().orElse(""), channel);
                }));
        byChannel.keySet().forEach(session::requireChannel);
        if (byChannel.size() > MOST_CHANNELS) {
            throw session.garbage("names " + byChannel.size() + " channels; at most " + MOST_CHANNELS + " are taken");
        }
        boolean records = session.offers(Namespaces.RECORDING);
        return new Snapshot(
                device,
                byChannel,
                analytics(session, byChannel),
                records
                        ? index(session.call(Element.of(Namespaces.RECORDING, "GetRecordings")), "RecordingItem")
                        : Map.of(),
                records ? jobs(session.call(Element.of(Namespaces.RECORDING, "GetRecordingJobs")), channels) : Map.of(),
                session.offers(Namespaces.SCHEDULE) ? paged(session, "GetScheduleList", "Schedule") : Map.of(),
                specialDays && session.offers(Namespaces.SCHEDULE)
                        ? paged(session, "GetSpecialDayGroupList", "SpecialDayGroup")
                        : new LinkedHashMap<>());
    }

    private static Optional<String> source(Element profile) {
        return profile.tokenAt("Configurations", "VideoSource", "SourceToken");
    }

    private static Map<String, Element> index(Element answer, String item) {
        Map<String, Element> index = new LinkedHashMap<>();
        answer.all(item).forEach(i -> i.tokenAt("RecordingToken").ifPresent(t -> index.put(t, i)));
        return index;
    }

    /** From the profiles if they tell, else by one call for all, else by two calls for each. */
    private static Map<String, Element> analytics(OnvifSession session, Map<String, Element> profiles) {
        Map<String, Element> configurations = new LinkedHashMap<>();
        for (var profile : profiles.values()) {
            profile.at("Configurations", "Analytics")
                    .ifPresent(a -> configurations.put(a.token().orElse(""), a));
        }
        if (configurations.values().stream().allMatch(Snapshot::tells)) {
            return configurations;
        }
        session.call(Element.of(Namespaces.MEDIA2, "GetAnalyticsConfigurations"))
                .all("Configurations")
                .forEach(c -> configurations.put(c.token().orElse(""), c));
        configurations.replaceAll((token, c) -> tells(c) ? c : asked(session, token));
        return configurations;
    }

    private static boolean tells(Element configuration) {
        return configuration
                .at("AnalyticsEngineConfiguration", "AnalyticsModule")
                .isPresent();
    }

    /** The configuration as the analytics service tells it, in the shape that the media service gives. */
    static Element asked(OnvifSession session, String token) {
        var reference = Element.of(Namespaces.ANALYTICS, "ConfigurationToken", token);
        var modules = session.call(Element.of(Namespaces.ANALYTICS, "GetAnalyticsModules", reference));
        var rules = session.call(Element.of(Namespaces.ANALYTICS, "GetRules", reference));
        return Element.of(
                        Namespaces.MEDIA2,
                        "Analytics",
                        modules.renamed(Namespaces.SCHEMA, "AnalyticsEngineConfiguration"),
                        rules.renamed(Namespaces.SCHEMA, "RuleEngineConfiguration"))
                .withAttribute("token", token);
    }

    private static Map<String, Element> paged(OnvifSession session, String operation, String item) {
        Map<String, Element> items = new LinkedHashMap<>();
        Optional<String> next = Optional.empty();
        do {
            var request = Element.of(Namespaces.SCHEDULE, operation, Element.of(Namespaces.SCHEDULE, "Limit", "500"));
            var answer =
                    session.call(next.map(n -> request.withChild(Element.of(Namespaces.SCHEDULE, "StartReference", n)))
                            .orElse(request));
            answer.all(item).forEach(i -> items.put(i.token().orElse(""), i));
            var following = answer.textAt("NextStartReference").filter(n -> !n.isEmpty());
            next = following.equals(next) ? Optional.empty() : following;
        } while (next.isPresent() && items.size() < 100_000);
        return items;
    }

    Optional<Element> analyticsOf(String channel) {
        return Optional.ofNullable(profileByChannel.get(channel))
                .flatMap(p -> p.at("Configurations", "Analytics"))
                .flatMap(Element::token)
                .map(analytics::get);
    }

    Optional<Element> encoderOf(String channel) {
        return Optional.ofNullable(profileByChannel.get(channel)).flatMap(p -> p.at("Configurations", "VideoEncoder"));
    }

    private static Map<String, List<RecordingJob>> jobs(Element answer, Map<String, String> channelByProfile) {
        Map<String, List<RecordingJob>> byChannel = new LinkedHashMap<>();
        answer.all("JobItem")
                .flatMap(item -> RecordingJob.of(item).stream())
                .forEach(job -> Optional.ofNullable(channelByProfile.get(job.profile()))
                        .ifPresent(channel -> byChannel
                                .computeIfAbsent(channel, c -> new ArrayList<>())
                                .add(job)));
        return byChannel;
    }

    List<RecordingJob> jobsOf(String channel) {
        return jobsByChannel.getOrDefault(channel, List.of());
    }

    /** The other channels of which a job goes by that schedule, too. */
    Set<String> alsoUsing(String schedule, String channel) {
        Set<String> others = new TreeSet<>();
        jobsByChannel.forEach((other, jobs) -> {
            if (!other.equals(channel)
                    && jobs.stream().anyMatch(j -> j.schedule().equals(schedule))) {
                others.add(other);
            }
        });
        return others;
    }

    Optional<Element> recordingOf(String channel) {
        return jobsOf(channel).stream()
                .flatMap(j -> Optional.ofNullable(recordings.get(j.recording())).stream())
                .findFirst();
    }
}
