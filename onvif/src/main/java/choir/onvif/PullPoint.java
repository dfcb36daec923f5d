package choir.onvif;

import choir.link.ChangeLink.Subscription;
import choir.link.ChangeLink.Told;
import choir.link.LinkException;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.xml.namespace.QName;
import javax.xml.stream.XMLStreamException;

/** Pull-point subscriptions to the topics that tell of changed configurations. */
final class PullPoint {
    private static final String NOTIFICATION = "http://docs.oasis-open.org/wsn/b-2";
    private static final String ADDRESSING = "http://www.w3.org/2005/08/addressing";
    private static final String TOPICS = "http://www.onvif.org/ver10/topics";
    private static final String CONCRETE = "http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet";
    private static final String PULL = Namespaces.EVENTS + "/PullPointSubscription/PullMessagesRequest";
    private static final String MANAGER = "http://docs.oasis-open.org/wsn/bw-2/SubscriptionManager/";

    /** The roots of the topics by which recorders tell that a configuration was changed. */
    private static final Set<String> TELLING = Set.of("RecordingConfig", "Configuration", "Media");

    private static final Duration LASTS = Duration.ofMinutes(10);
    private static final int MESSAGES = 100;
    private static final int MOST_PULLS = 10;
    private static final int MOST_CHANGES = 20;

    private final OnvifSession session;

    PullPoint(OnvifSession session) {
        this.session = session;
    }

    Optional<Subscription> subscribe() {
        var topics = session.ifOffered(Element.of(Namespaces.EVENTS, "GetEventProperties"))
                .flatMap(answer -> answer.child("TopicSet"))
                .map(set -> set.children().stream()
                        .map(e -> e.name().getLocalPart())
                        .filter(TELLING::contains)
                        .collect(Collectors.toCollection(java.util.TreeSet::new)));
        if (topics.isEmpty() || topics.get().isEmpty()) {
            return Optional.empty();
        }
        var filter = topics.get().stream().map(t -> "tns1:" + t + "//.").collect(Collectors.joining("|"));
        return Optional.of(new Subscription(ElementWriter.write(reference(created(filter)))));
    }

    private Element created(String topics) {
        var expression = Element.of(NOTIFICATION, "TopicExpression", topics)
                .withAttribute("Dialect", CONCRETE)
                .declaring("tns1", TOPICS);
        var lasts = Element.of(Namespaces.EVENTS, "InitialTerminationTime", LASTS.toString());
        try {
            return session.call(Element.of(
                    Namespaces.EVENTS,
                    "CreatePullPointSubscription",
                    Element.of(Namespaces.EVENTS, "Filter", expression),
                    lasts));
        } catch (LinkException e) {
            if (e.endsConversation()) {
                throw e;
            }
            // One that knows no filters sends everything, and what does not matter is passed over.
            return session.call(Element.of(Namespaces.EVENTS, "CreatePullPointSubscription", lasts));
        }
    }

    private Element reference(Element answer) {
        return answer.child("SubscriptionReference")
                .filter(r -> r.textAt("Address").isPresent())
                .orElseThrow(() -> session.garbage("took a subscription and does not say where it is"));
    }

    /** Empty when the recorder does not know the subscription any more. */
    Optional<Told> pull(Subscription subscription) {
        try {
            List<String> changes = new ArrayList<>();
            Element answer;
            int pulls = 0;
            do {
                answer = toManager(
                        subscription,
                        PULL,
                        Element.of(
                                Namespaces.EVENTS,
                                "PullMessages",
                                Element.of(Namespaces.EVENTS, "Timeout", "PT0S"),
                                Element.of(Namespaces.EVENTS, "MessageLimit", Integer.toString(MESSAGES))));
                changes.addAll(changes(answer));
            } while (answer.all("NotificationMessage").count() >= MESSAGES && ++pulls < MOST_PULLS);
            var left = left(answer).orElse(Duration.ZERO);
            return Optional.of(new Told(
                    changes.stream().distinct().limit(MOST_CHANGES).toList(),
                    left.compareTo(LASTS.dividedBy(2)) < 0 ? renewed(subscription) : left));
        } catch (LinkException e) {
            if (e.endsConversation()) {
                throw e;
            }
            return Optional.empty();
        }
    }

    private Duration renewed(Subscription subscription) {
        return left(toManager(
                        subscription,
                        MANAGER + "RenewRequest",
                        Element.of(
                                NOTIFICATION, "Renew", Element.of(NOTIFICATION, "TerminationTime", LASTS.toString()))))
                .orElse(LASTS);
    }

    void unsubscribe(Subscription subscription) {
        try {
            var _ = toManager(subscription, MANAGER + "UnsubscribeRequest", Element.of(NOTIFICATION, "Unsubscribe"));
        } catch (LinkException e) {
            if (e.endsConversation()) {
                throw e;
            }
        }
    }

    /** By the recorder's own clock, whatever it shows. */
    private static Optional<Duration> left(Element answer) {
        return answer.textAt("CurrentTime")
                .flatMap(PullPoint::instant)
                .flatMap(now -> answer.textAt("TerminationTime")
                        .flatMap(PullPoint::instant)
                        .map(end -> Duration.between(now, end)));
    }

    private static Optional<Instant> instant(String text) {
        try {
            return Optional.of(OffsetDateTime.parse(text).toInstant());
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    /** Topics of changed configurations, with what each is about. A job that begins or ends recording changes nothing. */
    private static List<String> changes(Element answer) {
        return answer.all("NotificationMessage")
                .filter(m -> m.at("Message", "Message")
                        .flatMap(i -> i.attribute("PropertyOperation"))
                        .filter("Initialized"::equals)
                        .isEmpty())
                .flatMap(m -> m.textAt("Topic").stream()
                        .map(t -> t.replaceAll("\\b\\w+:", ""))
                        .filter(t -> TELLING.contains(t.split("/", 2)[0]) && !t.equals("RecordingConfig/JobState"))
                        .map(t -> Element.shortened(t + about(m))))
                .toList();
    }

    private static String about(Element message) {
        return message.at("Message", "Message", "Source").stream()
                .flatMap(s -> s.all("SimpleItem"))
                .flatMap(i -> i.attribute("Value").stream())
                .findFirst()
                .map(value -> " " + value)
                .orElse("");
    }

    private Element toManager(Subscription subscription, String action, Element request) {
        var reference = parsed(subscription);
        var address = reference.textAt("Address").orElse("");
        List<Element> header = new ArrayList<>(List.of(
                Element.of(ADDRESSING, "Action", action),
                Element.of(ADDRESSING, "MessageID", "urn:uuid:" + UUID.randomUUID()),
                Element.of(ADDRESSING, "To", address)));
        reference.child("ReferenceParameters").stream()
                .flatMap(p -> p.children().stream())
                .map(p -> p.withAttribute(new QName(ADDRESSING, "IsReferenceParameter"), "true"))
                .forEach(header::add);
        return session.callAt(address, request, header);
    }

    private Element parsed(Subscription subscription) {
        try {
            return ElementReader.read(
                    new ByteArrayInputStream(subscription.reference().getBytes(StandardCharsets.UTF_8)));
        } catch (XMLStreamException e) {
            throw new IllegalArgumentException("that is no reference to a subscription", e);
        }
    }
}
