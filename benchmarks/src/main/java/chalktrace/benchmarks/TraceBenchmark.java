package chalktrace.benchmarks;

import chalktrace.core.edit.drawing.FillEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.EdgeMap;
import chalktrace.core.stroke.LiveWire;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRate;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Tracing at 1080p: finding and outlining a region that takes most of the picture (wanted: 100 ms), the live wire's answer to
 * a pen that has gone 60 pixels (10 ms), and a move of 300 strokes as a new drawing (16 ms, without showing it).
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m"})
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 2, time = 4)
public class TraceBenchmark {

    private static final FillEdits.Reach REACH = FillEdits.Reach.USUAL;

    private Shot framed;
    private Shot crowded;
    private Pick all;
    private EdgeMap edges;
    private final SplittableRandom random = new SplittableRandom(2);

    @Setup(Level.Trial)
    public void make() {
        ShotSetup setup = new ShotSetup(FrameRate.FILM, Material.FULL_HD, 24, 1, Rgb.WHITE);
        Shot empty = Shot.empty("benchmark", setup);
        List<Stroke> frame = new ArrayList<>(List.of(
                Stroke.straight("chalk-1", 40, 40, 1880, 40, 1),
                Stroke.straight("chalk-1", 1880, 40, 1880, 1040, 1),
                Stroke.straight("chalk-1", 1880, 1040, 40, 1040, 1),
                Stroke.straight("chalk-1", 40, 1040, 40, 40, 1)));
        framed = with(empty, frame);
        crowded = with(empty, Material.strokes(7, 300));
        all = Pick.all(crowded, Material.LEVEL, 0).orElseThrow();
        edges = EdgeMap.of(Material.picture(3), Material.FULL_HD.width(), Material.FULL_HD.height());
    }

    private static Shot with(Shot shot, List<Stroke> strokes) {
        return shot.withLevel(
                Material.LEVEL, level -> level.with(new Drawing(1, strokes)).with(Exposures.of(Exposure.of(0, 2, 1))));
    }

    @Benchmark
    public Object fill() {
        return FillEdits.region(framed, Material.LEVEL, 0, 900, 500, REACH);
    }

    @Benchmark
    public Object wire() {
        double x = random.nextDouble(100, 1800);
        double y = random.nextDouble(100, 980);
        double angle = random.nextDouble(6);
        return LiveWire.between(
                edges,
                new Point2D.Double(x, y),
                new Point2D.Double(x + 60 * Math.cos(angle), y + 60 * Math.sin(angle)));
    }

    @Benchmark
    public Object move() {
        return PickEdits.transform("move", all, AffineTransform.getTranslateInstance(3, 4))
                .change()
                .apply(crowded);
    }
}
