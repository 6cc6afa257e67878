package chalktrace.benchmarks;

import chalktrace.core.motion.Flow;
import chalktrace.core.motion.Luma;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Pyramid;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.testing.Movements;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.time.FrameRate;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.footage.VideoClip;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
 * Following ten points through 1080p, decoding included (wanted: 24 pictures a second), beside decoding the same pictures alone; the dense flow of 960x540 (wanted:
 * 15 pictures a second), likewise; and the proposals from twenty points over 3,000 frames.
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
    private VideoClip quarter;
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
        clip = VideoClip.open(movie(Material.FULL_HD));
        quarter = VideoClip.open(movie(new PictureSize(960, 540)));
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

    /** A clip of known movement, enlarged. */
    private static Path movie(PictureSize size) throws IOException {
        MovingClip small = new MovingClip(3, FRAMES, 5, false, -1);
        Path file = Files.createTempFile("track", ".mp4");
        file.toFile().deleteOnExit();
        try (MovieEncoder encoder = new MovieEncoder(file, size, FrameRate.of(24), false)) {
            for (int n = 0; n < FRAMES; n++) {
                encoder.add(enlarged(small.picture(n), size), null);
            }
            encoder.finish();
        }
        return file;
    }

    private static int[] enlarged(Luma luma, PictureSize size) {
        BufferedImage small = new BufferedImage(luma.width(), luma.height(), BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < luma.values().length; i++) {
            small.setRGB(i % luma.width(), i / luma.width(), 0x010101 * (luma.values()[i] & 0xFF));
        }
        int width = size.width();
        int height = size.height();
        BufferedImage large = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = large.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(small, 0, 0, width, height, null);
        graphics.dispose();
        return large.getRGB(0, 0, width, height, null, 0, width);
    }

    @TearDown
    public void close() {
        clip.close();
        quarter.close();
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
    public double flow(Rate rate) throws PictureUnavailableException {
        long start = System.nanoTime();
        for (int n = 0; n < FRAMES; n++) {
            quarter.picture(n);
        }
        long decoded = System.nanoTime();
        double sum = 0;
        Pyramid before = null;
        for (int n = 0; n < FRAMES; n++) {
            Pyramid now = new Pyramid(Luma.of(quarter.picture(n)));
            sum += before == null ? 0 : Flow.between(before, now).right(480, 270);
            before = now;
        }
        long flown = System.nanoTime();
        rate.picturesASecond = Math.round(FRAMES * 1e9 / (flown - decoded));
        rate.hundredthsOfDecode = Math.round(100.0 * (flown - decoded) / (decoded - start));
        return sum;
    }

    @Benchmark
    public Study proposals() {
        return Study.of(long20, StudySettings.usual(1080));
    }
}
