package choir.onvif;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Where the services of a recorder are, by their namespaces. */
final class ServiceAddresses {
    /** The older answer names parts and not namespaces. */
    private static final Map<String, String> PARTS = Map.of(
            "Analytics", Namespaces.ANALYTICS,
            "Events", Namespaces.EVENTS,
            "Media", Namespaces.MEDIA,
            "Recording", Namespaces.RECORDING,
            "Search", Namespaces.SEARCH,
            "Replay", Namespaces.REPLAY,
            "Receiver", Namespaces.RECEIVER);

    private ServiceAddresses() {}

    /** An address that is none matters to whoever needs that service, and to nobody else. */
    static Map<String, URI> of(Element services, URI given) {
        Map<String, URI> found = new LinkedHashMap<>();
        services.all("Service")
                .forEach(service -> service.textAt("Namespace")
                        .ifPresent(ns -> service.textAt("XAddr")
                                .flatMap(a -> reachable(a, given))
                                .ifPresent(a -> found.put(ns, a))));
        found.putIfAbsent(Namespaces.DEVICE, given);
        return Map.copyOf(found);
    }

    static Map<String, URI> ofCapabilities(Element answer, URI given) {
        Map<String, URI> found = new LinkedHashMap<>();
        answer.tree()
                .forEach(part -> Optional.ofNullable(PARTS.get(part.name().getLocalPart()))
                        .ifPresent(ns -> part.textAt("XAddr")
                                .flatMap(a -> reachable(a, given))
                                .ifPresent(a -> found.put(ns, a))));
        found.put(Namespaces.DEVICE, given);
        return Map.copyOf(found);
    }

    /** Keeps path and query of what the device says of itself, at the host and port that we were given. */
    static Optional<URI> reachable(String address, URI given) {
        try {
            var said = URI.create(address);
            return Optional.of(new URI(
                    given.getScheme(), null, given.getHost(), given.getPort(), said.getPath(), said.getQuery(), null));
        } catch (IllegalArgumentException | URISyntaxException e) {
            return Optional.empty();
        }
    }

    /** A stream keeps its own port, but is to be had at the host that we were given, and carries no password. */
    static Optional<URI> stream(String address, URI given) {
        try {
            var said = URI.create(address.strip());
            var scheme = String.valueOf(said.getScheme()).toLowerCase(Locale.ROOT);
            return scheme.equals("rtsp") || scheme.equals("rtsps")
                    ? Optional.of(new URI(
                            scheme, null, given.getHost(), said.getPort(), said.getPath(), said.getQuery(), null))
                    : Optional.empty();
        } catch (IllegalArgumentException | URISyntaxException e) {
            return Optional.empty();
        }
    }

    /** The same service at another host. */
    static URI at(URI address, String host) {
        try {
            return new URI(
                    address.getScheme(), null, host, address.getPort(), address.getPath(), address.getQuery(), null);
        } catch (URISyntaxException e) {
            throw new IllegalArgumentException(host + " is no host", e);
        }
    }
}
