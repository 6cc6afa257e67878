package chalktrace.benchmarks;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.testing.Movements;
import chalktrace.media.footage.VideoClip;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.AuxCounters;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Following ten points through 1080p, decoding included (wanted: 24 pictures a second), beside decoding the same pictures alone; and the proposals from twenty
 * points over 3,000 frames.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 1)
@Measurement(iterations = 4)
public class TrackBenchmark {

    private static final int FRAMES = 72;

    private VideoClip clip;
    private List<MovingPoint> long20;

    /** Pictures a second, and how many times as long as decoding alone, in hundredths. */
    @AuxCounters(AuxCounters.Type.EVENTS)
    @State(Scope.Thread)
    public static class Rate {
        public long picturesASecond;
        public long hundredthsOfDecode;
        public long placesFound;
    }

    @Setup
    public void open() throws Exception {
        clip = VideoClip.open(Material.clip(FRAMES));
        long20 = new ArrayList<>();
        for (int p = 0; p < 20; p++) {
            MovingPoint swing = Movements.swings(p, 1).point();
            double[] x = new double[3000];
            double[] y = new double[3000];
            for (int frame = 0; frame < x.length; frame++) {
                int at = frame % (swing.lastFrame() + 1);
                x[frame] = swing.x(at);
                y[frame] = swing.y(at);
            }
            long20.add(new MovingPoint("point " + p, 0, x, y));
        }
    }

    @TearDown
    public void close() {
        clip.close();
    }

    @Benchmark
    public List<TrackPath> tenPoints(Rate rate) throws PictureUnavailableException {
        long start = System.nanoTime();
        for (int n = 0; n < FRAMES; n++) {
            clip.picture(n);
        }
        long decoded = System.nanoTime();
        List<Tracking.Start> starts = new ArrayList<>();
        for (int p = 0; p < 10; p++) {
            // With a radius of their own they are followed wherever they lie.
            starts.add(new Tracking.Start(0, 200 + 160 * p, 300 + 50 * p, 24));
        }
        List<TrackPath> paths = Tracking.follow(clip, starts, 0, FRAMES, (done, total) -> true);
        long tracked = System.nanoTime();
        rate.picturesASecond = Math.round(FRAMES * 1e9 / (tracked - decoded));
        rate.hundredthsOfDecode = Math.round(100.0 * (tracked - decoded) / (decoded - start));
        rate.placesFound = paths.stream().mapToInt(path -> path.places().size()).sum();
        return paths;
    }

    @Benchmark
    public Study proposals() {
        return Study.of(long20, StudySettings.usual(1080));
    }
}
