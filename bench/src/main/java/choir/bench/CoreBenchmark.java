package choir.bench;

import choir.drift.Drift;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** Resolution with origins, and comparison with what was read, of a whole fleet on one core. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CoreBenchmark {
    @Param({"1000", "10000", "100000"})
    int cameras;

    private LargeFleet fleet = new LargeFleet();
    private List<LargeFleet.Compared> compared = List.of();
    private GeneralLayers peer = new GeneralLayers(fleet);

    @Setup
    public void build() {
        fleet = LargeFleet.of(cameras);
        compared = fleet.compared();
        peer = new GeneralLayers(fleet);
    }

    @Benchmark
    public void resolve(Blackhole hole) {
        var book = fleet.book();
        for (var placed : fleet.cameras) {
            hole.consume(book.of(placed.camera(), placed.group()));
        }
    }

    /**
     * The scalar part alone by a general library for layered configuration, beside the above: each group's chain made
     * once, each camera's own words laid over it, every value asked for with its origin.
     */
    @Benchmark
    public void resolveScalarsByAGeneralLibrary(Blackhole hole) {
        peer.resolve(fleet.cameras, hole::consume);
    }

    /** Every camera compared by itself; the service shares what is equal on top of this. */
    @Benchmark
    public void compare(Blackhole hole) {
        for (var one : compared) {
            hole.consume(
                    Drift.compare(one.desired(), one.family(), Optional.of(one.observed()), one.baseline(), Map.of()));
        }
    }
}
