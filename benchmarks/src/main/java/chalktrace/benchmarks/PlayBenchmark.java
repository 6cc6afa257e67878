package chalktrace.benchmarks;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
 * A frame of play: 1080p footage that is decoded already, and six levels, each painted on a third of the picture, with another
 * drawing on every second frame, in a viewport of 1000x468. At 24 frames a second nothing is dropped within 41.7 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 2, time = 4)
@Measurement(iterations = 4, time = 4)
public class PlayBenchmark {

    private static final int FRAMES = 96;
    private static final int LEVELS = 6;
    private static final int STROKES = 12;

    private Shot shot;
    private Reference reference;
    private FrameCache cache;
    private Tiles tiles;
    private FootagePictures pictures;
    private SceneOptions options;
    private int frame;

    @Setup(Level.Trial)
    public void open() throws Exception {
        Path clip = Material.clip(FRAMES);
        Shot one = Material.shot(clip);
        List<chalktrace.core.shot.Level> levels = new ArrayList<>();
        for (int n = 0; n < LEVELS; n++) {
            levels.add(level(n, one));
        }
        shot = one.withLevels(levels);
        reference = References.open(clip);
        cache = new FrameCache(400L << 20);
        for (int n = 0; n < FRAMES; n++) {
            cache.put(reference, n, reference.picture(n));
        }
        pictures = (footage, f) -> footage.at(f, shot.setup().rate(), reference.times())
                .flatMap(showing -> cache.get(reference, showing.picture()))
                .map(picture -> new FootagePictures.Shown(picture, reference.displaySize(), 0));
        options = new SceneOptions(true, Optional.empty(), Optional.empty(), Optional.empty());
        tiles = new Tiles(1000, 468, Material.FULL_HD);
    }

    /** A level whose drawings are painted on 640x1080 of the 1920x1080 pixels, its edge wavering from drawing to drawing. */
    private static chalktrace.core.shot.Level level(int n, Shot shot) {
        List<Drawing> drawings = new ArrayList<>();
        List<Exposure> runs = new ArrayList<>();
        double left = n * (1920 - 640) / (LEVELS - 1.0);
        for (int i = 0; i < FRAMES / 2; i++) {
            double[] ring = new double[160];
            for (int k = 0; k < 80; k++) {
                double angle = 2 * Math.PI * k / 80;
                double waver = 1 - 0.04 * Math.abs(Math.sin(5 * angle + i));
                ring[2 * k] = left + 320 + 361 * waver * Math.cos(angle);
                ring[2 * k + 1] = 540 + 609 * waver * Math.sin(angle);
            }
            Fill paint = new Fill(shot.chalks().get(n % 6).id(), Contours.of(List.of(ring)));
            drawings.add(new Drawing(i + 1, Material.strokes(100 * n + i, STROKES), List.of(paint)));
            runs.add(Exposure.of(2 * i, 2, i + 1));
        }
        return new chalktrace.core.shot.Level(
                "play-" + n, "level " + n, true, false, 0.9, LevelStyle.ROUGH, drawings, new Exposures(runs));
    }

    @Benchmark
    public void play() throws Exception {
        frame = (frame + 1) % FRAMES;
        tiles.compose(Scenes.of(shot, frame, options, pictures));
    }

    @TearDown(Level.Trial)
    public void close() {
        reference.close();
        tiles.close();
    }
}
