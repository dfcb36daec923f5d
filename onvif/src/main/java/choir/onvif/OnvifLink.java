package choir.onvif;

import choir.document.WeekCalendar;
import choir.family.AbilityRange;
import choir.family.Family;
import choir.family.Place;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.Playing;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.SelfDescription;
import choir.link.SelfDescription.Range;
import choir.link.Writing;
import choir.link.Written;
import choir.onvif.Snapshot.DayGroups;
import choir.policy.Catalogue;
import choir.refusal.Refusal;
import choir.week.Week;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.net.URI;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Recorders by the open device standard. */
public final class OnvifLink implements RecorderLink, AutoCloseable {
    private static final int LONGEST_SCHEDULE = 100_000;
    /** Cameras that are written within this time of a look share it; on a real network each gets its own. */
    private static final Duration LOOK_HOLDS = Duration.ofMillis(250);

    /** How often writing to a channel is taken up where a closed connection broke it off. */
    private static final int MOST_AGAIN = 20;

    /** Most recorders of a fleet hold the same few schedules; each text is understood once. */
    private static final Cache<String, Optional<Week<Boolean>>> SCHEDULES = Caffeine.newBuilder()
            .maximumWeight(4_000_000)
            .<String, Optional<Week<Boolean>>>weigher((text, week) -> text.length() + 100)
            .build();

    private final SoapTransport transport;
    private final Patience patience;
    private final InstantSource clock;
    private final Remembered remembered = new Remembered();

    public OnvifLink(Patience patience) {
        this(patience, List.of(), InstantSource.system());
    }

    /**
     * @param authorities who vouch for certificates of recorders
     * @param clock by which recorders' clocks are judged
     */
    public OnvifLink(Patience patience, Collection<X509Certificate> authorities, InstantSource clock) {
        this.clock = clock;
        this.patience = patience;
        this.transport = new SoapTransport(patience.call(), authorities);
    }

    @Override
    public RecorderReading read(RecorderAccess access) {
        return in(access, patience.reading(), session -> {
            var snapshot = Snapshot.take(session, hasSpecialDays(access) ? DayGroups.USED : DayGroups.NONE);
            var channels = snapshot.channels().stream()
                    .map(c -> new ChannelReader(snapshot, c, OnvifLink::schedule).read(access.family()))
                    .toList();
            return new RecorderReading(
                    device(snapshot.device()), session.clockAhead(), session.posixZone(), channels, session.calls());
        });
    }

    private static RecorderReading.Device device(Element answer) {
        return new RecorderReading.Device(
                answer.nameAt("Manufacturer").orElse(""),
                answer.nameAt("Model").orElse(""),
                answer.nameAt("FirmwareVersion").orElse(""),
                answer.nameAt("SerialNumber").orElse(""));
    }

    @Override
    public Writing write(RecorderAccess access, List<ChannelWrite> writes) {
        Map<String, Written> written = new LinkedHashMap<>();
        Optional<Writing.Gap> gap = Optional.empty();
        try {
            gap = in(
                    access,
                    patience.writing(),
                    session -> write(
                            session, access, writes, written, patience.call().multipliedBy(4)));
        } catch (LinkException e) {
            writes.forEach(w -> written.putIfAbsent(w.channel(), new Written.BrokenOff(Set.of(), e)));
        }
        return new Writing(written, gap);
    }

    private static Optional<Writing.Gap> write(
            OnvifSession session,
            RecorderAccess access,
            List<ChannelWrite> writes,
            Map<String, Written> written,
            Duration silence) {
        var family = family(access);
        var look = Look.of(session, access);
        var first = SharedDays.of(look.snapshot(), family, writes);
        var watch = RecordingWatch.of(session, look.snapshot(), family, writes, silence);
        for (var write : writes) {
            if (look.isOld()) {
                look = Look.of(session, access);
            }
            watch.ifPresent(w -> w.begins(write.channel()));
            var one = first.write(session, look.snapshot(), write);
            for (int again = 0; again < MOST_AGAIN && one instanceof Written.BrokenOff broken; again++) {
                // A connection that was closed says nothing of the recorder, unless it does not answer on a fresh one.
                var fresh =
                        broken.why().reason() == Reason.UNREACHABLE ? look(session, access) : Optional.<Look>empty();
                if (fresh.isEmpty()) {
                    break;
                }
                look = fresh.get();
                one = first.rest(session, look.snapshot(), write, broken);
            }
            written.put(write.channel(), one);
            if (one instanceof Written.BrokenOff(var sent, var why) && why.endsConversation()) {
                throw why;
            }
            watch.ifPresent(w -> w.written(write.channel()));
        }
        return watch.flatMap(RecordingWatch::untilItRecords);
    }

    private static Optional<Look> look(OnvifSession session, RecorderAccess access) {
        try {
            return Optional.of(Look.of(session, access));
        } catch (LinkException e) {
            return Optional.empty();
        }
    }

    /** What a recorder held at a moment. It is good for as long as nobody could well have come between. */
    private record Look(Snapshot snapshot, long at) {
        static Look of(OnvifSession session, RecorderAccess access) {
            long at = System.nanoTime();
            return new Look(Snapshot.take(session, hasSpecialDays(access) ? DayGroups.ALL : DayGroups.NONE), at);
        }

        boolean isOld() {
            return System.nanoTime() - at > LOOK_HOLDS.toNanos();
        }
    }

    private static Family family(RecorderAccess access) {
        return access.family()
                .orElseThrow(() -> new LinkException(Reason.NOT_SUPPORTED, access.who() + " is of no known family"));
    }

    @Override
    public List<String> disagreements(RecorderAccess access) {
        return in(access, patience.reading(), session -> {
            var snapshot = Snapshot.take(session, DayGroups.NONE);
            return SelfDescriptions.ranges(session, snapshot).stream()
                    .flatMap(range -> disagreement(family(access), range).stream())
                    .distinct()
                    .toList();
        });
    }

    @Override
    public SelfDescription describe(RecorderAccess access) {
        return in(access, patience.reading(), session -> {
            var snapshot = Snapshot.take(session, DayGroups.NONE);
            return SelfDescriptions.of(session, snapshot, device(snapshot.device()));
        });
    }

    @Override
    public byte[] still(RecorderAccess access, String channel) {
        return in(access, patience.call().multipliedBy(2), session -> session.still(channel));
    }

    @Override
    public Optional<Map<String, Kept>> kept(RecorderAccess access) {
        return in(
                access,
                patience.reading(),
                session -> new RecordedSearch(session, Snapshot.take(session, DayGroups.NONE)).kept());
    }

    @Override
    public Optional<History> history(RecorderAccess access, String channel, Instant from, Instant until) {
        return in(
                access,
                patience.reading(),
                session -> new RecordedSearch(session, Snapshot.take(session, DayGroups.NONE))
                        .history(channel, from, until));
    }

    @Override
    public Optional<Recall> recall(RecorderAccess access, List<Stretch> stretches) {
        return in(access, patience.reading().multipliedBy(1L + stretches.size()), session -> {
            var snapshot = Snapshot.take(session, DayGroups.NONE);
            var search = new RecordedSearch(session, snapshot);
            List<Map<String, History>> histories = new ArrayList<>();
            for (var stretch : stretches) {
                var told = search.histories(stretch.from(), stretch.until());
                if (told.isEmpty()) {
                    return Optional.empty();
                }
                histories.add(told.get());
            }
            return Optional.of(new Recall(
                    search.kept().orElse(Map.of()), histories, StreamBits.of(session, snapshot), session.clockError()));
        });
    }

    @Override
    public Optional<URI> stream(RecorderAccess access, String channel) {
        return in(access, patience.call().multipliedBy(2), session -> stream(session, access, channel));
    }

    private static Optional<URI> stream(OnvifSession session, RecorderAccess access, String channel) {
        var media = Media.of(session);
        return media.profileOf(channel).flatMap(media::stream).map(said -> address(session, access, said));
    }

    @Override
    public Optional<Playing> playLive(RecorderAccess access, String channel) {
        return in(
                access,
                patience.call().multipliedBy(2),
                session -> stream(session, access, channel)
                        .map(at -> StreamRelay.open(access, new StreamRelay.Wanted.Live(at), patience.call(), clock)));
    }

    @Override
    public Optional<URI> replay(RecorderAccess access, String channel) {
        return in(access, patience.reading(), session -> replay(session, access, channel));
    }

    private static Optional<URI> replay(OnvifSession session, RecorderAccess access, String channel) {
        return Snapshot.take(session, DayGroups.NONE).recordingsOf(channel).stream()
                .findFirst()
                .flatMap(recording -> session.ifOffered(Element.of(
                        Namespaces.REPLAY,
                        "GetReplayUri",
                        Media.overTcp(Namespaces.REPLAY),
                        Element.of(Namespaces.REPLAY, "RecordingToken", recording))))
                .flatMap(answer -> answer.textAt("Uri"))
                .map(said -> address(session, access, said));
    }

    @Override
    public Optional<Playing> playRecorded(
            RecorderAccess access, String channel, Instant from, Instant until, boolean keyPictures) {
        return in(access, patience.reading(), session -> {
            var ahead = session.clockError();
            return replay(session, access, channel)
                    .map(at -> StreamRelay.open(
                            access,
                            new StreamRelay.Wanted.Recorded(at, from, until, ahead, keyPictures),
                            patience.call(),
                            clock));
        });
    }

    private static URI address(OnvifSession session, RecorderAccess access, String said) {
        return ServiceAddresses.stream(said, access.address())
                .orElseThrow(() -> session.garbage("names a stream that is none: " + Element.shortened(said)));
    }

    @Override
    public ClockSet setClock(RecorderAccess access) {
        return in(access, patience.call().multipliedBy(2), OnvifSession::setClock);
    }

    @Override
    public String command(RecorderAccess access, String command) {
        return in(access, patience.call().multipliedBy(2), session -> session.command(command));
    }

    @Override
    public void changePassword(RecorderAccess access, String fresh) {
        var _ = in(access, patience.call().multipliedBy(2), session -> session.changePassword(fresh));
    }

    @Override
    public void tryPassword(RecorderAccess access) {
        var _ = in(access, patience.call().multipliedBy(2), OnvifSession::device);
    }

    @Override
    public Optional<Subscription> subscribe(RecorderAccess access) {
        return in(access, patience.call().multipliedBy(2), session -> new PullPoint(session).subscribe());
    }

    @Override
    public Optional<Told> pull(RecorderAccess access, Subscription subscription) {
        return in(access, patience.call().multipliedBy(2), session -> new PullPoint(session).pull(subscription));
    }

    @Override
    public void unsubscribe(RecorderAccess access, Subscription subscription) {
        in(access, patience.call(), session -> {
            new PullPoint(session).unsubscribe(subscription);
            return Boolean.TRUE;
        });
    }

    private static boolean hasSpecialDays(RecorderAccess access) {
        return access.family()
                .filter(f -> f.ability(Catalogue.SPECIAL_DAYS).isPresent())
                .isPresent();
    }

    private static Optional<String> disagreement(Family family, Range said) {
        var text = said.min() + " to " + said.max();
        return family.abilities().entrySet().stream()
                .filter(e -> isAbout(e.getValue().place(), said))
                .filter(e -> !AbilityRange.of(e.getValue()).equals(text))
                .findFirst()
                .map(e -> e.getKey() + ": the recorder says " + text + ", the family file "
                        + AbilityRange.of(e.getValue()));
    }

    private static boolean isAbout(Place place, Range said) {
        return switch (place) {
            case Place.Module(var type, var item) -> type.equals(said.type()) && item.equals(said.name());
            case Place.Rule(var type, var item) -> type.equals(said.type()) && item.equals(said.name());
            case Place.EachArea(var type, var item) -> type.equals(said.type()) && item.equals(said.name());
            case Place.Sheet s -> false;
            case Place.Field f -> false;
        };
    }

    private <T> T in(RecorderAccess access, Duration whole, Function<OnvifSession, T> work) {
        var session = new OnvifSession(transport, access, remembered, Deadline.of(access.who(), whole), clock);
        return work.apply(session.open());
    }

    static Optional<Week<Boolean>> schedule(String text) {
        if (text.length() > LONGEST_SCHEDULE) {
            return Optional.empty();
        }
        return SCHEDULES.get(text, t -> {
            try {
                return Optional.of(WeekCalendar.read(t, summary -> Boolean.TRUE));
            } catch (Refusal e) {
                return Optional.empty();
            }
        });
    }

    @Override
    public void close() {
        transport.close();
    }
}
