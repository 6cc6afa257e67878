package chalktrace.benchmarks;

import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.codec.MovieFormat;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Exporters;
import chalktrace.media.export.ShotSources;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
import org.openjdk.jmh.annotations.Warmup;

/**
 * The export of 48 frames of 1080p with footage and drawings, and the encoder alone on the same frames. Wanted: the
 * export takes at most twice as long.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx3g", "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0"})
@Warmup(iterations = 2, time = 5)
@Measurement(iterations = 3, time = 5)
public class ExportBenchmark {

    private static final int FRAMES = 48;

    private static final Map<String, MovieFormat> FORMATS = Map.of(
            "movie", MovieFormat.MP4,
            "prores", MovieFormat.PRORES,
            "webm", MovieFormat.WEBM,
            "lossless", MovieFormat.LOSSLESS);

    @Param({"movie", "prores", "webm", "lossless"})
    public String kind;

    private final List<int[]> composed = new ArrayList<>();
    private Shot shot;
    private Path target;

    @Setup(Level.Trial)
    public void compose() throws Exception {
        shot = Material.shot(Material.clip(FRAMES));
        target = Files.createTempDirectory("benchmark").resolve("out.mp4");
        FrameComposer composer = new FrameComposer(new RasterCache(64L << 20), Rgb.WHITE);
        try (ShotSources sources = ShotSources.open(shot, true)) {
            for (int f = 0; f < FRAMES; f++) {
                composed.add(composer.composeWhole(Scenes.of(shot, f, SceneOptions.export(true), sources)));
            }
        }
    }

    @Benchmark
    public void wholeExport() throws Exception {
        Exporters.byId(kind).orElseThrow().write(shot, target, Choices.USUAL.with(Chosen.FOOTAGE, true), Progress.NONE);
    }

    @Benchmark
    public void encoderAlone() throws Exception {
        try (MovieEncoder encoder = new MovieEncoder(
                target,
                FORMATS.get(kind),
                Material.FULL_HD,
                FrameRate.FILM,
                false,
                FORMATS.get(kind).bits())) {
            for (int[] frame : composed) {
                encoder.add(frame, null);
            }
            encoder.finish();
        }
    }
}
