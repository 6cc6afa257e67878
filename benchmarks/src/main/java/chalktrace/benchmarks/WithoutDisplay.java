package chalktrace.benchmarks;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Samples of what parts of the window take, painted by the software renderer, without a display. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {
            "-Xmx1500m",
            "-Dglass.platform=Monocle",
            "-Dmonocle.platform=Headless",
            "-Dprism.order=sw",
            "-Dprism.text=t2k"
        })
@Warmup(iterations = 2, time = 4)
@Measurement(iterations = 3, time = 4)
public abstract class WithoutDisplay {}
