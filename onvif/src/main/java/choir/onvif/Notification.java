package choir.onvif;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * An event as a recorder tells it, in a subscription or in a search.
 *
 * @param topic its path, without prefixes
 * @param message its source and its data
 */
record Notification(String topic, Element message) {
    /** @param told what holds the topic and the message; empty when one of them is missing */
    static Optional<Notification> of(Element told) {
        return told.textAt("Topic")
                .flatMap(topic -> told.at("Message", "Message")
                        .map(message -> new Notification(topic.strip().replaceAll("\\b\\w[\\w.-]*:", ""), message)));
    }

    Optional<String> at() {
        return message.attribute("UtcTime");
    }

    /** How it stood before anything was told. */
    boolean isInitial() {
        return message.attribute("PropertyOperation")
                .filter("Initialized"::equals)
                .isPresent();
    }

    private Stream<Element> items(String part) {
        return message.child(part).stream().flatMap(Element::tree).filter(e -> e.is("SimpleItem"));
    }

    /** Names and values of what it is about. */
    Stream<Element> source() {
        return items("Source");
    }

    Optional<String> data(String name) {
        return items("Data")
                .filter(e -> e.attribute("Name").filter(name::equals).isPresent())
                .flatMap(e -> e.attribute("Value").stream())
                .findFirst()
                .map(String::strip);
    }

    Optional<Boolean> flag(String name) {
        return data(name).flatMap(v -> switch (v) {
            case "true", "1" -> Optional.of(true);
            case "false", "0" -> Optional.of(false);
            default -> Optional.empty();
        });
    }

    /** Whether a detection sees motion; empty when that is not what it is about. */
    Optional<Boolean> motion() {
        return switch (topic) {
            case "RuleEngine/CellMotionDetector/Motion" -> flag("IsMotion");
            case "RuleEngine/MotionRegionDetector/Motion", "VideoSource/MotionAlarm" -> flag("State");
            default -> Optional.empty();
        };
    }

    /** Whose state it is. */
    String whose() {
        return topic
                + source().map(e -> " " + e.attribute("Name").orElse("") + "="
                                + e.attribute("Value").orElse(""))
                        .sorted()
                        .collect(Collectors.joining());
    }

    /** By the recorder's own clock. Times without a zone are meant as coordinated ones, as the standard wants them. */
    static Optional<Instant> instant(String text) {
        try {
            return Optional.of(OffsetDateTime.parse(text).toInstant());
        } catch (DateTimeException e) {
            try {
                return Optional.of(LocalDateTime.parse(text).toInstant(ZoneOffset.UTC));
            } catch (DateTimeException again) {
                return Optional.empty();
            }
        }
    }
}
