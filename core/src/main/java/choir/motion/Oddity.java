package choir.motion;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something about footage that a trial on it cannot see past.
 *
 * @param until exclusive; the same as from where it is a moment
 */
public record Oddity(Kind kind, Instant from, Instant until) {
    public enum Kind {
        /** The pictures are black. */
        BLACK,
        /** Nothing at all changes in any picture. */
        STILL,
        /** The whole picture becomes another one and stays so. */
        MOVED,
        /** No picture came for a time. */
        GAP
    }

    /** Takes pictures in order, and remembers two of them at most. */
    static final class Watch {
        private static final Duration SHORT = Duration.ofSeconds(10);
        private static final Duration MISSING = Duration.ofSeconds(4);
        private static final double BLACK = 10;
        private static final int MOST = 20;
        /** Of the pixels; more are another picture, and no vehicle that fills it. */
        private static final double ANOTHER = 0.5;

        private static final int CLEARLY = 11;
        private static final int STAYS = 10;

        private final List<Oddity> found = new ArrayList<>();
        private @Nullable Instant first;
        private @Nullable Instant last;
        private @Nullable Instant blackSince;
        private boolean still = true;
        private byte[] before = new byte[0];
        private byte[] calm = new byte[0];
        private @Nullable Instant moved;
        private int since;

        void take(Instant at, byte[] luminance, byte[] delta) {
            if (first == null) {
                first = at;
            } else if (last != null && Duration.between(last, at).compareTo(MISSING) >= 0) {
                add(new Oddity(Kind.GAP, last, at));
            }
            black(at, luminance);
            moved(at, luminance);
            for (byte d : delta) {
                still &= d == 0 || d == 1;
            }
            last = at;
            before = luminance.clone();
        }

        private void black(Instant at, byte[] luminance) {
            long sum = 0;
            for (byte pixel : luminance) {
                sum += pixel & 0xFF;
            }
            if (sum < BLACK * luminance.length) {
                blackSince = blackSince == null ? at : blackSince;
            } else {
                blackEnds(at);
            }
        }

        private void blackEnds(Instant at) {
            if (blackSince != null && Duration.between(blackSince, at).compareTo(SHORT) >= 0) {
                add(new Oddity(Kind.BLACK, blackSince, at));
            }
            blackSince = null;
        }

        /** A picture that is another than the one before it, and is no more like that one a while later. */
        private void moved(Instant at, byte[] luminance) {
            if (moved != null) {
                if (++since == STAYS) {
                    if (isAnother(calm, luminance)) {
                        add(new Oddity(Kind.MOVED, moved, moved));
                    }
                    moved = null;
                }
            } else if (before.length == luminance.length && isAnother(before, luminance)) {
                moved = at;
                since = 0;
                calm = before;
            }
        }

        private static boolean isAnother(byte[] one, byte[] other) {
            return SideBySide.apart(one, other, CLEARLY) >= ANOTHER * one.length;
        }

        private void add(Oddity oddity) {
            if (found.size() < MOST) {
                found.add(oddity);
            }
        }

        List<Oddity> found() {
            var all = new ArrayList<>(found);
            if (first != null && last != null) {
                if (blackSince != null && Duration.between(blackSince, last).compareTo(SHORT) >= 0) {
                    all.add(new Oddity(Kind.BLACK, blackSince, last));
                } else if (still && Duration.between(first, last).compareTo(SHORT) >= 0) {
                    all.add(new Oddity(Kind.STILL, first, last));
                }
            }
            return all;
        }
    }
}
