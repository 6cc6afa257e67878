package chalktrace.benchmarks;

import chalktrace.core.between.InBetween;
import chalktrace.core.check.Checks;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.ExposureSheet;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
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
 * Timing in a shot of 3,000 frames, 40 levels and 10,000 drawings: edits (wanted: 20 ms each), what the sheet says on a screen
 * (300 ms), the checks; and the draft between two drawings of 100 strokes (50 ms).
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx1500m"})
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 2, time = 3)
public class TimingBenchmark {

    private static final int FRAMES = 3000;
    private static final int LEVELS = 40;
    private static final int DRAWINGS = 250;
    private static final FrameRange SPAN = FrameRange.of(240, 480);

    private Shot shot;
    private List<String> all;
    private List<Stroke> first;
    private List<Stroke> second;

    @Setup(Level.Trial)
    public void make() {
        shot = crowded();
        all = shot.levels().stream().map(chalktrace.core.shot.Level::id).toList();
        first = Material.strokes(5, 100);
        AffineTransform turn = AffineTransform.getRotateInstance(0.4, 900, 500);
        second = first.stream()
                .map(stroke -> stroke.withCurve(stroke.curve().transformed(turn)))
                .toList();
    }

    /** 3,000 frames, 40 levels, 10,000 drawings. */
    static Shot crowded() {
        Shot empty = Shot.empty("benchmark", ShotSetup.standard().withLength(FRAMES));
        Stroke line = Stroke.straight("chalk-1", 10, 10, 90, 40, 1);
        List<chalktrace.core.shot.Level> levels = new ArrayList<>();
        for (int l = 0; l < LEVELS; l++) {
            List<Drawing> drawings = new ArrayList<>();
            List<Exposure> runs = new ArrayList<>();
            for (int d = 0; d < DRAWINGS; d++) {
                drawings.add(new Drawing(d + 1, List.of(line)));
                runs.add(Exposure.of(12 * d, 12, d + 1));
            }
            chalktrace.core.shot.Level blank = chalktrace.core.shot.Level.empty("level-" + (l + 1), "level " + (l + 1));
            levels.add(new chalktrace.core.shot.Level(
                    blank.id(), blank.name(), true, false, 1, blank.style(), drawings, new Exposures(runs)));
        }
        return empty.withLevels(levels);
    }

    @Benchmark
    public Object reverseOnAllLevels() {
        return TimingEdits.reverse(all, SPAN).change().apply(shot);
    }

    @Benchmark
    public Object onTwosOnAllLevels() {
        return TimingEdits.onEvery(all, FrameRange.of(0, FRAMES), 2).change().apply(shot);
    }

    @Benchmark
    public Object holdLonger() {
        return DrawingEdits.hold("level-20", 700, 1).change().apply(shot);
    }

    @Benchmark
    public Object insertFramesInShot() {
        return ShotTimingEdits.insertFrames(700, 12, new ShotTimingEdits.Along(true, true))
                .change()
                .apply(shot);
    }

    @Benchmark
    public Object sheetScreen() {
        ExposureSheet sheet = new ExposureSheet(shot);
        List<ExposureSheet.Row> rows = new ArrayList<>();
        for (int frame = 1400; frame < 1440; frame++) {
            rows.add(sheet.row(frame));
        }
        return rows;
    }

    @Benchmark
    public Object checks() {
        return Checks.of(shot);
    }

    @Benchmark
    public Object draftOf100() {
        return InBetween.of(first, second).at(0.5);
    }
}
