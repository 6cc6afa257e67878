package chalktrace.benchmarks;

import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Shot;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A step of one frame within the 48 pictures on either side that the reader keeps decoded: from the frame's number to all
 * tiles composed, with a drawing and its onion skin over 1080p footage. Wanted: p95 within 16 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 4, time = 4)
public class StepBenchmark {

    private static final int FRAMES = 97;

    @Param({"1000x468", "1920x1080"})
    public String viewport;

    private Shot shot;
    private Reference reference;
    private FrameCache cache;
    private Tiles tiles;
    private FootagePictures pictures;
    private SceneOptions options;
    private int frame;
    private int direction = 1;

    @Setup(Level.Trial)
    public void open() throws Exception {
        Path clip = Material.clip(FRAMES);
        shot = Material.shot(clip);
        reference = References.open(clip);
        cache = new FrameCache(400L << 20);
        for (int n = 0; n < FRAMES; n++) {
            cache.put(reference, n, reference.picture(n));
        }
        pictures = (footage, f) -> footage.at(f, shot.setup().rate(), reference.times())
                .flatMap(showing -> cache.get(reference, showing.picture()))
                .map(picture -> new FootagePictures.Shown(picture, reference.displaySize(), 0));
        options = new SceneOptions(
                true, Optional.of(OnionSkin.usual(Material.LEVEL)), Optional.empty(), Optional.empty());
        String[] sides = viewport.split("x");
        tiles = new Tiles(Integer.parseInt(sides[0]), Integer.parseInt(sides[1]), Material.FULL_HD);
    }

    /** A step whose frame nobody has made ready. */
    @Benchmark
    public void step() throws Exception {
        frame = next();
        tiles.compose(scene(frame));
    }

    /** One after a rest, in which the board makes the frames beside ready. */
    @Benchmark
    public void stepAfterRest(Rest rest) throws Exception {
        frame = next();
        tiles.compose(scene(frame));
    }

    /** Before each step. */
    @State(Scope.Benchmark)
    public static class Rest {

        @Setup(Level.Invocation)
        public void makeReady(StepBenchmark of) {
            of.tiles.makeReady(of.scene(of.next()));
        }
    }

    private int next() {
        if (frame + direction < 0 || frame + direction >= FRAMES) {
            direction = -direction;
        }
        return frame + direction;
    }

    private Scene scene(int of) {
        return Scenes.of(shot, of, options, pictures);
    }

    @TearDown(Level.Trial)
    public void close() {
        reference.close();
        tiles.close();
    }
}
