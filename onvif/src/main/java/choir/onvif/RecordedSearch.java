package choir.onvif;

import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.LinkException;
import choir.link.StateLog;
import choir.link.StateLog.Edge;
import choir.link.StateLog.Kind;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

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
        Map<String, StateLog> told = new LinkedHashMap<>();
        channels.forEach(c -> told.put(c, new StateLog()));
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
    private static Instant last(Collection<StateLog> told, Instant otherwise) {
        return told.stream()
                .flatMap(log -> log.last().stream())
                .max(Comparator.naturalOrder())
                .orElse(otherwise);
    }

    private void sort(Element result, StateLog told) {
        boolean start = result.textAt("StartStateEvent")
                .filter(t -> t.equals("true") || t.equals("1"))
                .isPresent();
        result.child("Event")
                .flatMap(Notification::of)
                .ifPresent(event -> result.textAt("Time")
                        .or(event::at)
                        .flatMap(this::truly)
                        .ifPresent(at -> {
                            if (event.topic().equals("RecordingHistory/Track/State")) {
                                var track = result.tokenAt("RecordingToken").orElse("") + " "
                                        + result.textAt("TrackToken").orElse("");
                                event.flag("IsDataPresent")
                                        .ifPresent(on -> told.add(new Edge(Kind.RECORDS, track, at, on, start)));
                            }
                            event.motion()
                                    .ifPresent(on -> told.add(new Edge(Kind.MOVES, event.whose(), at, on, start)));
                        }));
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

    private Optional<Instant> truly(String text) {
        return Notification.instant(text).map(at -> at.minus(session.clockError()));
    }
}
