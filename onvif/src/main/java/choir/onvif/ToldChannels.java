package choir.onvif;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** To which channel an event belongs: events name configurations, jobs and recordings, and not all name the same. */
final class ToldChannels {
    /** How the source of an event is named, and what it then names. */
    private static final Map<String, String> NAMED = Map.of(
            "VideoSourceToken", "source",
            "VideoSource", "source",
            "Source", "source",
            "VideoSourceConfigurationToken", "view",
            "VideoAnalyticsConfigurationToken", "analytics",
            "RecordingJobToken", "job",
            "RecordingToken", "recording");

    private ToldChannels() {}

    /** Channels by what the recorder calls what belongs to them. */
    static Map<String, String> of(OnvifSession session) {
        Map<String, String> channels = new LinkedHashMap<>();
        var media = Media.of(session);
        var profiles = Snapshot.profiles(session, media);
        profiles.forEach((channel, theirs) -> {
            channels.put("source " + channel, channel);
            theirs.forEach(p -> {
                part(p, "VideoSource").ifPresent(token -> channels.put("view " + token, channel));
                part(p, "Analytics").ifPresent(token -> channels.put("analytics " + token, channel));
            });
        });
        Snapshot.jobs(session, profiles, Snapshot.recordings(session))
                .byChannel()
                .forEach((channel, jobs) -> jobs.forEach(job -> {
                    channels.put("job " + job.token(), channel);
                    channels.put("recording " + job.recording(), channel);
                }));
        return channels;
    }

    private static Optional<String> part(Element profile, String name) {
        return profile.at("Configurations", name).flatMap(Element::token);
    }

    static Optional<String> channel(Notification told, Map<String, String> channels) {
        return told.source()
                .flatMap(item -> item.attribute("Name").map(NAMED::get).stream()
                        .flatMap(kind -> item.attribute("Value").map(v -> kind + " " + v).stream()))
                .flatMap(key -> Optional.ofNullable(channels.get(key)).stream())
                .findFirst();
    }
}
