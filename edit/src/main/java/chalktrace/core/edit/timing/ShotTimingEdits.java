package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.RemovedFrames;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;

/** Edits that make the whole shot longer or shorter somewhere in its middle. Levels that are locked move along. */
public final class ShotTimingEdits {

    /**
     * What moves along with the drawings and marks.
     *
     * @param sound whether words, mouths, cues and sounds do
     * @param footage whether references do
     */
    public record Along(boolean sound, boolean footage) {

        FrameReach reach(Shot shot) {
            return FrameReach.whole(shot, sound, footage);
        }
    }

    private ShotTimingEdits() {}

    /** Inserts frames before a frame. @throws IllegalArgumentException when the count is not above 0, once it is applied */
    public static Edit insertFrames(int frame, int count, Along along) {
        return new Edit(EditWords.TEXTS.count("insert-frames", count), shot -> {
            requireCount(count);
            FrameChange change = new InsertedFrames(frame, count, shot.setup().rate(), along.reach(shot));
            return SpeechEdits.mouthsKept(SpeechEdits.mouthsAdopted(shot)
                    .moved(change)
                    .withSetup(shot.setup().withLength(shot.setup().length() + count)));
        });
    }

    /**
     * Removes frames with what is on them. Words, cues and sounds that start within stay where the cut is.
     *
     * @throws IllegalArgumentException when nothing would be left, once it is applied
     */
    public static Edit removeFrames(FrameRange wanted, Along along) {
        return new Edit(EditWords.TEXTS.count("remove-frames-of-the-shot", wanted.frames()), shot -> {
            FrameRange range = within(shot, wanted);
            int length = shot.setup().length() - range.frames();
            if (length < 1) {
                throw new IllegalArgumentException(EditWords.TEXTS.of("a-shot-keeps-at-least-one"));
            }
            FrameChange change = new RemovedFrames(range, shot.setup().rate(), along.reach(shot));
            Shot out = SpeechEdits.mouthsAdopted(shot).moved(change);
            return SpeechEdits.mouthsKept(out.withLevels(out.levels().stream()
                            .map(level -> level.with(level.exposures().joined()))
                            .toList())
                    .withSetup(shot.setup().withLength(length)));
        });
    }

    static void requireCount(int count) {
        if (count < 1 || count > ShotSetup.LONGEST) {
            throw new IllegalArgumentException(
                    EditWords.TEXTS.of("so-many-frames-can-be-put-in", ShotSetup.LONGEST, count));
        }
    }

    /** The part of a span that lies in the shot. */
    private static FrameRange within(Shot shot, FrameRange span) {
        int end = Math.min(shot.setup().length(), span.end());
        if (span.start() >= end) {
            throw new IllegalArgumentException(EditWords.TEXTS.of("this-span-lies-outside-the-shot"));
        }
        return new FrameRange(span.start(), end);
    }
}
