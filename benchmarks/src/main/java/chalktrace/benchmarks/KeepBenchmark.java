package chalktrace.benchmarks;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Stroke;
import chalktrace.media.file.Journal;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.SavedShot;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.UnsavedWork;
import chalktrace.media.file.Versions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
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
 * Unsaved work and saves: a stroke more in a drawing of 5,000 (wanted: p99 10 ms), the first save of 2,000 drawings that were opened (1 s), a version of
 * them, and going on with what a session left of 400 drawings.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx2g"})
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 3, time = 5)
public class KeepBenchmark {

    private static final int MANY_STROKES = 5000;
    private static final int MANY_DRAWINGS = 2000;
    private static final int LEFT_DRAWINGS = 400;

    private Path folder;
    private Journal journal;
    private Shot full;
    private Path many;
    private Leftover left;
    private Shot recovered;
    private int next;

    @Setup(Level.Trial)
    public void make() throws Exception {
        folder = Files.createTempDirectory("keep");
        Shot empty = Shot.empty("benchmark", ShotSetup.standard());
        List<Stroke> strokes = Material.strokes(7, MANY_STROKES);
        full = with(
                empty,
                Drawing.of(
                        1,
                        strokes.stream().<DrawingItem>map(DrawingItem.Line::new).toList()));
        Path file = folder.resolve("full.chalk");
        ShotFile.fresh().save(full, file);
        ShotFile.Opened opened = ShotFile.open(file);
        full = opened.shot();
        journal = Journal.beside(file, new SavedShot(full, opened.file().mark()), folder.resolve("state"));
        many = folder.resolve("many.chalk");
        ShotFile.fresh().save(drawings(empty, MANY_DRAWINGS), many);
        Path before = folder.resolve("before.chalk");
        ShotFile.fresh().save(empty, before);
        try (Journal session = Journal.beside(
                before, new SavedShot(ShotFile.open(before).shot(), Optional.empty()), folder.resolve("state"))) {
            session.keep(drawings(empty, LEFT_DRAWINGS), false);
        }
        left = new UnsavedWork(folder.resolve("state")).of(before).get(0);
        recovered = left.recover().shot();
    }

    private static Shot with(Shot shot, Drawing drawing) {
        String level = shot.levels().get(0).id();
        return shot.withLevel(level, is -> is.with(drawing).with(is.exposures().with(Exposure.of(0, 1, 1))));
    }

    private static Shot drawings(Shot shot, int count) {
        Shot out = shot;
        for (int i = 1; i <= count; i++) {
            Drawing drawing = new Drawing(i, Material.strokes(i, 30));
            out = out.withLevel(shot.levels().get(0).id(), level -> level.with(drawing));
        }
        return out;
    }

    /** One more stroke, on the disk. */
    @Benchmark
    public Shot keepStroke() throws IOException {
        Drawing drawing = full.levels().get(0).drawing(1).orElseThrow();
        full = with(full, drawing.plus(Stroke.straight("chalk-1", next++ % 900, 10, 90, 400, 1)));
        journal.keep(full, false);
        return full;
    }

    /** Opening alone, to be taken off the next. */
    @Benchmark
    public Shot open() throws Exception {
        return ShotFile.open(many).shot();
    }

    /** A stroke more in one of 2,000 drawings that were just opened, saved. */
    @Benchmark
    public Object openAndSave() throws Exception {
        ShotFile.Opened opened = ShotFile.open(many);
        Drawing drawing = opened.shot().levels().get(0).drawing(7).orElseThrow();
        Shot changed = with(opened.shot(), drawing.plus(Stroke.straight("chalk-1", 10, 10, 90, 400, 1)));
        return opened.file().save(changed, folder.resolve("saved.chalk"));
    }

    /** A version of 2,000 drawings of which all are there already. */
    @Benchmark
    public Object version() throws Exception {
        Versions.Before before = new Versions(many).before().orElseThrow();
        before.keep("", new byte[0]);
        return before;
    }

    /** Going on with what was left, and keeping it. */
    @Benchmark
    public Object goOn() throws Exception {
        Journal again = Journal.continuing(left, recovered, folder.resolve("state"));
        again.keep(recovered, false);
        again.discard();
        return again;
    }

    @TearDown(Level.Trial)
    public void remove() throws IOException {
        journal.discard();
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
        }
    }
}
