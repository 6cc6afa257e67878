package chalktrace.core.edit;

import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.LinkedList;
import java.util.List;

/** Edits that make the whole shot longer or shorter somewhere in its middle. Levels that are locked move along. */
public final class ShotTimingEdits {

    /**
     * What moves along with the drawings and marks.
     *
     * @param sound whether words, mouths, cues and sounds do
     * @param footage whether references do
     */
    public record Along(boolean sound, boolean footage) {}

    private ShotTimingEdits() {}

    /** Inserts frames before a frame. @throws IllegalArgumentException when the count is not above 0, once it is applied */
    public static Edit insertFrames(int frame, int count, Along along) {
        return new Edit("insert " + count + " frames", shot -> {
            requireCount(count);
            Shot before = SpeechEdits.mouthsAdopted(shot);
            Shot out = before.withSetup(shot.setup().withLength(shot.setup().length() + count))
                    .withLevels(shot.levels().stream()
                            .map(level -> level.with(level.exposures().withFramesAt(frame, count)))
                            .toList())
                    .withMarks(shot.marks().stream()
                            .map(mark -> mark.frame() >= frame ? mark.withFrame(mark.frame() + count) : mark)
                            .toList())
                    .withCycles(cycles(shot, frame, count));
            return SpeechEdits.mouthsKept(moved(tiesMoved(out, frame, count), frame, count, along));
        });
    }

    /**
     * Removes frames with what is on them. Words, cues and sounds that start within stay where the cut is.
     *
     * @throws IllegalArgumentException when nothing would be left, once it is applied
     */
    public static Edit removeFrames(FrameRange wanted, Along along) {
        return new Edit("remove " + wanted.frames() + " frames", shot -> {
            FrameRange range = within(shot, wanted);
            int length = shot.setup().length() - range.frames();
            if (length < 1) {
                throw new IllegalArgumentException("A shot keeps at least one frame: nothing was removed.");
            }
            List<Mark> marks = shot.marks().stream()
                    .filter(mark -> !range.contains(mark.frame()))
                    .map(mark -> mark.frame() >= range.end() ? mark.withFrame(mark.frame() - range.frames()) : mark)
                    .toList();
            Shot before = SpeechEdits.mouthsAdopted(shot);
            Shot out = before.withLevels(shot.levels().stream()
                            .map(level -> level.with(without(level.exposures(), range)))
                            .toList())
                    .withMarks(marks)
                    .withCycles(cycles(shot, range.end(), -range.frames()))
                    .withSetup(shot.setup().withLength(length));
            return SpeechEdits.mouthsKept(
                    moved(tiesMoved(out, range.end(), -range.frames()), range.end(), -range.frames(), along));
        });
    }

    /** What cues are tied to moves with the drawings. */
    private static Shot tiesMoved(Shot shot, int from, int by) {
        return shot.withCues(shot.cues().stream()
                .map(cue -> cue.withTie(cue.tie().map(tie -> tie.withFrame(after(tie.frame(), from, by)))))
                .toList());
    }

    /** Cycles move, or grow and shrink, with their frames; one of which fewer than two frames stay is none any more. */
    private static List<Cycle> cycles(Shot shot, int from, int by) {
        List<Cycle> out = new ArrayList<>();
        for (Cycle cycle : shot.cycles()) {
            int start = after(cycle.frames().start(), from, by);
            int end = after(cycle.frames().end(), from, by);
            if (end - start >= 2) {
                out.add(new Cycle(cycle.level(), new FrameRange(start, end)));
            }
        }
        return out;
    }

    /** Where a frame comes to; one that was taken out comes to where the cut is. */
    private static int after(int frame, int from, int by) {
        return frame >= from ? frame + by : Math.min(frame, from + Math.min(0, by));
    }

    static void requireCount(int count) {
        if (count < 1 || count > ShotSetup.LONGEST) {
            throw new IllegalArgumentException(
                    "1 to " + ShotSetup.LONGEST + " frames can be put in, not " + count + ": nothing was changed.");
        }
    }

    /** The part of a span that lies in the shot. */
    private static FrameRange within(Shot shot, FrameRange span) {
        int end = Math.min(shot.setup().length(), span.end());
        if (span.start() >= end) {
            throw new IllegalArgumentException("This span lies outside the shot: nothing was removed.");
        }
        return new FrameRange(span.start(), end);
    }

    private static Exposures without(Exposures exposures, FrameRange range) {
        return SpanExposures.of(exposures, range).removed().put();
    }

    private static Shot moved(Shot shot, int from, int by, Along along) {
        Shot out = shot;
        if (along.sound()) {
            double start = shot.setup().rate().seconds(from);
            double move = shot.setup().rate().seconds(Math.abs(by)) * Integer.signum(by);
            double least = Math.max(0, start + Math.min(0, move));
            out = out.withWords(out.words().stream()
                            .map(word -> word.startSeconds() < start - 1e-9
                                    ? word
                                    : word.withTimes(
                                            Math.max(least, word.startSeconds() + move),
                                            Math.max(least, word.startSeconds() + move)
                                                    + word.endSeconds()
                                                    - word.startSeconds()))
                            .toList())
                    .withCues(out.cues().stream()
                            .map(cue -> cue.seconds() < start - 1e-9
                                    ? cue
                                    : cue.withSeconds(Math.max(least, cue.seconds() + move)))
                            .toList())
                    .withSounds(out.sounds().stream()
                            .map(clip -> clip.startSeconds() < start - 1e-9
                                    ? clip
                                    : clip.withStart(Math.max(least, clip.startSeconds() + move)))
                            .toList());
            out = out.withSpeech(out.speech()
                    .mappingMouths(mouths -> unoverlapped(mouths.stream()
                            .map(span -> span.range().start() < from
                                    ? span
                                    : new MouthSpan(
                                            FrameRange.of(
                                                    Math.max(0, span.range().start() + by),
                                                    span.range().frames()),
                                            span.shape(),
                                            span.byHand()))
                            .toList())));
        }
        if (along.footage()) {
            out = out.withFootage(out.footage().stream()
                    .map(clip -> clip.conform().startFrame() >= from ? movedBy(clip, by) : clip)
                    .toList());
        }
        return out;
    }

    /** What has come to lie under one after it ends where that starts. */
    private static List<MouthSpan> unoverlapped(List<MouthSpan> spans) {
        LinkedList<MouthSpan> out = new LinkedList<>();
        int end = Integer.MAX_VALUE;
        for (int i = spans.size() - 1; i >= 0; i--) {
            FrameRange range = spans.get(i).range();
            end = Math.min(end, range.end());
            if (end > range.start()) {
                out.addFirst(new MouthSpan(
                        new FrameRange(range.start(), end),
                        spans.get(i).shape(),
                        spans.get(i).byHand()));
                end = range.start();
            }
        }
        return out;
    }

    private static Footage movedBy(Footage clip, int by) {
        return clip.withConform(clip.conform().withStartFrame(clip.conform().startFrame() + by));
    }
}
