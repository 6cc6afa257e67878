package chalktrace.benchmarks;

import chalktrace.media.Progress;
import chalktrace.media.footage.FootageReader;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.ProxyMaker;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.AuxCounters;
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
 * Proxies of a clip of 30 s in groups of 250 pictures: a jump to a random picture (wanted: p95 within 16 ms), the making
 * (within the 30 s that the clip plays), and 5,000 jumps in clip and proxy (wanted: no growth of memory).
 */
@State(Scope.Benchmark)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1200m", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
public class ProxyBenchmark {

    @Param({"1920x1080", "3840x2160"})
    public String size;

    private Path clip;
    private Path folder;
    private Reference source;
    private Proxy proxy;
    private final SplittableRandom random = new SplittableRandom(5);

    /** What the process holds, in MB. */
    @AuxCounters(AuxCounters.Type.EVENTS)
    @State(Scope.Thread)
    public static class Memory {
        public long startMegabytes;
        public long endMegabytes;
    }

    @Setup(Level.Trial)
    public void make() throws Exception {
        clip = CommandLineFfmpeg.longGroups(size);
        folder = Files.createTempDirectory("benchmark");
        source = References.open(clip);
        proxy = Proxy.open(folder.resolve("whole.proxy"), source);
        ProxyMaker.make(source, proxy, Progress.NONE);
    }

    @TearDown(Level.Trial)
    public void close() throws IOException {
        proxy.close();
        source.close();
        Files.delete(folder.resolve("whole.proxy"));
    }

    @Benchmark
    @BenchmarkMode(Mode.SampleTime)
    @Warmup(iterations = 2, time = 2)
    @Measurement(iterations = 3, time = 4)
    public Object jump() throws Exception {
        return proxy.picture(random.nextInt(proxy.times().count()));
    }

    @Benchmark
    @BenchmarkMode(Mode.SingleShotTime)
    @Warmup(iterations = 1)
    @Measurement(iterations = 2)
    public void making() throws Exception {
        Path file = folder.resolve("again.proxy");
        try (Reference own = References.open(clip);
                Proxy made = Proxy.open(file, own)) {
            ProxyMaker.make(own, made, Progress.NONE);
        }
        Files.delete(file);
    }

    /** Jumps as the program makes them: the proxy each time, the source wherever the artist rests, which is every 25th. */
    @Benchmark
    @BenchmarkMode(Mode.SingleShotTime)
    @Warmup(iterations = 0)
    @Measurement(iterations = 1)
    public void fiveThousandJumps(Memory memory) throws Exception {
        FrameCache cache = new FrameCache(400L << 20);
        SynchronousQueue<Integer> came = new SynchronousQueue<>();
        int count = source.times().count();
        try (FootageReader reader = new FootageReader(source, cache, new Waited(came))) {
            for (int i = 0; i < 5_000; i++) {
                int n = random.nextInt(count);
                proxy.picture(n);
                if (i % 25 == 0) {
                    reader.want(n);
                    while (reader.atHand(n).isEmpty()) {
                        came.poll(1, TimeUnit.SECONDS);
                    }
                }
                if (i == 1_000) {
                    memory.startMegabytes = residentMegabytes();
                }
            }
            memory.endMegabytes = residentMegabytes();
        }
    }

    /** Wakes who waits for a picture, if anybody does. */
    record Waited(SynchronousQueue<Integer> came) implements FootageReader.Listener {
        @Override
        public void arrived(int n) {
            came.offer(n);
        }

        @Override
        public void missing(int n, String why) {
            throw new IllegalStateException(why);
        }
    }

    private static long residentMegabytes() throws IOException {
        return Files.readAllLines(Path.of("/proc/self/status")).stream()
                .filter(line -> line.startsWith("VmRSS"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElse(0);
    }
}
