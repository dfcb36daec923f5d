package choir.onvif;

import choir.link.AddressRange;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderSearch;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.xml.stream.XMLStreamException;
import org.apache.hc.client5.http.protocol.HttpClientContext;

/**
 * Directed probes (WS-Discovery of April 2005) to each address, twice, since datagrams get lost. An address from which
 * no match comes is asked for its clock at the usual path, which needs no password; what that says is the reason.
 */
public final class ProbeSearch implements RecorderSearch {
    private static final String ADDRESSING = "http://schemas.xmlsoap.org/ws/2004/08/addressing";
    private static final String DISCOVERY = "http://schemas.xmlsoap.org/ws/2005/04/discovery";
    private static final Duration PAUSE = Duration.ofMillis(150);
    private static final int MOST_MATCHES = 20_000;

    private final Duration patience;

    /** @param patience how long the last answer is waited for */
    public ProbeSearch(Duration patience) {
        this.patience = patience;
    }

    @Override
    public List<Answer> search(AddressRange range, int port, int webPort) {
        var addresses = range.addresses();
        Map<String, Map<String, Answer>> matches = new LinkedHashMap<>();
        addresses.forEach(a -> matches.put(a, new LinkedHashMap<>()));
        try (var socket = new DatagramSocket()) {
            var message = "urn:uuid:" + UUID.randomUUID();
            var probe = probe(message);
            for (int round = 0; round < 2; round++) {
                for (var address : addresses) {
                    send(socket, probe, address, port);
                }
                receive(socket, message, round == 0 ? PAUSE : patience, matches);
            }
        } catch (IOException e) {
            throw new LinkException(Reason.UNREACHABLE, "no probe could be sent: " + e.getMessage(), e);
        }
        var silent = addresses.stream()
                .filter(a -> matches.getOrDefault(a, Map.of()).isEmpty())
                .toList();
        var asked = askedForTheirClock(silent, webPort);
        List<Answer> answers = new ArrayList<>();
        for (var address : addresses) {
            answers.addAll(matches.getOrDefault(address, Map.of()).values());
            Optional.ofNullable(asked.get(address)).ifPresent(answers::add);
        }
        return answers;
    }

    private static byte[] probe(String message) {
        var header = Element.of(
                Namespaces.ENVELOPE,
                "Header",
                Element.of(ADDRESSING, "Action", DISCOVERY + "/Probe"),
                Element.of(ADDRESSING, "MessageID", message),
                Element.of(ADDRESSING, "ReplyTo", Element.of(ADDRESSING, "Address", ADDRESSING + "/role/anonymous")),
                Element.of(ADDRESSING, "To", "urn:schemas-xmlsoap-org:ws:2005:04:discovery"));
        var body = Element.of(Namespaces.ENVELOPE, "Body", Element.of(DISCOVERY, "Probe"));
        return ElementWriter.write(Element.of(Namespaces.ENVELOPE, "Envelope", header, body))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** A network that refuses to carry the datagram is as good as a silent address. */
    private static void send(DatagramSocket socket, byte[] probe, String address, int port) {
        try {
            socket.send(new DatagramPacket(probe, probe.length, InetAddress.getByName(address), port));
        } catch (IOException e) {
            // Told by the question for the clock.
        }
    }

    private static void receive(
            DatagramSocket socket, String message, Duration patience, Map<String, Map<String, Answer>> matches)
            throws IOException {
        long until = System.nanoTime() + patience.toNanos();
        var buffer = new byte[65_535];
        int count = 0;
        for (long left = patience.toMillis(); left > 0 && count < MOST_MATCHES; count++) {
            socket.setSoTimeout((int) left);
            var packet = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(packet);
            } catch (SocketTimeoutException e) {
                return;
            } catch (IOException refused) {
                // A host without the service may answer that nobody listens there.
                left = (until - System.nanoTime()) / 1_000_000;
                continue;
            }
            var from = packet.getAddress().getHostAddress();
            var known = matches.get(from);
            if (known != null) {
                match(packet, message, from).forEach(known::putIfAbsent);
            }
            left = (until - System.nanoTime()) / 1_000_000;
        }
    }

    /** The matches of one datagram by their endpoint; nothing when it is none, or an answer to somebody else. */
    private static Map<String, Answer> match(DatagramPacket packet, String message, String from) {
        try {
            var envelope = ElementReader.read(new ByteArrayInputStream(packet.getData(), 0, packet.getLength()));
            if (envelope.textAt("Header", "RelatesTo").filter(message::equals).isEmpty()) {
                return Map.of();
            }
            Map<String, Answer> found = new LinkedHashMap<>();
            envelope.at("Body", "ProbeMatches").stream()
                    .flatMap(m -> m.all("ProbeMatch"))
                    .forEach(m ->
                            found.put(m.textAt("EndpointReference", "Address").orElse(""), answer(m, from)));
            return found;
        } catch (XMLStreamException | IllegalArgumentException e) {
            return Map.of();
        }
    }

    /** The service address at the host that answered; passwords are never sent to another one it may name. */
    private static Answer answer(Element match, String from) {
        var scopes = List.of(match.textAt("Scopes").orElse("").split("\\s+"));
        var service = service(List.of(match.textAt("XAddrs").orElse("").split("\\s+")), from);
        return new Answer(
                from,
                service,
                scope(scopes, "name"),
                scope(scopes, "manufacturer"),
                scope(scopes, "hardware"),
                service.isPresent() ? "" : "answers, but names no address of its service");
    }

    /**
     * What it says of its own address first, and an address without TLS before one with it, whose certificate nobody has
     * confirmed yet. A host by name, or one behind a translation, is spoken to where the answer came from.
     */
    private static Optional<URI> service(List<String> said, String from) {
        return said.stream()
                .flatMap(a -> usable(a).stream())
                .min(Comparator.comparing((URI a) -> !from.equals(a.getHost()))
                        .thenComparing(a -> a.getScheme().equals("https")))
                .map(a -> ServiceAddresses.at(a, from));
    }

    private static Optional<URI> usable(String address) {
        try {
            var uri = URI.create(address);
            boolean web = "http".equals(uri.getScheme()) || "https".equals(uri.getScheme());
            return web && uri.getRawAuthority() != null ? Optional.of(uri) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static String scope(List<String> scopes, String category) {
        var prefix = "onvif://www.onvif.org/" + category + "/";
        return scopes.stream()
                .filter(s -> s.startsWith(prefix))
                .findFirst()
                .map(s -> decoded(s.substring(prefix.length())))
                .orElse("");
    }

    private static String decoded(String text) {
        try {
            return URLDecoder.decode(text.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return text;
        }
    }

    private Map<String, Answer> askedForTheirClock(List<String> addresses, int port) {
        Map<String, Answer> answers = new LinkedHashMap<>();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor();
                var transport = new SoapTransport(patience)) {
            Map<String, Future<Answer>> asked = new LinkedHashMap<>();
            for (var address : addresses) {
                asked.put(address, threads.submit(() -> askedForItsClock(transport, address, port)));
            }
            for (var entry : asked.entrySet()) {
                answers.put(entry.getKey(), entry.getValue().get());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while looking for recorders", e);
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        }
        return answers;
    }

    private Answer askedForItsClock(SoapTransport transport, String address, int port) {
        var service = URI.create("http://" + address + (port == 80 ? "" : ":" + port) + "/onvif/device_service");
        var envelope = Element.of(
                Namespaces.ENVELOPE,
                "Envelope",
                Element.of(Namespaces.ENVELOPE, "Header"),
                Element.of(Namespaces.ENVELOPE, "Body", Element.of(Namespaces.DEVICE, "GetSystemDateAndTime")));
        try {
            var answer =
                    transport.send(service, envelope, HttpClientContext.create(), Deadline.of(address, patience), true);
            boolean speaks =
                    answer.envelope() != null && answer.envelope().tree().anyMatch(e -> e.is("SystemDateAndTime"));
            return speaks
                    ? new Answer(address, Optional.of(service), "", "", "", "")
                    : silent(address, "something answers there that is no recorder");
        } catch (LinkException e) {
            return silent(address, why(e));
        }
    }

    private static Answer silent(String address, String why) {
        return new Answer(address, Optional.empty(), "", "", "", why);
    }

    private static String why(LinkException e) {
        return switch (e.reason()) {
            case TIMED_OUT -> "no answer; nobody there, or a firewall between";
            case UNREACHABLE -> "nothing listens there";
            case NOT_AUTHORIZED, GARBAGE, NOT_SUPPORTED, REFUSED, CERTIFICATE, ANOTHER_DEVICE, OTHER_ORDER ->
                "something answers there that is no recorder";
        };
    }
}
