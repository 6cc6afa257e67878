package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import chalktrace.core.words.EditWords;
import java.util.List;

/** Edits of what a shot is made on. */
public final class SetupEdits {

    private SetupEdits() {}

    /**
     * Changes rate, size, length, numbering or paper. Words, cues and sounds keep their seconds; drawings, marks and
     * footage keep their frames; mouths that follow the words are set anew. What lies beyond a shorter shot's end stays
     * and is not shown.
     */
    public static Edit change(ShotSetup setup) {
        return new Edit(
                EditWords.TEXTS.of("set-up-the-shot"),
                shot -> shot.setup().equals(setup) ? shot : settled(shot, setup));
    }

    private static Shot settled(Shot shot, ShotSetup setup) {
        Shot changed = SpeechEdits.mouthsAdopted(shot).withSetup(setup);
        boolean timeChanged = !setup.rate().equals(shot.setup().rate())
                || setup.length() != shot.setup().length();
        List<Word> words = shot.words();
        return timeChanged && !words.isEmpty() ? SpeechEdits.mouthsSet(changed) : changed;
    }
}
