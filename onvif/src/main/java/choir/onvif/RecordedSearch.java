package choir.onvif;

import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Stretch;
import choir.link.LinkException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * The recording search of a recorder: a search is opened, its results come in parts, each once, and it is given back. All
 * times are the recorder's own on the wire and true ones outside.
 */
final class RecordedSearch {
    private static final String NOTIFICATION = "http://docs.oasis-open.org/wsn/b-2";
    private static final String TOPICS = "http://www.onvif.org/ver10/topics";
    private static final String CONCRETE = "http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet";
    private static final String WANTED = "tns1:RecordingHistory//.|tns1:RuleEngine//.|tns1:VideoSource/MotionAlarm";
    private static final Duration KEEP_ALIVE = Duration.ofSeconds(60);
    private static final int AT_ONCE = 500;
    private static final int MOST_RESULTS = 100_000;
    /** A recorder that goes on searching without finding anything is waited for so many times. */
    private static final int MOST_EMPTY = 20;

    private final OnvifSession session;
    private final Snapshot snapshot;

    RecordedSearch(OnvifSession session, Snapshot snapshot) {
        this.session = session;
        this.snapshot = snapshot;
    }

    private static Element of(String name, Element... children) {
        return Element.of(Namespaces.SEARCH, name, children);
    }

    private static Element of(String name, String text) {
        return Element.of(Namespaces.SEARCH, name, text);
    }

    private static Element scope(Element... children) {
        return of("Scope", children);
    }

    /** By channel; a recording that belongs to none that can be told is passed over. */
    Optional<Map<String, Kept>> kept() {
        Map<String, Kept> kept = new LinkedHashMap<>();
        var found = search(
                of("FindRecordings", scope(), of("KeepAliveTime", KEEP_ALIVE.toString())),
                "GetRecordingSearchResults",
                "RecordingInformation",
                one -> channelOf(one).ifPresent(channel -> kept.merge(channel, kept(one), RecordedSearch::both)));
        return found.map(whole -> kept);
    }

    private Optional<String> channelOf(Element found) {
        return found.tokenAt("RecordingToken").flatMap(snapshot::channelOfRecording);
    }

    private Kept kept(Element recording) {
        var from = recording.textAt("EarliestRecording").or(() -> recording.textAt("Track", "DataFrom"));
        var until = recording.textAt("LatestRecording").or(() -> recording.textAt("Track", "DataTo"));
        var records = recording.textAt("RecordingStatus").flatMap(status -> switch (status) {
            case "Recording" -> Optional.of(true);
            case "Stopped", "Initiated", "Removing", "Removed" -> Optional.of(false);
            default -> Optional.empty();
        });
        return new Kept(from.flatMap(this::truly), until.flatMap(this::truly), records);
    }

    /** Of two recordings of one channel. */
    private static Kept both(Kept a, Kept b) {
        return new Kept(
                a.from().isEmpty()
                                || b.from().isEmpty()
                                || a.from().get().isBefore(b.from().get())
                        ? a.from()
                        : b.from(),
                a.until().isEmpty()
                                || b.until().isEmpty()
                                || a.until().get().isAfter(b.until().get())
                        ? a.until()
                        : b.until(),
                a.records().isPresent() && b.records().isPresent()
                        ? Optional.of(a.records().get() || b.records().get())
                        : Optional.empty());
    }

    /** A state that was told: on or off from that moment. */
    private record Edge(Instant at, boolean on, boolean start) {}

    /** What was told of one channel: for each track and for each rule of its detection, which turn on and off by themselves. */
    private static final class Told {
        private final Map<String, List<Edge>> recorded = new LinkedHashMap<>();
        private final Map<String, List<Edge>> motion = new LinkedHashMap<>();

        Stream<Edge> edges() {
            return Stream.concat(recorded.values().stream(), motion.values().stream())
                    .flatMap(List::stream);
        }

        History history(Instant from, Instant known, boolean whole) {
            return new History(union(recorded, from, known), union(motion, from, known), whole, known);
        }

        private static Optional<List<Stretch>> union(Map<String, List<Edge>> told, Instant from, Instant until) {
            var each = told.values().stream()
                    .flatMap(edges -> stretches(edges, from, until).stream())
                    .toList();
            return each.size() < 2
                    ? each.stream().findFirst()
                    : Optional.of(joined(each.stream().flatMap(List::stream)));
        }

        private static List<Stretch> joined(Stream<Stretch> stretches) {
            List<Stretch> joined = new ArrayList<>();
            stretches.sorted(Comparator.comparing(Stretch::from)).forEach(next -> {
                if (joined.isEmpty() || next.from().isAfter(joined.getLast().until())) {
                    joined.add(next);
                } else {
                    var last = joined.removeLast();
                    joined.add(
                            new Stretch(last.from(), last.until().isAfter(next.until()) ? last.until() : next.until()));
                }
            });
            return joined;
        }
    }

    Optional<History> history(String channel, Instant from, Instant until) {
        var recordings = snapshot.recordingsOf(channel);
        return recordings.isEmpty()
                ? Optional.empty()
                : histories(List.of(channel), recordings, from, until).map(all -> all.get(channel));
    }

    /** Of all channels that have a recording. */
    Optional<Map<String, History>> histories(Instant from, Instant until) {
        return histories(snapshot.channelsWithRecordings(), List.of(), from, until);
    }

    /** @param recordings of which alone; empty for all */
    private Optional<Map<String, History>> histories(
            List<String> channels, List<String> recordings, Instant from, Instant until) {
        Map<String, Told> told = new LinkedHashMap<>();
        channels.forEach(c -> told.put(c, new Told()));
        var expression = Element.of(NOTIFICATION, "TopicExpression", WANTED)
                .withAttribute("Dialect", CONCRETE)
                .declaring("tns1", TOPICS);
        var included = recordings.stream()
                .map(token -> Element.of(Namespaces.SCHEMA, "IncludedRecordings", token))
                .toArray(Element[]::new);
        var found = search(
                of(
                        "FindEvents",
                        of("StartPoint", asItSays(from)),
                        of("EndPoint", asItSays(until)),
                        scope(included),
                        of("SearchFilter", expression),
                        of("IncludeStartState", "true"),
                        of("MaxMatches", Integer.toString(MOST_RESULTS)),
                        of("KeepAliveTime", KEEP_ALIVE.toString())),
                "GetEventSearchResults",
                "Result",
                one -> channelOf(one)
                        .or(() -> channels.size() == 1 ? Optional.of(channels.getFirst()) : Optional.empty())
                        .map(told::get)
                        .ifPresent(of -> sort(one, of)));
        return found.map(whole -> {
            var known = whole ? until : last(told.values(), from);
            Map<String, History> all = new LinkedHashMap<>();
            told.forEach((channel, of) -> all.put(channel, of.history(from, known, whole)));
            return all;
        });
    }

    /** The latest that was told of any, since what came was in the order of time over all. */
    private static Instant last(Collection<Told> told, Instant otherwise) {
        return told.stream()
                .flatMap(Told::edges)
                .map(Edge::at)
                .max(Comparator.naturalOrder())
                .orElse(otherwise);
    }

    private void sort(Element result, Told told) {
        var event = result.child("Event");
        var topic = event.flatMap(e -> e.textAt("Topic")).orElse("");
        var path = topic.substring(topic.indexOf(':') + 1);
        var message = event.flatMap(e -> e.at("Message", "Message"));
        var at = result.textAt("Time")
                .or(() -> message.flatMap(m -> m.attribute("UtcTime")))
                .flatMap(this::truly);
        if (at.isEmpty() || message.isEmpty()) {
            return;
        }
        boolean start = result.textAt("StartStateEvent")
                .filter(t -> t.equals("true") || t.equals("1"))
                .isPresent();
        switch (path) {
            case "RecordingHistory/Track/State" -> {
                var track = result.tokenAt("RecordingToken").orElse("") + " "
                        + result.textAt("TrackToken").orElse("");
                value(message.get(), "IsDataPresent").ifPresent(on -> add(told.recorded, track, at.get(), on, start));
            }
            case "RuleEngine/CellMotionDetector/Motion" ->
                value(message.get(), "IsMotion")
                        .ifPresent(on -> add(told.motion, rule(path, message.get()), at.get(), on, start));
            case "RuleEngine/MotionRegionDetector/Motion", "VideoSource/MotionAlarm" ->
                value(message.get(), "State")
                        .ifPresent(on -> add(told.motion, rule(path, message.get()), at.get(), on, start));
            default -> {}
        }
    }

    private static void add(Map<String, List<Edge>> told, String of, Instant at, boolean on, boolean start) {
        told.computeIfAbsent(of, o -> new ArrayList<>()).add(new Edge(at, on, start));
    }

    /** Whose state it is. */
    private static String rule(String path, Element message) {
        return path
                + message.child("Source").stream()
                        .flatMap(Element::tree)
                        .filter(e -> e.is("SimpleItem"))
                        .map(e -> " " + e.attribute("Name").orElse("") + "="
                                + e.attribute("Value").orElse(""))
                        .sorted()
                        .collect(java.util.stream.Collectors.joining());
    }

    private static Optional<Boolean> value(Element message, String name) {
        return message.child("Data").stream()
                .flatMap(Element::tree)
                .filter(e -> e.is("SimpleItem")
                        && e.attribute("Name").filter(name::equals).isPresent())
                .flatMap(e -> e.attribute("Value").stream())
                .findFirst()
                .flatMap(v -> switch (v.strip()) {
                    case "true", "1" -> Optional.of(true);
                    case "false", "0" -> Optional.of(false);
                    default -> Optional.empty();
                });
    }

    /** Empty when not one state was told, since then nobody knows. An edge that repeats the state changes nothing. */
    private static Optional<List<Stretch>> stretches(List<Edge> edges, Instant from, Instant until) {
        if (edges.isEmpty()) {
            return Optional.empty();
        }
        edges.sort(Comparator.comparing(Edge::at).thenComparing(e -> !e.start()));
        List<Stretch> stretches = new ArrayList<>();
        Optional<Instant> since = Optional.empty();
        for (var edge : edges) {
            var at = edge.at().isBefore(from) ? from : edge.at().isAfter(until) ? until : edge.at();
            if (edge.on() && since.isEmpty()) {
                since = Optional.of(at);
            } else if (!edge.on() && since.isPresent()) {
                add(stretches, since.get(), at);
                since = Optional.empty();
            }
        }
        since.ifPresent(begin -> add(stretches, begin, until));
        return Optional.of(stretches);
    }

    private static void add(List<Stretch> stretches, Instant from, Instant until) {
        if (from.isBefore(until)) {
            stretches.add(new Stretch(from, until));
        }
    }

    /**
     * @return empty when there is no such search; else whether all results came
     */
    private Optional<Boolean> search(Element opening, String results, String item, Consumer<Element> taken) {
        var token = session.ifOffered(opening).flatMap(answer -> answer.tokenAt("SearchToken"));
        if (token.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(collect(token.get(), results, item, taken));
        } finally {
            giveBack(token.get());
        }
    }

    private boolean collect(String token, String operation, String item, Consumer<Element> taken) {
        int count = 0;
        int empty = 0;
        while (true) {
            var list = session.call(of(
                            operation,
                            of("SearchToken", token),
                            of("MinResults", "1"),
                            of("MaxResults", Integer.toString(AT_ONCE)),
                            of("WaitTime", "PT2S")))
                    .child("ResultList");
            var found = list.stream().flatMap(l -> l.all(item)).toList();
            found.forEach(taken);
            count += found.size();
            empty = found.isEmpty() ? empty + 1 : 0;
            var state = list.flatMap(l -> l.textAt("SearchState")).orElse("");
            if (count >= MOST_RESULTS || empty > MOST_EMPTY) {
                return false;
            }
            if (state.equals("Completed") || !state.equals("Searching") && !state.equals("Queued") && found.isEmpty()) {
                return true;
            }
        }
    }

    /** One that does not take it back forgets it by itself. */
    private void giveBack(String token) {
        try {
            var _ = session.ifOffered(of("EndSearch", of("SearchToken", token)));
        } catch (LinkException e) {
            // What was found is found.
        }
    }

    private String asItSays(Instant truly) {
        return truly.plus(session.clockError()).truncatedTo(ChronoUnit.SECONDS).toString();
    }

    /** Times without a zone are meant as coordinated ones, as the standard wants them. */
    private Optional<Instant> truly(String text) {
        try {
            return Optional.of(OffsetDateTime.parse(text).toInstant().minus(session.clockError()));
        } catch (DateTimeException e) {
            try {
                return Optional.of(
                        LocalDateTime.parse(text).toInstant(ZoneOffset.UTC).minus(session.clockError()));
            } catch (DateTimeException again) {
                return Optional.empty();
            }
        }
    }
}
