package choir.onvif;

import choir.link.FootageLink.Bits;
import choir.link.LinkException;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/** How much the channels' streams take: by what a recorder says of its footage, and by what its encoders are set to. */
final class StreamBits {
    private static final long MOST_THOUSANDS = 1_000_000;

    private final OnvifSession session;
    private final Snapshot snapshot;

    private StreamBits(OnvifSession session, Snapshot snapshot) {
        this.session = session;
        this.snapshot = snapshot;
    }

    /** By channel; a recorder that tells only a part of it tells that. */
    static Map<String, Bits> of(OnvifSession session, Snapshot snapshot) {
        return new StreamBits(session, snapshot).bits();
    }

    private Map<String, Bits> bits() {
        var averages = averages();
        Map<String, Bits> bits = new LinkedHashMap<>();
        for (var channel : snapshot.channels()) {
            var told = snapshot.recordingsOf(channel).stream()
                    .flatMap(recording -> Optional.ofNullable(averages.get(recording)).stream())
                    .mapToLong(Long::longValue)
                    .sum();
            bits.put(
                    channel,
                    new Bits(
                            told == 0 ? OptionalLong.empty() : OptionalLong.of(told),
                            snapshot.recordedEncoderOf(channel)
                                    .flatMap(e -> e.textAt("RateControl", "BitrateLimit"))
                                    .map(StreamBits::perSecond)
                                    .orElse(OptionalLong.empty())));
        }
        return bits;
    }

    /** Bits a second by recording, of its richest track. */
    private Map<String, Long> averages() {
        Map<String, Long> averages = new LinkedHashMap<>();
        Optional<Element> answer;
        try {
            answer = session.ifOffered(
                    Element.of(Namespaces.SEARCH, "GetMediaAttributes", Element.of(Namespaces.SEARCH, "Time", now())));
        } catch (LinkException e) {
            if (e.getCause() instanceof SoapFaultException) {
                // It is a number more, and no reason to do without the rest.
                return averages;
            }
            throw e;
        }
        answer.ifPresent(told -> told.all("MediaAttributes")
                .forEach(of -> of.tokenAt("RecordingToken")
                        .ifPresent(recording -> of.all("TrackAttributes")
                                .flatMap(t -> t.textAt("VideoAttributes", "Bitrate").stream())
                                .flatMapToLong(text -> perSecond(text).stream())
                                .max()
                                .ifPresent(most -> averages.merge(recording, most, Math::max)))));
        return averages;
    }

    /** From thousands a second, as all of the standard's rates are; empty for what no stream takes. */
    private static OptionalLong perSecond(String text) {
        try {
            long thousands = Long.parseLong(text.strip());
            return thousands < 1 || thousands > MOST_THOUSANDS
                    ? OptionalLong.empty()
                    : OptionalLong.of(thousands * 1_000);
        } catch (NumberFormatException e) {
            return OptionalLong.empty();
        }
    }

    /** By the recorder's own clock. */
    private String now() {
        return session.now().truncatedTo(ChronoUnit.SECONDS).toString();
    }
}
