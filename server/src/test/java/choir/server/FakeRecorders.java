package choir.server;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.Playing;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.SelfDescription;
import choir.link.Writing;
import choir.link.Written;
import choir.policy.SettingKey;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;

/** Recorders without a wire: what they hold is a value, and what they do can be said. */
public final class FakeRecorders implements RecorderLink {
    /** Something done at a recorder before it answers. */
    @FunctionalInterface
    public interface Act {
        void run();
    }

    /** One of them. */
    public static final class Fake {
        public final String name;
        public final Map<String, NativeConfig> held = Collections.synchronizedMap(new LinkedHashMap<>());
        public final Map<String, String> labels = new ConcurrentHashMap<>();
        public volatile String maker = "Tern";
        public volatile String model = "TN-16";
        public volatile String firmware = "1.0";
        public volatile String serial;
        /** What it says of every channel that cannot be understood. */
        public volatile List<String> notes = List.of();

        public volatile Optional<Duration> clockAhead = Optional.of(Duration.ZERO);
        public volatile String posixZone = "";
        public volatile Supplier<byte[]> still = () -> new byte[] {(byte) 0xFF, (byte) 0xD8};
        /** In what its ranges differ from its family file, and how often that was asked. */
        public volatile List<String> otherRanges = List.of();

        public final java.util.concurrent.atomic.AtomicInteger rangesAsked =
                new java.util.concurrent.atomic.AtomicInteger();
        public volatile boolean clockFromServer;
        /** What it keeps and what happened, when it tells. */
        public volatile Optional<Map<String, Kept>> kept = Optional.empty();

        public volatile Optional<History> history = Optional.empty();
        public volatile java.util.function.UnaryOperator<String> onCommand = command -> "";
        public volatile Runnable beforeHistory = () -> {};
        public volatile Function<List<Stretch>, Optional<Recall>> recall = stretches -> Optional.empty();
        public volatile Optional<LinkException> away = Optional.empty();
        public volatile Act beforeRead = () -> {};
        public volatile Act beforeWrite = () -> {};
        public volatile Act afterWrite = () -> {};
        /** What is seen of its recording while it is written. */
        public volatile Optional<Writing.Gap> gap = Optional.empty();

        /** Done just before a channel is looked at and written. */
        public volatile Consumer<String> beforeChannel = channel -> {};
        /** Settings at which it goes away: the call was made, nothing took effect and nobody answers any more. */
        public final Set<SettingKey> breakingAt = ConcurrentHashMap.newKeySet();
        /** Channels of which a write fails before it takes effect. */
        public final Set<String> refusing = ConcurrentHashMap.newKeySet();
        /** Told what it showed, whenever it was read. */
        public volatile Consumer<Map<String, NativeConfig>> onShown = shown -> {};
        /** Told of each value for which the call was made, whatever came of it. */
        public volatile BiConsumer<String, Map.Entry<SettingKey, NativeValue>> onSent = (channel, value) -> {};
        /** Told when somebody asked and it was not there. */
        public volatile Act onMissed = () -> {};
        /** Settings that are taken and forgotten. */
        public final Set<SettingKey> forgetting = ConcurrentHashMap.newKeySet();
        /** Every value that ever took effect, in order. */
        public final List<String> written = Collections.synchronizedList(new ArrayList<>());

        /** Whether it tells of changes, and what it has told since it was asked last; nothing when it forgot that it should. */
        public volatile boolean tells;

        public volatile Optional<List<String>> told = Optional.of(List.of());
        /** Whose states it tells, and what it has told of them since it was asked last. */
        public volatile Map<String, String> toldChannels = Map.of();

        public final java.util.concurrent.BlockingQueue<Turned> turned =
                new java.util.concurrent.LinkedBlockingQueue<>();

        /** How often it was subscribed to, and how often that was given back. */
        public final java.util.concurrent.atomic.AtomicInteger subscribed =
                new java.util.concurrent.atomic.AtomicInteger();

        public final java.util.concurrent.atomic.AtomicInteger givenBack =
                new java.util.concurrent.atomic.AtomicInteger();

        /** Empty while any will do. */
        public volatile Optional<String> password = Optional.empty();

        /** What it does with a new one. */
        public volatile Consumer<String> onPassword = fresh -> password = Optional.of(fresh);

        public final java.util.concurrent.atomic.AtomicInteger wrongTries =
                new java.util.concurrent.atomic.AtomicInteger();

        Fake(String name) {
            this.name = name;
            this.serial = "serial of " + name;
        }

        public Fake channel(String token, NativeConfig config) {
            held.put(token, config);
            return this;
        }

        public void turn(String token, SettingKey key, NativeValue value) {
            held.computeIfPresent(token, (t, config) -> config.with(Map.of(key, value)));
        }

        public void goAway() {
            away = Optional.of(new LinkException(Reason.UNREACHABLE, name + " cannot be reached"));
        }

        public void comeBack() {
            away = Optional.empty();
        }
    }

    private final Map<String, Fake> byPath = new ConcurrentHashMap<>();

    /** True while whoever would call is dead. */
    public volatile boolean dead;

    /** Whether those that are added from now on tell of their changes. */
    public volatile boolean telling;

    public Fake add(String name) {
        var fake = new Fake(name);
        fake.tells = telling;
        byPath.put("/" + name, fake);
        return fake;
    }

    /** The one of that name. */
    public Fake at(String name) {
        return Objects.requireNonNull(byPath.get("/" + name), name);
    }

    public static String address(String name) {
        return "http://127.0.0.1:1/" + name;
    }

    private Fake at(RecorderAccess access) {
        if (dead) {
            throw new LinkException(Reason.UNREACHABLE, "the caller is dead");
        }
        var fake = byPath.get(access.address().getPath());
        if (fake == null) {
            throw new LinkException(Reason.UNREACHABLE, "nobody is at " + access.address());
        }
        return fake;
    }

    private static void refuseWhenAway(Fake fake) {
        fake.away.ifPresent(why -> {
            throw new LinkException(why.reason(), String.valueOf(why.getMessage()));
        });
    }

    @Override
    public RecorderReading read(RecorderAccess access) {
        var fake = at(access);
        fake.beforeRead.run();
        if (fake.away.isPresent()) {
            fake.onMissed.run();
        }
        refuseWhenAway(fake);
        refuseWrong(fake, access);
        fake.onShown.accept(Map.copyOf(fake.held));
        List<RecorderReading.Channel> channels = new ArrayList<>();
        synchronized (fake.held) {
            fake.held.forEach((token, config) -> {
                Node.Camera.requireChannel(token);
                channels.add(new RecorderReading.Channel(
                        token,
                        fake.labels.getOrDefault(token, "Label of " + token),
                        "Device",
                        access.family().isPresent() ? config : NativeConfig.EMPTY,
                        fake.notes));
            });
        }
        return new RecorderReading(
                new RecorderReading.Device(fake.maker, fake.model, fake.firmware, fake.serial),
                fake.clockAhead,
                fake.posixZone,
                channels,
                1);
    }

    @Override
    public Writing write(RecorderAccess access, List<ChannelWrite> writes) {
        var fake = at(access);
        fake.beforeWrite.run();
        Map<String, Written> written = new LinkedHashMap<>();
        for (var write : writes) {
            fake.beforeChannel.accept(write.channel());
            written.put(write.channel(), write(fake, write));
        }
        fake.afterWrite.run();
        return new Writing(written, fake.gap);
    }

    private Written write(Fake fake, ChannelWrite write) {
        if (dead) {
            return new Written.BrokenOff(Set.of(), new LinkException(Reason.UNREACHABLE, "the caller is dead"));
        }
        if (fake.away.isPresent()) {
            return new Written.BrokenOff(Set.of(), fake.away.get());
        }
        if (fake.refusing.contains(write.channel())) {
            return new Written.BrokenOff(Set.of(), new LinkException(Reason.REFUSED, fake.name + " refused it"));
        }
        if (!write.isUnmoved(fake.held.getOrDefault(write.channel(), NativeConfig.EMPTY))) {
            return new Written.Moved();
        }
        Set<SettingKey> sent = new java.util.TreeSet<>();
        for (var entry : write.values().entrySet()) {
            var key = entry.getKey();
            sent.add(key);
            fake.onSent.accept(write.channel(), entry);
            fake.written.add(write.channel() + " " + key);
            if (fake.breakingAt.contains(key)) {
                fake.goAway();
                return new Written.BrokenOff(sent, fake.away.get());
            }
            if (!fake.forgetting.contains(key)) {
                fake.turn(write.channel(), key, entry.getValue());
            }
            if (dead) {
                return new Written.BrokenOff(sent, new LinkException(Reason.UNREACHABLE, "the caller is dead"));
            }
        }
        return new Written.Whole();
    }

    @Override
    public SelfDescription describe(RecorderAccess access) {
        throw new LinkException(Reason.NOT_SUPPORTED, "a fake does not describe itself");
    }

    @Override
    public String command(RecorderAccess access, String command) {
        var fake = at(access);
        refuseWhenAway(fake);
        return fake.onCommand.apply(command);
    }

    @Override
    public ClockSet setClock(RecorderAccess access) {
        var fake = at(access);
        refuseWhenAway(fake);
        var before = fake.clockAhead;
        fake.clockAhead = Optional.of(Duration.ZERO);
        return new ClockSet(before, fake.clockAhead, fake.clockFromServer);
    }

    @Override
    public Optional<Map<String, Kept>> kept(RecorderAccess access) {
        refuseWhenAway(at(access));
        return at(access).kept;
    }

    @Override
    public Optional<History> history(RecorderAccess access, String channel, Instant from, Instant until) {
        refuseWhenAway(at(access));
        at(access).beforeHistory.run();
        return at(access).history;
    }

    @Override
    public Optional<Recall> recall(RecorderAccess access, List<Stretch> stretches) {
        refuseWhenAway(at(access));
        return at(access).recall.apply(stretches);
    }

    @Override
    public Optional<URI> stream(RecorderAccess access, String channel) {
        return Optional.empty();
    }

    @Override
    public Optional<Playing> playLive(RecorderAccess access, String channel) {
        return Optional.empty();
    }

    @Override
    public Optional<Playing> playRecorded(
            RecorderAccess access, String channel, Instant from, Instant until, boolean keyPictures) {
        return Optional.empty();
    }

    @Override
    public Optional<URI> replay(RecorderAccess access, String channel) {
        return Optional.empty();
    }

    @Override
    public byte[] still(RecorderAccess access, String channel) {
        var fake = at(access);
        fake.beforeRead.run();
        refuseWhenAway(fake);
        return fake.still.get();
    }

    @Override
    public List<String> disagreements(RecorderAccess access) {
        var fake = at(access);
        fake.rangesAsked.incrementAndGet();
        return fake.otherRanges;
    }

    @Override
    public void changePassword(RecorderAccess access, String fresh) {
        var fake = at(access);
        refuseWhenAway(fake);
        refuseWrong(fake, access);
        fake.onPassword.accept(fresh);
    }

    @Override
    public void tryPassword(RecorderAccess access) {
        var fake = at(access);
        refuseWhenAway(fake);
        refuseWrong(fake, access);
    }

    private static void refuseWrong(Fake fake, RecorderAccess access) {
        fake.password.filter(p -> !p.equals(access.password())).ifPresent(p -> {
            fake.wrongTries.incrementAndGet();
            throw new LinkException(Reason.NOT_AUTHORIZED, fake.name + " does not take the password");
        });
    }

    @Override
    public Optional<Subscription> subscribe(RecorderAccess access) {
        var fake = at(access);
        refuseWhenAway(fake);
        refuseWrong(fake, access);
        if (!fake.tells) {
            return Optional.empty();
        }
        fake.told = Optional.of(List.of());
        return Optional.of(
                new Subscription("subscription " + fake.subscribed.incrementAndGet(), true, fake.toldChannels));
    }

    @Override
    public Optional<Told> pull(RecorderAccess access, Subscription subscription) {
        var fake = at(access);
        refuseWhenAway(fake);
        refuseWrong(fake, access);
        var told = fake.told;
        fake.told = told.map(t -> List.of());
        List<Turned> turned = new ArrayList<>();
        fake.turned.drainTo(turned);
        return told.map(changes -> new Told(changes, turned, true, Duration.ofMinutes(10), Duration.ZERO));
    }

    @Override
    public void unsubscribe(RecorderAccess access, Subscription subscription) {
        at(access).givenBack.incrementAndGet();
    }
}
