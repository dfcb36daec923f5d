package choir.onvif;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.net.URI;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** What need not be asked again of a recorder that was spoken to before. */
final class Remembered {
    /** Addresses that answered with a challenge; they get the answer to it at once. */
    private final Cache<URI, Boolean> challenging =
            Caffeine.newBuilder().maximumSize(200_000).build();

    private final Cache<URI, Offer> offers =
            Caffeine.newBuilder().maximumSize(100_000).build();

    /** @param device as it said that it is; another firmware may offer something else */
    private record Offer(String device, Map<String, URI> services) {
        static String key(Element device) {
            return device.children().stream()
                    .map(c -> c.name().getLocalPart() + "=" + c.text().strip())
                    .collect(Collectors.joining("\n"));
        }
    }

    boolean challenges(URI address) {
        return challenging.getIfPresent(address) != null;
    }

    void challenged(URI address) {
        challenging.put(address, true);
    }

    Optional<Map<String, URI>> services(URI address, Element device) {
        return Optional.ofNullable(offers.getIfPresent(address))
                .filter(o -> o.device().equals(Offer.key(device)))
                .map(Offer::services);
    }

    Map<String, URI> learn(URI address, Element device, Map<String, URI> services) {
        offers.put(address, new Offer(Offer.key(device), services));
        return services;
    }

    /** Something that was offered is not there any more, so nothing of it is taken for granted. */
    void forget(URI address) {
        offers.invalidate(address);
    }
}
