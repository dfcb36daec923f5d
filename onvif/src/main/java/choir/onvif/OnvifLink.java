package choir.onvif;

import choir.document.CalendarException;
import choir.document.WeekCalendar;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeValue;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.SelfDescription;
import choir.link.SelfDescription.Range;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.SensitivityScale;
import choir.week.Week;
import java.net.URI;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** Recorders by the open device standard. */
public final class OnvifLink implements RecorderLink, AutoCloseable {
    /** Most recorders of a fleet hold the same few schedules; each text is understood once. */
    private static final Map<String, Optional<Week<Boolean>>> SCHEDULES = new ConcurrentHashMap<>();

    private static final int MOST_SCHEDULES = 10_000;

    private final SoapTransport transport;
    private final Set<URI> challenging = ConcurrentHashMap.newKeySet();

    /** @param deadline for each call */
    public OnvifLink(Duration deadline) {
        this.transport = new SoapTransport(deadline);
    }

    @Override
    public RecorderReading read(RecorderAccess access) {
        return in(access, session -> {
            var snapshot = Snapshot.take(session, hasSpecialDays(access));
            var channels = snapshot.profileByChannel().keySet().stream()
                    .map(c -> new ChannelReader(snapshot, c, OnvifLink::schedule).read(access.family()))
                    .toList();
            return new RecorderReading(
                    device(snapshot.device()), session.clockAhead(), session.posixZone(), channels, session.calls());
        });
    }

    private static RecorderReading.Device device(Element answer) {
        return new RecorderReading.Device(
                answer.textAt("Manufacturer").orElse(""),
                answer.textAt("Model").orElse(""),
                answer.textAt("FirmwareVersion").orElse(""),
                answer.textAt("SerialNumber").orElse(""));
    }

    @Override
    public Map<String, LinkException> write(
            RecorderAccess access, Map<String, Map<SettingKey, NativeValue>> byChannel) {
        Map<String, LinkException> failed = new LinkedHashMap<>();
        try {
            in(access, session -> {
                var snapshot = Snapshot.take(session, hasSpecialDays(access));
                byChannel.forEach((channel, values) -> {
                    try {
                        new ChannelWriter(session, snapshot, family(access), channel).write(values);
                    } catch (LinkException e) {
                        failed.put(channel, e);
                        if (e.endsConversation()) {
                            throw e;
                        }
                    }
                });
                return Boolean.TRUE;
            });
        } catch (LinkException e) {
            // A channel that was written before the end shows it when it is read back.
            byChannel.keySet().forEach(channel -> failed.putIfAbsent(channel, e));
        }
        return failed;
    }

    private static Family family(RecorderAccess access) {
        return access.family()
                .orElseThrow(() -> new LinkException(
                        Reason.NOT_SUPPORTED, access.address().getAuthority() + " is of no known family"));
    }

    @Override
    public List<String> disagreements(RecorderAccess access) {
        return in(access, session -> {
            var snapshot = Snapshot.take(session, false);
            return SelfDescriptions.ranges(session, snapshot).stream()
                    .flatMap(range -> disagreement(family(access), range).stream())
                    .distinct()
                    .toList();
        });
    }

    @Override
    public SelfDescription describe(RecorderAccess access) {
        return in(access, session -> {
            var snapshot = Snapshot.take(session, false);
            return SelfDescriptions.of(session, snapshot, device(snapshot.device()));
        });
    }

    @Override
    public byte[] still(RecorderAccess access, String channel) {
        return in(access, session -> session.still(channel));
    }

    private static boolean hasSpecialDays(RecorderAccess access) {
        return access.family()
                .filter(f -> f.ability(Catalogue.SPECIAL_DAYS).isPresent())
                .isPresent();
    }

    private static Optional<String> disagreement(Family family, Range said) {
        var text = said.min() + " to " + said.max();
        return family.abilities().entrySet().stream()
                .filter(e -> e.getValue().place().item().equals(said.name())
                        && e.getValue().place().type().equals(said.type()))
                .filter(e -> !range(e.getValue()).equals(text))
                .findFirst()
                .map(e -> e.getKey() + ": the recorder says " + text + ", the family file " + range(e.getValue()));
    }

    private static String range(Ability ability) {
        return switch (ability) {
            case Ability.Sense(var p, SensitivityScale.Numbers n, var a, var e, var f) -> n.min() + " to " + n.max();
            case Ability.Sense(var p, SensitivityScale.Words w, var a, var e, var f) -> String.join(", ", w.words());
            case Ability.Cells c -> c.scale().min() + " to " + c.scale().max();
            case Ability.Numbers n -> n.min() + " to " + n.max();
            case Ability.Switch s -> "on or off";
            case Ability.Pixels p -> p.scale().min() + " to " + p.scale().max();
            case Ability.Percent p -> p.scale().min() + " to " + p.scale().max();
            case Ability.Steps s -> "1 to " + s.percents().size();
            case Ability.Zones z -> z.most() + " areas";
            case Ability.Levels l -> "values by time";
            case Ability.SpecialDays d -> "special days";
            case Ability.Mask m -> m.grid().toString();
            case Ability.Lanes l -> "lanes";
            case Ability.Choice c -> String.join(", ", c.choices().values());
            case Ability.Text t -> "a text";
        };
    }

    private <T> T in(RecorderAccess access, Function<OnvifSession, T> work) {
        var session = new OnvifSession(transport, access, challenging.contains(access.address()));
        try {
            return work.apply(session.open());
        } finally {
            if (session.wasChallenged()) {
                challenging.add(access.address());
            }
        }
    }

    static Optional<Week<Boolean>> schedule(String text) {
        if (SCHEDULES.size() > MOST_SCHEDULES) {
            SCHEDULES.clear();
        }
        return SCHEDULES.computeIfAbsent(text, t -> {
            try {
                return Optional.of(WeekCalendar.read(t, summary -> Boolean.TRUE));
            } catch (CalendarException e) {
                return Optional.empty();
            }
        });
    }

    @Override
    public void close() {
        transport.close();
    }
}
