package choir.onvif;

import choir.family.Family;
import choir.fleet.Node;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.RecorderLink.ClockSet;
import choir.refusal.Refusal;
import choir.week.PosixZone;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.hc.client5.http.auth.AuthScope;
import org.apache.hc.client5.http.auth.UsernamePasswordCredentials;
import org.apache.hc.client5.http.impl.auth.BasicCredentialsProvider;
import org.apache.hc.client5.http.protocol.HttpClientContext;

/**
 * One conversation with one recorder, in one thread. It begins by asking for the device's clock without a password, so
 * that the time in the security header is right by the device's own reckoning. A recorder that answers 401 gets the
 * answer to its challenge from then on, and no security header.
 */
final class OnvifSession {
    private final InstantSource clock;
    private final SoapTransport transport;
    private final RecorderAccess access;
    private final Deadline deadline;
    private final HttpClientContext context = HttpClientContext.create();
    private final Remembered remembered;
    private Map<String, URI> services = Map.of();
    private Optional<Duration> clockAhead = Optional.empty();
    private String posixZone = "";
    private boolean challenged;
    private int calls;

    OnvifSession(
            SoapTransport transport,
            RecorderAccess access,
            Remembered remembered,
            Deadline deadline,
            InstantSource clock) {
        this.clock = clock;
        this.deadline = deadline;
        this.transport = transport;
        this.access = access;
        this.remembered = remembered;
        PinnedTls.expect(context, access.pinned());
        if (remembered.challenges(access.address())) {
            takeChallenge();
        }
    }

    /** Learns the clock. */
    OnvifSession open() {
        try {
            readClock();
        } catch (LinkException e) {
            // The first call may only have woken it.
            boolean maySleep = access.family().map(Family::sleeps).orElse(true);
            if (!maySleep || e.reason() != Reason.UNREACHABLE) {
                throw e;
            }
            readClock();
        }
        return this;
    }

    /** What the recorder is; a device that is the same as before offers what it did before. */
    Element device() {
        var device = call(access.address(), Element.of(Namespaces.DEVICE, "GetDeviceInformation"), true);
        if (services.isEmpty()) {
            services = remembered
                    .services(access.address(), device)
                    .orElseGet(() -> remembered.learn(access.address(), device, askedForServices()));
        }
        return device;
    }

    private Map<String, URI> services() {
        if (services.isEmpty()) {
            services = askedForServices();
        }
        return services;
    }

    /** By the newer question, or by the older one where the newer is not known. */
    private Map<String, URI> askedForServices() {
        try {
            var answer = call(
                    access.address(),
                    Element.of(
                            Namespaces.DEVICE,
                            "GetServices",
                            Element.of(Namespaces.DEVICE, "IncludeCapability", "false")),
                    false);
            return ServiceAddresses.of(answer, access.address());
        } catch (LinkException e) {
            if (e.reason() != Reason.NOT_SUPPORTED && e.reason() != Reason.REFUSED) {
                throw e;
            }
            return askedForCapabilities(e);
        }
    }

    private Map<String, URI> askedForCapabilities(LinkException before) {
        try {
            var answer = call(
                    access.address(),
                    Element.of(Namespaces.DEVICE, "GetCapabilities", Element.of(Namespaces.DEVICE, "Category", "All")),
                    false);
            return ServiceAddresses.ofCapabilities(answer, access.address());
        } catch (LinkException e) {
            throw e.endsConversation() ? e : before;
        }
    }

    private void readClock() {
        var before = clock.instant();
        var answer = call(access.address(), Element.of(Namespaces.DEVICE, "GetSystemDateAndTime"), false);
        var middle = before.plus(Duration.between(before, clock.instant()).dividedBy(2));
        var said = answer.child("SystemDateAndTime");
        posixZone = said.flatMap(s -> s.nameAt("TimeZone", "TZ")).orElse("");
        said.flatMap(s -> s.child("UTCDateTime").flatMap(OnvifSession::instant))
                .or(() -> said.flatMap(s -> s.child("LocalDateTime"))
                        .flatMap(OnvifSession::instant)
                        .flatMap(this::onTheWall))
                .ifPresent(device -> clockAhead = Optional.of(Duration.between(middle, device)));
    }

    /** A local time tells the instant where the rule of its zone is told as well; else nobody knows what it means. */
    private Optional<Instant> onTheWall(Instant local) {
        return PosixZone.parse(posixZone).map(zone -> local.minus(zone.offset(local.minus(zone.offset(local)))));
    }

    private static Optional<Instant> instant(Element dateTime) {
        try {
            return Optional.of(LocalDateTime.of(
                            number(dateTime, "Date", "Year"),
                            number(dateTime, "Date", "Month"),
                            number(dateTime, "Date", "Day"),
                            number(dateTime, "Time", "Hour"),
                            number(dateTime, "Time", "Minute"),
                            Math.min(59, number(dateTime, "Time", "Second")))
                    .toInstant(ZoneOffset.UTC));
        } catch (java.time.DateTimeException | NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static int number(Element dateTime, String... path) {
        return Integer.parseInt(dateTime.textAt(path).orElse(""));
    }

    /** The answer as such can be read, and what it says cannot be. */
    LinkException garbage(String words) {
        return new LinkException(Reason.GARBAGE, access.who() + " " + words);
    }

    /** Refuses a token that is no token by the standard's own measure. */
    void requireChannel(String token) {
        try {
            Node.Camera.requireChannel(token);
        } catch (Refusal e) {
            throw garbage("names a channel that cannot be one: " + e.getMessage());
        }
    }

    /** The answer, or nothing when the recorder has no such service or operation, which many of them do not need. */
    Optional<Element> ifOffered(Element request) {
        if (!offers(request.name().getNamespaceURI())) {
            return Optional.empty();
        }
        try {
            return Optional.of(call(request));
        } catch (LinkException e) {
            if (e.reason() == Reason.NOT_SUPPORTED) {
                if (!(e.getCause() instanceof SoapFaultException)) {
                    // The address leads nowhere, so it may be another one by now.
                    remembered.forget(access.address());
                }
                return Optional.empty();
            }
            throw e;
        }
    }

    private boolean offers(String namespace) {
        return services().containsKey(namespace);
    }

    /** A picture of what the channel sees, by an ordinary request at the address that the recorder names. */
    byte[] still(String channel) {
        var media = Media.of(this);
        var profile = media.profileOf(channel)
                .orElseThrow(
                        () -> new LinkException(Reason.NOT_SUPPORTED, access.who() + " has no channel " + channel));
        var address = media.still(profile)
                .orElseThrow(
                        () -> new LinkException(Reason.NOT_SUPPORTED, access.who() + " names no address for pictures"));
        setCredentials();
        return transport.picture(
                ServiceAddresses.reachable(address, access.address())
                        .orElseThrow(() -> garbage("names an address that is none: " + Element.shortened(address))),
                context,
                deadline);
    }

    /** Sets it by hand, and looks what came of it. */
    ClockSet setClock() {
        var said = call(access.address(), Element.of(Namespaces.DEVICE, "GetSystemDateAndTime"), true)
                .child("SystemDateAndTime");
        var before = clockAhead;
        var _ = call(access.address(), ClockRequest.byHand(said, clock.instant()), true);
        clockAhead = Optional.empty();
        readClock();
        return new ClockSet(
                before,
                clockAhead,
                said.flatMap(s -> s.textAt("DateTimeType"))
                        .filter("NTP"::equals)
                        .isPresent());
    }

    /** By the recorder's own clock. */
    Instant now() {
        return clock.instant().plus(clockError());
    }

    /** @return what the device answers, in one line */
    String command(String command) {
        var answer = call(
                access.address(),
                Element.of(
                        Namespaces.DEVICE,
                        "SendAuxiliaryCommand",
                        Element.of(Namespaces.DEVICE, "AuxiliaryCommand", command)),
                true);
        return answer.textAt("AuxiliaryCommandResponse").map(Element::shortened).orElse("");
    }

    /** The rights of the user stay as they are, so they are asked for first. */
    Element changePassword(String fresh) {
        var users = call(access.address(), Element.of(Namespaces.DEVICE, "GetUsers"), true);
        var level = users.all("User")
                .filter(u -> u.textAt("Username").filter(access.user()::equals).isPresent())
                .findFirst()
                .flatMap(u -> u.textAt("UserLevel"))
                .orElseThrow(() -> new LinkException(
                        Reason.NOT_SUPPORTED,
                        access.who() + " does not name \"" + access.user() + "\" among its users"));
        return call(
                access.address(),
                Element.of(
                        Namespaces.DEVICE,
                        "SetUser",
                        Element.of(
                                Namespaces.DEVICE,
                                "User",
                                Element.of(Namespaces.SCHEMA, "Username", access.user()),
                                Element.of(Namespaces.SCHEMA, "Password", fresh),
                                Element.of(Namespaces.SCHEMA, "UserLevel", level))),
                true);
    }

    /** Calls an operation of the service with the request's namespace. */
    Element call(Element request) {
        var namespace = request.name().getNamespaceURI();
        var address = services().get(namespace);
        if (address == null) {
            throw new LinkException(
                    Reason.NOT_SUPPORTED,
                    access.who() + " does not offer the service for "
                            + request.name().getLocalPart());
        }
        return call(address, request, true);
    }

    /** Calls an operation at an address that the recorder named, with more in the header. */
    Element callAt(String address, Element request, List<Element> header) {
        var there = ServiceAddresses.reachable(address, access.address())
                .orElseThrow(() -> garbage("names an address that is none: " + Element.shortened(address)));
        return call(there, request, header, true);
    }

    private Element call(URI address, Element request, boolean withPassword) {
        return call(address, request, List.of(), withPassword);
    }

    private Element call(URI address, Element request, List<Element> header, boolean withPassword) {
        try {
            return once(address, request, header, withPassword);
        } catch (SoapFaultException fault) {
            if (fault.isOfPassword()) {
                return afterRefusal(address, request, header, withPassword);
            }
            throw refused(request, fault);
        }
    }

    /** Some devices want the password for everything; and a clock may have jumped since it was read. */
    private Element afterRefusal(URI address, Element request, List<Element> header, boolean withPassword) {
        if (withPassword) {
            readClock();
        }
        try {
            return once(address, request, header, true);
        } catch (SoapFaultException fault) {
            throw fault.isOfPassword() ? wrongPassword() : refused(request, fault);
        }
    }

    private LinkException wrongPassword() {
        return new LinkException(
                Reason.NOT_AUTHORIZED,
                access.who() + " does not take the user name and password of \"" + access.user()
                        + "\"; set them again with: choir recorder password NAME");
    }

    private LinkException refused(Element request, SoapFaultException fault) {
        return new LinkException(
                fault.isNotSupported() ? Reason.NOT_SUPPORTED : Reason.REFUSED,
                access.who() + " refused " + request.name().getLocalPart() + ": "
                        + Element.shortened(String.valueOf(fault.getMessage())),
                fault);
    }

    private Element once(URI address, Element request, List<Element> header, boolean withPassword)
            throws SoapFaultException {
        var answer = exchange(address, request, header, withPassword);
        if (answer.status() == 401 && !challenged) {
            takeChallenge();
            answer = exchange(address, request, header, withPassword);
        }
        if (answer.envelope() == null) {
            throw answer.status() == 401 || answer.status() == 403
                    ? wrongPassword()
                    : new LinkException(
                            Reason.GARBAGE, access.who() + " answered " + answer.status() + " without content");
        }
        return body(answer.envelope(), request);
    }

    private SoapTransport.Answer exchange(URI address, Element request, List<Element> more, boolean withPassword) {
        calls++;
        var header = Element.of(Namespaces.ENVELOPE, "Header", more.toArray(Element[]::new));
        if (withPassword && !challenged) {
            var token = UsernameToken.header(
                    access.user(), access.password(), clock.instant().plus(clockAhead.orElse(Duration.ZERO)));
            header = header.withChild(token);
        }
        var envelope =
                Element.of(Namespaces.ENVELOPE, "Envelope", header, Element.of(Namespaces.ENVELOPE, "Body", request));
        boolean changesNothing = request.name().getLocalPart().startsWith("Get");
        return transport.send(address, envelope, context, deadline, changesNothing);
    }

    private void takeChallenge() {
        challenged = true;
        remembered.challenged(access.address());
        setCredentials();
    }

    private void setCredentials() {
        var credentials = new BasicCredentialsProvider();
        credentials.setCredentials(
                new AuthScope(access.address().getHost(), access.address().getPort()),
                new UsernamePasswordCredentials(access.user(), access.password().toCharArray()));
        context.setCredentialsProvider(credentials);
        if (context.getAuthCache() == null) {
            context.setAuthCache(new OneChallenge());
        }
    }

    private Element body(Element envelope, Element request) throws SoapFaultException {
        var body = envelope.child("Body")
                .flatMap(b -> b.children().stream().findFirst())
                .orElseThrow(() -> notAnAnswer(request));
        if (body.is("Fault")) {
            throw SoapFaultException.of(body);
        }
        if (!body.is(request.name().getLocalPart() + "Response")) {
            throw notAnAnswer(request);
        }
        return body;
    }

    private LinkException notAnAnswer(Element request) {
        return new LinkException(
                Reason.GARBAGE,
                access.who() + " gave an answer that does not belong to "
                        + request.name().getLocalPart());
    }

    /** By how much its clock is wrong; clocks are told to the second, so that less than two is nothing. */
    Duration clockError() {
        long seconds = Math.round(clockAhead.orElse(Duration.ZERO).toMillis() / 1000.0);
        return Math.abs(seconds) < 2 ? Duration.ZERO : Duration.ofSeconds(seconds);
    }

    Optional<Duration> clockAhead() {
        return clockAhead;
    }

    String posixZone() {
        return posixZone;
    }

    int calls() {
        return calls;
    }
}
