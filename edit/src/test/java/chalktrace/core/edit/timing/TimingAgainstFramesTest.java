package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;

/** Random rows of timing edits beside the same done, frame by frame, to a plain list of what each frame shows. */
class TimingAgainstFramesTest {

    private static final List<String> LEVEL = List.of(Shots.LEVEL);
    private static final int FRAMES = 120;
    private static final int FREE = -1;
    private static final int EDITS = 25;

    private final List<Integer> frames = new ArrayList<>();
    private final List<String> done = new ArrayList<>();
    private Shot shot;

    @RepeatedTest(400)
    void whatIsShownIsWhatAPersonWouldPushAboutOnPaper() {
        long seed = System.nanoTime();
        Random random = new Random(seed);
        start(random);
        for (int i = 0; i < EDITS; i++) {
            edit(random);
            shot = joined(shot);
            assertThat(shown()).as("seed " + seed + ": " + done).isEqualTo(frames.subList(0, FRAMES));
        }
    }

    private void start(Random random) {
        List<Exposure> runs = new ArrayList<>();
        int at = 0;
        while (at < 40) {
            at += random.nextInt(3) == 0 ? random.nextInt(4) : 0;
            int length = 1 + random.nextInt(6);
            runs.add(Exposure.of(at, length, random.nextInt(5)));
            at += length;
        }
        shot = joined(Shots.showing(runs.toArray(Exposure[]::new)));
        frames.addAll(shown());
        frames.addAll(Collections.nCopies(20 * FRAMES, FREE));
    }

    private static Shot joined(Shot shot) {
        return shot.withLevel(Shots.LEVEL, level -> level.with(level.exposures().joined()));
    }

    private List<Integer> shown() {
        return IntStream.range(0, FRAMES)
                .map(frame -> Shots.level(shot)
                        .exposures()
                        .at(frame)
                        .map(Exposure::drawing)
                        .orElse(FREE))
                .boxed()
                .toList();
    }

    private void apply(String name, Edit edit) {
        done.add(name);
        shot = edit.change().apply(shot);
    }

    private void edit(Random random) {
        int frame = random.nextInt(50);
        FrameRange span = FrameRange.of(frame, 1 + random.nextInt(12));
        int count = 1 + random.nextInt(4);
        switch (random.nextInt(12)) {
            case 0 -> {
                apply("insert " + count + " at " + frame, TimingEdits.insertFrames(LEVEL, frame, count));
                boolean inside = frame > 0 && frames.get(frame).equals(frames.get(frame - 1));
                frames.addAll(frame, Collections.nCopies(count, inside ? frames.get(frame) : FREE));
            }
            case 1 -> {
                apply("remove " + span, TimingEdits.removeFrames(LEVEL, span));
                frames.subList(span.start(), span.end()).clear();
            }
            case 2 -> {
                apply("reverse " + span, TimingEdits.reverse(LEVEL, span));
                Collections.reverse(frames.subList(span.start(), span.end()));
            }
            case 3 -> {
                apply("repeat " + span + " x" + count, TimingEdits.repeat(LEVEL, span, count));
                List<Integer> row = List.copyOf(frames.subList(span.start(), span.end()));
                for (int i = 1; i < count; i++) {
                    frames.addAll(span.end(), row);
                }
            }
            case 4 -> {
                apply("on every " + count + " in " + span, TimingEdits.onEvery(LEVEL, span, count));
                for (int at = span.start(); at < span.end(); at++) {
                    frames.set(at, frames.get(at - (at - span.start()) % count));
                }
            }
            case 5 -> {
                apply("each for " + count + " in " + span, TimingEdits.each(LEVEL, span, count));
                List<Integer> row = new ArrayList<>();
                for (int at = span.start(); at < span.end(); at++) {
                    if (at == span.start() || !frames.get(at).equals(frames.get(at - 1))) {
                        row.addAll(Collections.nCopies(count, frames.get(at)));
                    }
                }
                replace(span, row);
            }
            case 6 -> {
                apply("to and fro " + span, TimingEdits.toAndFro(LEVEL, span));
                List<List<Integer>> pieces = pieces(span);
                List<Integer> row = new ArrayList<>(frames.subList(span.start(), span.end()));
                for (int i = pieces.size() - 2; i > 0; i--) {
                    row.addAll(pieces.get(i));
                }
                replace(span, row);
            }
            case 7 -> {
                int to = random.nextInt(60);
                apply("copy " + span + " to " + to, TimingEdits.copyTied(LEVEL, span, to));
                List<Integer> row = List.copyOf(frames.subList(span.start(), span.end()));
                lay(to, row);
            }
            case 8 -> {
                int by = random.nextBoolean() ? count : -count;
                apply("hold " + frame + " by " + by, DrawingEdits.hold(Shots.LEVEL, frame, by));
                if (frames.get(frame) != FREE) {
                    FrameRange run = run(frame);
                    int length = Math.max(1, run.frames() + by);
                    replace(run, Collections.nCopies(length, frames.get(frame)));
                }
            }
            case 9 -> {
                apply("clear " + frame, DrawingEdits.clearShowing(Shots.LEVEL, frame));
                if (frames.get(frame) != FREE) {
                    FrameRange run = run(frame);
                    lay(run.start(), Collections.nCopies(run.frames(), FREE));
                }
            }
            case 10 -> {
                apply("blank " + span, DrawingEdits.blank(Shots.LEVEL, span));
                lay(span.start(), Collections.nCopies(span.frames(), Exposure.BLANK));
            }
            default -> shift(span, random.nextInt(9) - 4);
        }
    }

    private void shift(FrameRange span, int wanted) {
        apply("shift " + span + " by " + wanted, TimingEdits.shift(LEVEL, span, wanted));
        List<FrameRange> moving = new ArrayList<>();
        for (int at = span.start(); at < span.end(); at++) {
            if (frames.get(at) != FREE && run(at).start() == at) {
                moving.add(run(at));
            }
        }
        if (moving.isEmpty()) {
            return;
        }
        int by = Math.max(wanted, -moving.get(0).start());
        List<List<Integer>> rows = moving.stream()
                .map(run -> List.copyOf(frames.subList(run.start(), run.end())))
                .toList();
        moving.forEach(run -> lay(run.start(), Collections.nCopies(run.frames(), FREE)));
        for (int i = 0; i < rows.size(); i++) {
            lay(moving.get(i).start() + by, rows.get(i));
        }
    }

    /** The frames around one that show the same as it. */
    private FrameRange run(int frame) {
        int start = frame;
        while (start > 0 && frames.get(start - 1).equals(frames.get(frame))) {
            start--;
        }
        int end = frame + 1;
        while (frames.get(end).equals(frames.get(frame))) {
            end++;
        }
        return new FrameRange(start, end);
    }

    private List<List<Integer>> pieces(FrameRange span) {
        List<List<Integer>> out = new ArrayList<>();
        for (int at = span.start(); at < span.end(); at++) {
            if (at == span.start() || !frames.get(at).equals(frames.get(at - 1))) {
                out.add(new ArrayList<>());
            }
            out.get(out.size() - 1).add(frames.get(at));
        }
        return out;
    }

    private void replace(FrameRange span, List<Integer> row) {
        List<Integer> kept = List.copyOf(row);
        frames.subList(span.start(), span.end()).clear();
        frames.addAll(span.start(), kept);
    }

    private void lay(int at, List<Integer> row) {
        List<Integer> kept = List.copyOf(row);
        for (int i = 0; i < kept.size(); i++) {
            frames.set(at + i, kept.get(i));
        }
    }
}
