package choir.server.link;

import choir.server.ServiceSettings;
import choir.server.web.Problem;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.security.web.util.matcher.IpAddressMatcher;
import org.springframework.stereotype.Component;

/**
 * The networks in which recorders may be, so that nobody can make the service talk, with a password in its hand, to what
 * is none of its business. A name counts by all the addresses that it stands for.
 */
@Component
public class AllowedAddresses {
    private final List<String> networks;
    private final List<IpAddressMatcher> matchers;

    AllowedAddresses(ServiceSettings settings) {
        networks = settings.recorderAddresses();
        matchers = networks.stream().map(IpAddressMatcher::new).toList();
    }

    /** Why the address is not to be spoken to; empty when it may be. */
    Optional<String> refusal(URI address) {
        return address.getRawUserInfo() != null
                ? Optional.of(
                        "an address is kept and shown, so no password may stand in it; give user and password apart")
                : refusal(address.getHost());
    }

    private Optional<String> refusal(String host) {
        try {
            return Arrays.stream(InetAddress.getAllByName(host))
                    .map(InetAddress::getHostAddress)
                    .filter(a -> matchers.stream().noneMatch(m -> m.matches(a)))
                    .findFirst()
                    .map(a -> a + " is outside the networks that recorders may be in (" + String.join(", ", networks)
                            + "); the service's choir.recorder-addresses says which");
        } catch (UnknownHostException e) {
            return Optional.of("no address is known for \"" + host + "\"");
        }
    }

    /** @throws Problem when the address is not to be spoken to */
    public void require(URI address) {
        refuseIf(refusal(address));
    }

    /** @throws Problem when one of the addresses is not to be spoken to */
    public void require(List<String> addresses) {
        refuseIf(addresses.stream().flatMap(a -> refusal(a).stream()).findFirst());
    }

    private static void refuseIf(Optional<String> refusal) {
        refusal.ifPresent(why -> {
            throw new Problem(Problem.Kind.INVALID, why);
        });
    }
}
