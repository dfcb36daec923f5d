package choir.server.forecast;

import choir.server.forecast.CameraOutlook.As;
import choir.storage.Basis;
import choir.storage.Range;
import choir.storage.Room;
import choir.storage.Size;
import choir.storage.Usage;
import choir.storage.Usage.By;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * What is expected of one store of a recorder.
 *
 * @param store how policies call it; empty for a recorder's only one
 * @param now as recorders are set
 * @param then as they would be set
 * @param size empty when nobody knows it
 * @param oldest the oldest footage on it
 */
record StoreOutlook(String recorder, String store, Side now, Side then, Optional<Size> size, Optional<Instant> oldest) {
    /**
     * What cameras put somewhere together.
     *
     * @param unclear cameras of which nobody knows when they record, so that nothing is added for them
     * @param bytesADay by what starts the recording
     * @param wanted the most days for which any of them is to be kept
     * @param allowed the most days for which any of them is kept; empty when one is kept as long as there is room
     * @param bits of how many cameras bits a second are known in which way
     * @param moved of how many cameras motion was counted
     */
    record Side(
            int cameras,
            int unclear,
            Map<By, Range> bytesADay,
            Range secondsADay,
            OptionalInt wanted,
            OptionalInt allowed,
            Map<Basis, Integer> bits,
            int moved) {
        /** Cameras that are in the figures. */
        int counted() {
            return cameras - unclear;
        }

        Range allBytesADay() {
            return Range.sum(bytesADay.values());
        }

        Room room(Optional<Size> size) {
            return new Room(allBytesADay(), unclear == 0, size, wanted);
        }
    }

    /** Adds cameras up. */
    static final class Sum {
        private final Map<By, Range> bytes = new EnumMap<>(By.class);
        private final Map<Basis, Integer> bits = new EnumMap<>(Basis.class);
        private Range seconds = Range.NOTHING;
        private int cameras;
        private int unclear;
        private int moved;
        private int wanted;
        private int allowed;
        private boolean unbounded;

        /** One of which nobody knows what it is set to. */
        void addUnknown() {
            cameras++;
            unclear++;
            unbounded = true;
        }

        void add(CameraOutlook camera, As as) {
            cameras++;
            wanted = Math.max(wanted, as.wanted().orElse(0));
            allowed = Math.max(allowed, as.allowed().orElse(0));
            unbounded |= as.allowed().isEmpty();
            as.usage().ifPresentOrElse(usage -> add(camera, usage), () -> unclear++);
        }

        private void add(CameraOutlook camera, Usage usage) {
            seconds = seconds.plus(usage.secondsADay());
            usage.seconds().keySet().forEach(by -> bytes.merge(by, usage.bytesADay(by), Range::plus));
            bits.merge(usage.rate().basis(), 1, Integer::sum);
            moved += camera.measure().movement().isPresent() ? 1 : 0;
        }

        Side side() {
            return new Side(
                    cameras,
                    unclear,
                    Map.copyOf(bytes),
                    seconds,
                    wanted == 0 ? OptionalInt.empty() : OptionalInt.of(wanted),
                    unbounded || allowed == 0 ? OptionalInt.empty() : OptionalInt.of(allowed),
                    Map.copyOf(bits),
                    moved);
        }
    }

    /**
     * How large a store must be to have kept what it has: the bytes that its cameras recorded since their oldest footage. If
     * none of them was seen to lose its oldest for want of room, there may be more.
     */
    static final class Reckoned {
        private final Instant now;
        private double bytes;
        private boolean unknown;
        private boolean full;
        private @Nullable Instant oldest;

        Reckoned(Instant now) {
            this.now = now;
        }

        void add(CameraOutlook camera, As as) {
            var since = camera.measure().oldest();
            var share = camera.measure().share();
            since.filter(s -> oldest == null || s.isBefore(oldest)).ifPresent(s -> oldest = s);
            if (since.isEmpty() || share.isEmpty() || as.usage().isEmpty()) {
                unknown = true;
                return;
            }
            var age = Duration.between(since.get(), now);
            bytes += Math.max(0, age.toSeconds())
                    * share.getAsDouble()
                    * as.usage().get().rate().bits().likely()
                    / 8;
            boolean old =
                    as.allowed().isPresent() && age.toDays() >= as.allowed().getAsInt() - 1;
            full |= camera.measure().deletes() && !old;
        }

        Optional<Size> size() {
            return unknown || bytes == 0
                    ? Optional.empty()
                    : Optional.of(new Size(Range.exactly(bytes), Basis.MEASURED, !full));
        }

        Optional<Instant> oldest() {
            return Optional.ofNullable(oldest);
        }
    }
}
