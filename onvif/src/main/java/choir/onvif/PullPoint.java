package choir.onvif;

import choir.link.ChangeLink.Subscription;
import choir.link.ChangeLink.Told;
import choir.link.ChangeLink.Turned;
import choir.link.LinkException;
import choir.link.StateLog.Edge;
import choir.link.StateLog.Kind;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.xml.namespace.QName;
import javax.xml.stream.XMLStreamException;

/** Pull-point subscriptions to the topics that tell of changed configurations, of jobs that record and of motion. */
final class PullPoint {
    private static final String NOTIFICATION = "http://docs.oasis-open.org/wsn/b-2";
    private static final String ADDRESSING = "http://www.w3.org/2005/08/addressing";
    private static final String TOPICS = "http://www.onvif.org/ver10/topics";
    private static final String CONCRETE = "http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet";
    private static final String PULL = Namespaces.EVENTS + "/PullPointSubscription/PullMessagesRequest";
    private static final String MANAGER = "http://docs.oasis-open.org/wsn/bw-2/SubscriptionManager/";

    /** The roots of the topics by which recorders tell that a configuration was changed. */
    private static final Set<String> TELLING = Set.of("RecordingConfig", "Configuration", "Media");

    private static final String JOB_STATE = "RecordingConfig/JobState";

    /** Topics of motion. Other rules are left out: what they tell could crowd out what matters. */
    private static final List<String> MOTION = List.of(
            "RuleEngine/CellMotionDetector/Motion",
            "RuleEngine/MotionRegionDetector/Motion",
            "VideoSource/MotionAlarm");

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
                .flatMap(answer -> answer.child("TopicSet"));
        if (topics.isEmpty()) {
            return Optional.empty();
        }
        var changes = topics.get().children().stream()
                .map(e -> e.name().getLocalPart())
                .filter(TELLING::contains)
                .collect(Collectors.toCollection(TreeSet::new));
        List<String> wanted =
                new ArrayList<>(changes.stream().map(t -> "tns1:" + t + "//.").toList());
        Map<String, String> channels = Map.of();
        var motion = MOTION.stream()
                .filter(path -> topics.get().at(path.split("/")).isPresent())
                .toList();
        // One half alone would not say what records though nothing moves, so that the recorder had to be asked anyway.
        if (!motion.isEmpty() && topics.get().at(JOB_STATE.split("/")).isPresent()) {
            channels = ToldChannels.of(session);
            motion.forEach(path -> wanted.add("tns1:" + path));
            if (!changes.contains("RecordingConfig")) {
                wanted.add("tns1:" + JOB_STATE);
            }
        }
        return wanted.isEmpty()
                ? Optional.empty()
                : Optional.of(new Subscription(
                        ElementWriter.write(reference(created(String.join("|", wanted)))),
                        !changes.isEmpty(),
                        channels));
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
            List<Notification> told = new ArrayList<>();
            Element answer;
            boolean more;
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
                answer.all("NotificationMessage")
                        .forEach(m -> Notification.of(m).ifPresent(told::add));
                more = answer.all("NotificationMessage").count() >= MESSAGES;
            } while (more && ++pulls < MOST_PULLS);
            var left = left(answer).orElse(Duration.ZERO);
            return Optional.of(new Told(
                    told.stream()
                            .filter(PullPoint::isChange)
                            .map(PullPoint::inWords)
                            .distinct()
                            .limit(MOST_CHANGES)
                            .toList(),
                    told.stream().flatMap(n -> turned(n, subscription).stream()).toList(),
                    !more,
                    left.compareTo(LASTS.dividedBy(2)) < 0 ? renewed(subscription) : left,
                    session.clockAhead().orElse(Duration.ZERO)));
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
                .flatMap(Notification::instant)
                .flatMap(now -> answer.textAt("TerminationTime")
                        .flatMap(Notification::instant)
                        .map(end -> Duration.between(now, end)));
    }

    /** A job that begins or ends recording changes nothing. */
    private static boolean isChange(Notification told) {
        return TELLING.contains(told.topic().split("/", 2)[0])
                && !told.isInitial()
                && !told.topic().equals(JOB_STATE);
    }

    /** The topic, with what it is about. */
    private static String inWords(Notification told) {
        return Element.shortened(told.topic()
                + told.source()
                        .flatMap(i -> i.attribute("Value").stream())
                        .findFirst()
                        .map(value -> " " + value)
                        .orElse(""));
    }

    private Optional<Turned> turned(Notification told, Subscription subscription) {
        var kind = told.topic().equals(JOB_STATE) ? Kind.RECORDS : Kind.MOVES;
        var on = kind == Kind.RECORDS ? told.data("State").map(JobState::new).map(JobState::records) : told.motion();
        return on.flatMap(is -> ToldChannels.channel(told, subscription.channels())
                .flatMap(channel -> told.at()
                        .flatMap(Notification::instant)
                        .map(at -> new Turned(
                                channel,
                                new Edge(kind, told.whose(), at.minus(session.clockError()), is, told.isInitial())))));
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
