package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;

/** How a recorder misbehaves now: any faults together, each without end or for a time. Its own lock is held meanwhile. */
final class SimFaults {
    private final Map<SimFault, Instant> until = new EnumMap<>(SimFault.class);

    synchronized boolean has(SimFault fault) {
        var end = until.get(fault);
        if (end != null && Instant.now().isAfter(end)) {
            until.remove(fault);
            return false;
        }
        return end != null;
    }

    /** These and no others, such as {@code AWAY}, {@code SLOW,CUT_OFF} or {@code NONE}. */
    synchronized void set(String names, Duration time) {
        until.clear();
        add(names, time);
    }

    private void add(String names, Duration time) {
        for (var name : names.split(",")) {
            var fault = SimFault.valueOf(name.strip());
            if (fault != SimFault.NONE) {
                until.put(fault, time.isZero() ? Instant.MAX : Instant.now().plus(time));
            }
        }
    }

    synchronized void add(SimFault fault, Duration time) {
        until.put(fault, Instant.now().plus(time));
    }

    /** Those without an end, as they are kept. */
    synchronized String lasting() {
        var names = until.entrySet().stream()
                .filter(e -> e.getValue().equals(Instant.MAX))
                .map(e -> e.getKey().name())
                .collect(Collectors.joining(","));
        return names.isEmpty() ? SimFault.NONE.name() : names;
    }

    @Override
    public synchronized String toString() {
        var names = until.keySet().stream().toList().stream()
                .filter(this::has)
                .map(Enum::name)
                .collect(Collectors.joining(","));
        return names.isEmpty() ? SimFault.NONE.name() : names;
    }
}
