package choir.server.activity;

import choir.activity.DayActivity;
import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.server.stored.Json;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;

/**
 * The stored form of a day's activity: after a version, four lists of stretches, each with how many there are, then for each
 * the seconds since the end of the one before, its length, and for footage its reason. All numbers are in base 128, the least
 * significant digits first. A hundred events take some 300 bytes.
 */
final class ActivityBody {
    private static final int VERSION = 1;
    private static final int MOST = 200_000;

    private ActivityBody() {}

    static byte[] write(DayActivity activity) {
        var out = new ByteArrayOutputStream();
        out.write(VERSION);
        long begin = activity.day().from();
        write(out, activity.known(), begin);
        number(out, activity.runs().size());
        long at = begin;
        for (var run : activity.runs()) {
            number(out, run.span().from() - at);
            number(out, run.span().seconds());
            out.write(run.why().ordinal() * 2 + (run.guessed() ? 1 : 0));
            at = run.span().until();
        }
        write(out, activity.motionKnown(), begin);
        write(out, activity.motion(), begin);
        return out.toByteArray();
    }

    private static void write(ByteArrayOutputStream out, Spans spans, long begin) {
        number(out, spans.count());
        long at = begin;
        for (var span : spans.list()) {
            number(out, span.from() - at);
            number(out, span.seconds());
            at = span.until();
        }
    }

    private static void number(ByteArrayOutputStream out, long number) {
        long left = number;
        while (left >= 128) {
            out.write((int) (left & 127) | 128);
            left >>= 7;
        }
        out.write((int) left);
    }

    /**
     * @param day of which it is
     * @throws Json.UnreadableException when it is no such form
     */
    static DayActivity read(byte[] stored, Span day) {
        try {
            var in = new Reading(stored);
            if (in.next() != VERSION) {
                throw new Json.UnreadableException("a day's activity in a form of version " + stored[0]);
            }
            var known = in.spans(day.from());
            List<Run> runs = new ArrayList<>();
            long at = day.from();
            for (int left = in.count(); left > 0; left--) {
                long from = at + in.number();
                at = from + in.number();
                int reason = in.next();
                runs.add(new Run(new Span(from, at), Why.values()[reason / 2], reason % 2 == 1));
            }
            return new DayActivity(day, known, runs, in.spans(day.from()), in.spans(day.from()));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Json.UnreadableException("a day's activity is cut off or damaged");
        }
    }

    private static final class Reading {
        private final byte[] stored;
        private int place;

        Reading(byte[] stored) {
            this.stored = stored;
        }

        int next() {
            return stored[place++] & 255;
        }

        long number() {
            long number = 0;
            for (int shift = 0; shift < 63; shift += 7) {
                int digit = next();
                number |= (long) (digit & 127) << shift;
                if (digit < 128) {
                    return number;
                }
            }
            throw new IllegalArgumentException("a number without an end");
        }

        int count() {
            long count = number();
            if (count > MOST) {
                throw new IllegalArgumentException(count + " stretches in a day");
            }
            return (int) count;
        }

        Spans spans(long begin) {
            List<Span> spans = new ArrayList<>();
            long at = begin;
            for (int left = count(); left > 0; left--) {
                long from = at + number();
                at = from + number();
                spans.add(new Span(from, at));
            }
            return Spans.of(spans);
        }
    }
}
