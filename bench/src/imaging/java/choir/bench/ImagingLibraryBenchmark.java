package choir.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.bytedeco.opencv.global.opencv_core;
import org.bytedeco.opencv.global.opencv_imgproc;
import org.bytedeco.opencv.opencv_core.Mat;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The same count by the usual native imaging library: difference, threshold, count; on one thread. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ImagingLibraryBenchmark {
    private static final int WIDTH = 1_920;
    private static final int HEIGHT = 1_080;
    private static final int STEP = 11;

    private final Mat one = random(1);
    private final Mat other = random(2);
    private final Mat difference = new Mat();
    private final Mat counting = new Mat();

    public ImagingLibraryBenchmark() {
        opencv_core.setNumThreads(1);
    }

    private static Mat random(long seed) {
        byte[] luminance = new byte[WIDTH * HEIGHT];
        new Random(seed).nextBytes(luminance);
        var mat = new Mat(HEIGHT, WIDTH, opencv_core.CV_8UC1);
        mat.data().put(luminance);
        return mat;
    }

    @Benchmark
    public int differenceThresholdCount() {
        opencv_core.absdiff(one, other, difference);
        opencv_imgproc.threshold(difference, counting, STEP - 1, 255, opencv_imgproc.THRESH_BINARY);
        return opencv_core.countNonZero(counting);
    }
}
