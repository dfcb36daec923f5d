package choir.bench;

import choir.motion.Looking;
import choir.motion.Picture;
import choir.motion.Reference;
import choir.motion.Step;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.time.Instant;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Pictures a second of full HD luminance on one core, beside what reading the same two through memory allows. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class MotionBenchmark {
    private static final int WIDTH = 1_920;
    private static final int HEIGHT = 1_080;
    private static final int STEP = 11;
    private static final VarHandle LONGS = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.nativeOrder());

    private final byte[] one = new byte[WIDTH * HEIGHT];
    private final byte[] other = new byte[WIDTH * HEIGHT];
    private final Picture picture = new Picture(WIDTH, HEIGHT, one);
    private final Picture before = new Picture(WIDTH, HEIGHT, other);
    private final Reference reference = new Reference(WIDTH, HEIGHT);
    private final Looking looking = whole();

    public MotionBenchmark() {
        var random = new Random(3);
        random.nextBytes(one);
        random.nextBytes(other);
        reference.deltas(before);
    }

    private static Looking whole() {
        var all = new BitSet();
        all.set(0, WIDTH * HEIGHT);
        return new Looking(WIDTH, HEIGHT, List.of(new Looking.At(new Step.Fixed(STEP), all)));
    }

    /** Both are read once, and nothing is made of them. */
    @Benchmark
    public long memory() {
        long sum = 0;
        for (int i = 0; i < WIDTH * HEIGHT; i += Long.BYTES) {
            sum ^= (long) LONGS.get(one, i) + (long) LONGS.get(other, i);
        }
        return sum;
    }

    /** How many pixels of the two differ by at least the step. */
    @Benchmark
    public int differenceThresholdCount() {
        return picture.apart(before, STEP);
    }

    /** The difference of each pixel from the running reference, which the picture then becomes part of. */
    @Benchmark
    public byte[] reference() {
        return reference.deltas(picture);
    }

    /** The same, and the level at one step. */
    @Benchmark
    public void level() {
        looking.take(Instant.EPOCH, picture);
    }
}
