package chalktrace.core.check;

import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** A word is said by someone whose mouth level shows nothing all the while. */
final class WordWithoutMouth implements Check {

    @Override
    public String id() {
        return "word-without-mouth";
    }

    @Override
    public List<Finding> of(Shot shot) {
        List<Finding> out = new ArrayList<>();
        MouthLevels.find(shot).ifPresent(level -> {
            for (Word word : shot.speech().spoken()) {
                FrameRange said = said(word, shot);
                if (!said.isEmpty() && isBlank(level, said)) {
                    out.add(new Finding(id(), level.id(), said.start(), Exposure.BLANK));
                }
            }
        });
        return out;
    }

    /** The frames on which a word is said. */
    private static FrameRange said(Word word, Shot shot) {
        int start = shot.setup().rate().nearestFrame(word.startSeconds());
        int end = Math.max(start + 1, shot.setup().rate().nearestFrame(word.endSeconds()));
        return new FrameRange(Math.max(0, start), Math.min(end, shot.setup().length()));
    }

    private static boolean isBlank(Level level, FrameRange frames) {
        return IntStream.range(frames.start(), frames.end()).allMatch(frame -> level.exposures()
                .at(frame)
                .filter(run -> !run.isBlank())
                .isEmpty());
    }
}
