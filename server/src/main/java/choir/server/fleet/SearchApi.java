package choir.server.fleet;

import choir.family.Family;
import choir.link.AddressRange;
import choir.link.RecorderSearch;
import choir.link.RecorderSearch.Answer;
import choir.server.family.KnownFamilies;
import choir.server.link.AllowedAddresses;
import choir.server.web.Problem;
import java.net.URI;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Looking for recorders on the network. */
@RestController
class SearchApi {
    private static final int USUAL_PORT = 3702;
    private static final int WEB_PORT = 80;

    /**
     * @param range such as {@code 10.20.0.1-10.20.0.40} or {@code 10.20.0.0/26}
     * @param port of the probes; the usual one when it is not said
     * @param webPort at which an address that answers no probe is asked by an ordinary request; 80 when neither is said
     * @param maker leaves other makes out
     */
    record Search(
            @Nullable String range,
            @Nullable Integer port,
            @Nullable Integer webPort,
            @Nullable String maker) {}

    /**
     * @param service its address, for adding it; missing when nothing usable answered
     * @param family the family that it would have; missing when it would get one of its own
     * @param knownAs the name of the recorder here, when it has been added already
     * @param why nothing usable answered; empty when it did
     */
    record Found(
            String address,
            @Nullable String service,
            String name,
            String maker,
            String model,
            @Nullable String family,
            @Nullable String knownAs,
            String why) {}

    private final RecorderSearch search;
    private final KnownFamilies families;
    private final FleetStore fleet;
    private final AllowedAddresses allowed;

    SearchApi(RecorderSearch search, KnownFamilies families, FleetStore fleet, AllowedAddresses allowed) {
        this.allowed = allowed;
        this.search = search;
        this.families = families;
        this.fleet = fleet;
    }

    @PostMapping("/api/v1/recorder-searches")
    List<Found> search(@RequestBody Search given) {
        if (given.range() == null) {
            throw new Problem(Problem.Kind.INVALID, "say where to look, such as 10.20.0.1-10.20.0.40 or 10.20.0.0/26");
        }
        int port = port(given.port(), USUAL_PORT);
        int webPort = port(given.webPort(), port == USUAL_PORT ? WEB_PORT : port);
        Map<String, String> known = fleet.recorders().stream()
                .filter(r -> r.address().isPresent())
                .collect(
                        Collectors.toMap(r -> r.address().orElseThrow().toString(), StoredRecorder::name, (a, b) -> a));
        var range = AddressRange.parse(given.range());
        allowed.require(range.addresses());
        return search.search(range, port, webPort).stream()
                .filter(a -> given.maker() == null || isOf(a, given.maker()))
                .map(a -> found(a, known))
                .toList();
    }

    private static int port(@Nullable Integer given, int otherwise) {
        int port = given == null ? otherwise : given;
        if (port < 1 || port > 65_535) {
            throw new Problem(Problem.Kind.INVALID, port + " is no port; expected 1 to 65535");
        }
        return port;
    }

    /** By what it says of its maker, or by its model when that is one of a known family. */
    private boolean isOf(Answer answer, String maker) {
        return answer.maker().equalsIgnoreCase(maker)
                || family(answer).filter(f -> f.maker().equalsIgnoreCase(maker)).isPresent();
    }

    private Optional<Family> family(Answer answer) {
        return families.recognise(answer.maker(), answer.model())
                .or(() -> answer.model().isEmpty()
                        ? Optional.empty()
                        : families.all().stream()
                                .filter(f -> !f.model().isEmpty()
                                        && answer.model()
                                                .toLowerCase(Locale.ROOT)
                                                .startsWith(f.model().toLowerCase(Locale.ROOT)))
                                .findFirst());
    }

    private Found found(Answer answer, Map<String, String> known) {
        var service = answer.service().map(URI::toString).orElse(null);
        return new Found(
                answer.address(),
                service,
                answer.name(),
                answer.maker(),
                answer.model(),
                family(answer).map(Family::name).orElse(null),
                service == null ? null : known.get(service),
                answer.why());
    }
}
