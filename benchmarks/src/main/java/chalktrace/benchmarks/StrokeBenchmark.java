package chalktrace.benchmarks;

import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.awt.Rectangle;
import java.awt.geom.Rectangle2D;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
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
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * One event of the pen in the middle of strokes of a second: from the sample to the touched tiles composed, over 1080p
 * footage, a drawing of thirty strokes and its onion skin, seen at full size. Wanted: p95 within 8 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 4, time = 4)
public class StrokeBenchmark {

    private static final double MARGIN = 8;

    private final SplittableRandom random = new SplittableRandom(4);
    private Shot shot;
    private Chalk chalk;
    private Reference reference;
    private Tiles tiles;
    private FootagePictures pictures;
    private List<PenSample> samples;
    private Ink ink;
    private int next;

    @Setup(Level.Trial)
    public void open() throws Exception {
        Path clip = Material.clip(4);
        shot = Material.shot(clip);
        chalk = shot.chalks().get(0);
        reference = References.open(clip);
        FootagePictures.Shown shown = new FootagePictures.Shown(reference.picture(2), reference.displaySize(), 0);
        pictures = (footage, frame) -> Optional.of(shown);
        tiles = new Tiles(1920, 1080, Material.FULL_HD);
        penDown();
    }

    @Benchmark
    public void penEvent() throws Exception {
        if (next == samples.size()) {
            penDown();
        }
        PenSample sample = samples.get(next++);
        ink.add(sample);
        Rectangle2D touched = new Rectangle2D.Double(sample.x(), sample.y(), 0, 0);
        List<PenSample> line = ink.samples();
        for (int i = Math.max(0, line.size() - 6); i < line.size(); i++) {
            touched.add(line.get(i).x(), line.get(i).y());
        }
        Rectangle area = tiles.view().toDevice().createTransformedShape(touched).getBounds();
        area.grow((int) MARGIN, (int) MARGIN);
        SceneOptions options = new SceneOptions(
                true,
                Optional.of(OnionSkin.usual(Material.LEVEL)),
                Optional.of(Material.LEVEL),
                Optional.of(new StrokeLayer(ink.soFar(), chalk, 1)));
        tiles.compose(Scenes.of(shot, 2, options, pictures), area);
    }

    @TearDown(Level.Trial)
    public void close() {
        reference.close();
        tiles.close();
    }

    private void penDown() {
        samples = Material.samples(random);
        ink = new Ink(chalk.id());
        next = 0;
    }
}
