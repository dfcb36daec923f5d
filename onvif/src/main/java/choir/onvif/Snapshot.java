package choir.onvif;

import choir.week.TriggerSet;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Everything of a recorder that matters here, as it was answered. Profiles tie a channel (its video source) to its
 * encoder and its analytics; jobs name a profile and a schedule. The schedules, the jobs' pointers to them and the groups
 * of special days are kept up with what is written: they belong to the whole recorder, and what was done for one channel
 * holds for the next.
 */
record Snapshot(
        Element device,
        Media media,
        Map<String, List<Element>> profiles,
        Map<String, Element> analytics,
        Map<String, Element> recordings,
        Jobs jobs,
        Map<String, Element> schedules,
        Map<String, Element> dayGroups) {

    private static final int MOST_CHANNELS = 1_024;

    /**
     * @param known whether the recorder tells its jobs at all
     * @param untied those that belong to no channel that can be told
     */
    record Jobs(boolean known, Map<String, List<RecordingJob>> byChannel, List<RecordingJob> untied) {}

    /** Whether the groups of special days are wanted: those that some schedule goes by, or all that there are. */
    enum DayGroups {
        NONE,
        USED,
        ALL
    }

    static Snapshot take(OnvifSession session, DayGroups wanted) {
        var device = session.device();
        var media = Media.of(session);
        var byChannel = profiles(session, media);
        var recordings = recordings(session);
        var jobs = jobs(session, byChannel, recordings);
        var schedules = paged(session, "GetScheduleList", "Schedule");
        boolean used =
                schedules.values().stream().anyMatch(s -> s.child("SpecialDays").isPresent());
        return new Snapshot(
                device,
                media,
                byChannel,
                analytics(session, media, byChannel),
                recordings,
                jobs,
                schedules,
                wanted == DayGroups.ALL || wanted == DayGroups.USED && used
                        ? paged(session, "GetSpecialDayGroupList", "SpecialDayGroup")
                        : new LinkedHashMap<>());
    }

    /** Those of each channel. */
    static Map<String, List<Element>> profiles(OnvifSession session, Media media) {
        Map<String, List<Element>> byChannel = new LinkedHashMap<>();
        media.profiles()
                .forEach(p -> Media.source(p)
                        .ifPresent(channel -> byChannel
                                .computeIfAbsent(channel, c -> new ArrayList<>())
                                .add(p)));
        byChannel.keySet().forEach(session::requireChannel);
        if (byChannel.size() > MOST_CHANNELS) {
            throw session.garbage("names " + byChannel.size() + " channels; at most " + MOST_CHANNELS + " are taken");
        }
        return byChannel;
    }

    static Map<String, Element> recordings(OnvifSession session) {
        return session.ifOffered(Element.of(Namespaces.RECORDING, "GetRecordings"))
                .map(answer -> index(answer, "RecordingItem"))
                .orElse(Map.of());
    }

    static Jobs jobs(OnvifSession session, Map<String, List<Element>> byChannel, Map<String, Element> recordings) {
        return session.ifOffered(Element.of(Namespaces.RECORDING, "GetRecordingJobs"))
                .map(answer -> jobs(answer, new Ties(byChannel, recordings)))
                .orElse(new Jobs(false, Map.of(), List.of()));
    }

    private static Map<String, Element> index(Element answer, String item) {
        Map<String, Element> index = new LinkedHashMap<>();
        answer.all(item).forEach(i -> i.tokenAt("RecordingToken").ifPresent(t -> index.put(t, i)));
        return index;
    }

    /** From the profiles if they tell, else by one call for all, else by two calls for each. */
    private static Map<String, Element> analytics(
            OnvifSession session, Media media, Map<String, List<Element>> profiles) {
        Map<String, Element> configurations = new LinkedHashMap<>();
        profiles.values()
                .forEach(p -> analyticsOf(p)
                        .ifPresent(a -> configurations.put(a.token().orElse(""), a)));
        if (configurations.values().stream().allMatch(Snapshot::tells)) {
            return configurations;
        }
        media.analytics()
                .ifPresent(all -> all.stream()
                        .filter(c -> configurations.containsKey(c.token().orElse("")))
                        .forEach(c -> configurations.put(c.token().orElse(""), c)));
        configurations.replaceAll((token, c) -> tells(c) ? c : asked(session, token));
        return configurations;
    }

    /** That of the first profile which has any: some recorders have it on the smaller stream. */
    private static Optional<Element> analyticsOf(List<Element> profiles) {
        return profiles.stream()
                .flatMap(p -> p.at("Configurations", "Analytics").stream())
                .findFirst();
    }

    private static boolean tells(Element configuration) {
        return configuration
                        .at("AnalyticsEngineConfiguration", "AnalyticsModule")
                        .isPresent()
                || configuration.at("RuleEngineConfiguration", "Rule").isPresent();
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
            var asked = session.ifOffered(
                    next.map(n -> request.withChild(Element.of(Namespaces.SCHEDULE, "StartReference", n)))
                            .orElse(request));
            if (asked.isEmpty()) {
                return items;
            }
            var answer = asked.get();
            answer.all(item).forEach(i -> items.put(i.token().orElse(""), i));
            var following = answer.textAt("NextStartReference").filter(n -> !n.isEmpty());
            next = following.equals(next) ? Optional.empty() : following;
        } while (next.isPresent() && items.size() < 100_000);
        return items;
    }

    /** The channels, in the order of their profiles. */
    Set<String> channels() {
        return profiles.keySet();
    }

    private List<Element> profilesOf(String channel) {
        return profiles.getOrDefault(channel, List.of());
    }

    /** What the picture is called. */
    Optional<String> labelOf(String channel) {
        return profilesOf(channel).stream()
                .flatMap(p -> p.nameAt("Configurations", "VideoSource", "Name").stream())
                .filter(n -> !n.isEmpty())
                .findFirst();
    }

    Optional<Element> analyticsOf(String channel) {
        return analyticsOf(profilesOf(channel)).flatMap(Element::token).map(analytics::get);
    }

    Optional<Element> encoderOf(String channel) {
        return profilesOf(channel).stream()
                .flatMap(p -> p.at("Configurations", "VideoEncoder").stream())
                .findFirst();
    }

    /**
     * To which channel a job belongs: by the profile that it names, or, when it names a receiver, by what its recording
     * says of its source.
     */
    private static final class Ties {
        private final Set<String> channels;
        private final Map<String, Element> recordings;
        /** By what may name them; of several channels with one name nobody can say which is meant. */
        private final Map<String, Set<String>> byProfile = new HashMap<>();

        private final Map<String, Set<String>> byLabel = new HashMap<>();

        Ties(Map<String, List<Element>> profiles, Map<String, Element> recordings) {
            this.channels = profiles.keySet();
            this.recordings = recordings;
            profiles.forEach((channel, theirs) -> theirs.forEach(p -> {
                p.token().ifPresent(token -> note(byProfile, token, channel));
                p.textAt("Configurations", "VideoSource", "Name").ifPresent(name -> note(byLabel, name, channel));
            }));
        }

        private static void note(Map<String, Set<String>> index, String name, String channel) {
            index.computeIfAbsent(name, n -> new HashSet<>()).add(channel);
        }

        Optional<String> channel(RecordingJob job) {
            return only(byProfile, job.profile())
                    .or(() -> source(job, "SourceId")
                            .flatMap(id ->
                                    only(byProfile, id).or(() -> Optional.of(id).filter(channels::contains))))
                    .or(() -> source(job, "Name").flatMap(name -> only(byLabel, name)));
        }

        private Optional<String> source(RecordingJob job, String what) {
            return Optional.ofNullable(recordings.get(job.recording()))
                    .flatMap(r -> r.tokenAt("Configuration", "Source", what));
        }

        private static Optional<String> only(Map<String, Set<String>> index, String name) {
            var found = index.getOrDefault(name, Set.of());
            return found.size() == 1 ? found.stream().findFirst() : Optional.empty();
        }
    }

    private static Jobs jobs(Element answer, Ties ties) {
        Map<String, List<RecordingJob>> byChannel = new LinkedHashMap<>();
        List<RecordingJob> untied = new ArrayList<>();
        for (var job :
                answer.all("JobItem").flatMap(i -> RecordingJob.of(i).stream()).toList()) {
            var channel = ties.channel(job);
            if (channel.isPresent()) {
                byChannel.computeIfAbsent(channel.get(), c -> new ArrayList<>()).add(job);
            } else {
                untied.add(job);
            }
        }
        return new Jobs(true, byChannel, untied);
    }

    List<RecordingJob> jobsOf(String channel) {
        return jobs.byChannel().getOrDefault(channel, List.of());
    }

    /** Who else goes by that schedule: other channels, and other triggers of this one. */
    List<String> othersGoingBy(String schedule, String channel, List<RecordingJob> these) {
        Set<String> others = new TreeSet<>();
        jobs.byChannel()
                .forEach((other, theirs) -> theirs.stream()
                        .filter(j -> j.schedule().equals(schedule))
                        .filter(j -> these.stream().noneMatch(t -> t.token().equals(j.token())))
                        .forEach(j -> others.add(
                                other.equals(channel)
                                        ? "its recording by "
                                                + j.triggers()
                                                        .map(TriggerSet::toString)
                                                        .orElse("another event")
                                        : other)));
        jobs.untied().stream()
                .filter(j -> j.schedule().equals(schedule))
                .forEach(j -> others.add("the job " + j.token()));
        return List.copyOf(others);
    }

    boolean isUnused(String schedule) {
        return Stream.concat(jobs.byChannel().values().stream().flatMap(List::stream), jobs.untied().stream())
                .noneMatch(j -> j.schedule().equals(schedule));
    }

    /** Notes that a job goes by another schedule from now on. */
    void pointed(String channel, RecordingJob job, String schedule) {
        jobs.byChannel()
                .getOrDefault(channel, new ArrayList<>())
                .replaceAll(j -> j.token().equals(job.token()) ? j.goingBy(schedule) : j);
    }

    /** The encoder of what the channel's jobs record; that of its first profile when they name none. */
    Optional<Element> recordedEncoderOf(String channel) {
        var named = jobsOf(channel).stream().map(RecordingJob::profile).toList();
        return profilesOf(channel).stream()
                .filter(p -> p.token().filter(named::contains).isPresent())
                .flatMap(p -> p.at("Configurations", "VideoEncoder").stream())
                .findFirst()
                .or(() -> encoderOf(channel));
    }

    /** The recordings into which the channel's jobs put it. */
    List<String> recordingsOf(String channel) {
        return jobsOf(channel).stream()
                .map(RecordingJob::recording)
                .filter(t -> !t.isEmpty())
                .distinct()
                .toList();
    }

    Optional<String> channelOfRecording(String recording) {
        return jobs.byChannel().entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(j -> j.recording().equals(recording)))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    List<String> channelsWithRecordings() {
        return jobs.byChannel().entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(j -> !j.recording().isEmpty()))
                .map(Map.Entry::getKey)
                .toList();
    }

    Optional<Element> recordingOf(String channel) {
        return jobsOf(channel).stream()
                .flatMap(j -> Optional.ofNullable(recordings.get(j.recording())).stream())
                .findFirst();
    }
}
