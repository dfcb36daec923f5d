package choir.onvif;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the media service tells, in the shape of its second version. A recorder that offers only the first is asked by that,
 * and written by it.
 */
final class Media {
    /** How the first version calls the parts of a profile, and how the second does. */
    private static final Map<String, String> PARTS = Map.of(
            "VideoSourceConfiguration", "VideoSource",
            "VideoEncoderConfiguration", "VideoEncoder",
            "VideoAnalyticsConfiguration", "Analytics");

    private final OnvifSession session;
    private final boolean second;
    private final List<Element> profiles;

    private Media(OnvifSession session, boolean second, List<Element> profiles) {
        this.session = session;
        this.second = second;
        this.profiles = profiles;
    }

    static Media of(OnvifSession session) {
        var all = Element.of(Namespaces.MEDIA2, "GetProfiles", Element.of(Namespaces.MEDIA2, "Type", "All"));
        return session.ifOffered(all)
                .map(answer -> new Media(session, true, answer.all("Profiles").toList()))
                .orElseGet(() -> new Media(
                        session,
                        false,
                        session.call(Element.of(Namespaces.MEDIA, "GetProfiles"))
                                .all("Profiles")
                                .map(Media::inTheSecondShape)
                                .toList()));
    }

    private static Element inTheSecondShape(Element profile) {
        List<Element> parts = new ArrayList<>();
        for (var child : profile.children()) {
            Optional.ofNullable(PARTS.get(child.name().getLocalPart()))
                    .ifPresent(name -> parts.add(child.renamed(Namespaces.MEDIA2, name)));
        }
        return profile.withChild(Element.of(Namespaces.MEDIA2, "Configurations", parts.toArray(Element[]::new)));
    }

    List<Element> profiles() {
        return profiles;
    }

    /** The first profile that shows the channel. */
    Optional<String> profileOf(String channel) {
        return profiles.stream()
                .filter(p -> source(p).filter(channel::equals).isPresent())
                .findFirst()
                .flatMap(Element::token);
    }

    /** All configurations of analytics at once; empty when the recorder has no such operation. */
    Optional<List<Element>> analytics() {
        var request = second
                ? Element.of(Namespaces.MEDIA2, "GetAnalyticsConfigurations")
                : Element.of(Namespaces.MEDIA, "GetVideoAnalyticsConfigurations");
        return session.ifOffered(request)
                .map(answer -> answer.all("Configurations").toList());
    }

    /** The request that makes an encoder be so. */
    Element encoder(Element encoder) {
        return second
                ? Element.of(
                        Namespaces.MEDIA2,
                        "SetVideoEncoderConfiguration",
                        encoder.renamed(Namespaces.MEDIA2, "Configuration"))
                : Element.of(
                        Namespaces.MEDIA,
                        "SetVideoEncoderConfiguration",
                        encoder.renamed(Namespaces.MEDIA, "Configuration"),
                        Element.of(Namespaces.MEDIA, "ForcePersistence", "true"));
    }

    /** Where a still of a profile's picture is to be had. */
    Optional<String> still(String profile) {
        var namespace = second ? Namespaces.MEDIA2 : Namespaces.MEDIA;
        var answer =
                session.call(Element.of(namespace, "GetSnapshotUri", Element.of(namespace, "ProfileToken", profile)));
        return second ? answer.textAt("Uri") : answer.textAt("MediaUri", "Uri");
    }

    /** Where a profile's stream is; empty when there is none. */
    Optional<String> stream(String profile) {
        if (second) {
            var asked = Element.of(
                    Namespaces.MEDIA2,
                    "GetStreamUri",
                    Element.of(Namespaces.MEDIA2, "Protocol", "RTSP"),
                    Element.of(Namespaces.MEDIA2, "ProfileToken", profile));
            return session.ifOffered(asked).flatMap(answer -> answer.textAt("Uri"));
        }
        return session.ifOffered(Element.of(
                        Namespaces.MEDIA,
                        "GetStreamUri",
                        overTcp(Namespaces.MEDIA),
                        Element.of(Namespaces.MEDIA, "ProfileToken", profile)))
                .flatMap(answer -> answer.textAt("MediaUri", "Uri"));
    }

    /** How a stream is wanted, in the words of the older services. */
    static Element overTcp(String service) {
        return Element.of(
                service,
                "StreamSetup",
                Element.of(Namespaces.SCHEMA, "Stream", "RTP-Unicast"),
                Element.of(Namespaces.SCHEMA, "Transport", Element.of(Namespaces.SCHEMA, "Protocol", "RTSP")));
    }

    /** The channel that a profile shows. */
    static Optional<String> source(Element profile) {
        return profile.tokenAt("Configurations", "VideoSource", "SourceToken");
    }
}
