package chalktrace.benchmarks;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSampling;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.footage.VideoClip;
import java.io.IOException;
import java.nio.file.Path;
import java.util.SplittableRandom;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
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
 * Reading 1080p H.264 of 14 Mb/s in groups of 250 pictures, beside FFmpeg's own command line on the same clip: the index
 * (wanted: 0.8 of the speed of reading the packets alone), forward decoding with conversion (0.9 of decoding and scaling
 * to BGRA), and a jump to a random picture (1.15 of the time of decoding from its key on, which
 * {@link #fromKeyInOrder} takes for the same pictures).
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class ReadBenchmark {

    private static final int GROUP = 250;
    private static final int JUMPS = 8;

    private Path clip;
    private Path halfHour;
    private VideoClip open;
    private int round;

    @Setup(Level.Trial)
    public void make() throws Exception {
        clip = CommandLineFfmpeg.longGroups("1920x1080");
        halfHour = CommandLineFfmpeg.repeated(clip, 60);
        open = VideoClip.open(clip);
    }

    @Benchmark
    public int indexOfHalfAnHour() throws Exception {
        try (VideoClip made = VideoClip.open(halfHour)) {
            return made.times().count();
        }
    }

    @Benchmark
    public void packetsOfHalfAnHourByFfmpeg() throws IOException {
        CommandLineFfmpeg.demux(halfHour);
    }

    /** As the program plays: one thread decodes, another converts. */
    @Benchmark
    public int forward() throws Exception {
        BlockingQueue<Picture> decoded = new ArrayBlockingQueue<>(8);
        try (VideoClip made = VideoClip.open(clip)) {
            int count = made.times().count();
            Thread decoder = new Thread(() -> {
                try {
                    for (int n = 0; n < count; n++) {
                        decoded.put(made.picture(n));
                    }
                } catch (PictureUnavailableException | InterruptedException e) {
                    throw new IllegalStateException(e);
                }
            });
            decoder.start();
            int last = 0;
            int[] row = new int[1920];
            for (int n = 0; n < count; n++) {
                last ^= convert(decoded.take(), row);
            }
            decoder.join();
            return last;
        }
    }

    @Benchmark
    public void forwardByFfmpeg() throws IOException {
        CommandLineFfmpeg.decode(clip);
    }

    /** Eight jumps, each to another group than the one before. */
    @Benchmark
    public int jumps() throws Exception {
        SplittableRandom random = new SplittableRandom(round++);
        int sum = 0;
        for (int i = 0; i < JUMPS; i++) {
            sum += open.picture(i % 2 * GROUP + random.nextInt(GROUP)).size().width();
        }
        return sum;
    }

    /** The keys before the same pictures and all pictures from there on, in order, without skipping any. */
    @Benchmark
    public int fromKeyInOrder() throws Exception {
        SplittableRandom random = new SplittableRandom(round++);
        int sum = 0;
        for (int i = 0; i < JUMPS; i++) {
            int key = i % 2 * GROUP;
            int aim = key + random.nextInt(GROUP);
            sum += PlainDecode.fromKey(clip, key, aim - key + 1);
        }
        return sum;
    }

    private static int convert(Picture picture, int[] row) {
        PictureSampling plain = new PictureSampling(0, 1, row.length);
        int sum = 0;
        for (int y = 0; y < picture.size().height(); y++) {
            picture.argbRow(plain, y, row.length, row);
            sum ^= row[y & 1023];
        }
        return sum;
    }
}
