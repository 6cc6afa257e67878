package chalktrace.app.finish;

import chalktrace.app.kernel.ShotPicture;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Chosen.Paper;
import chalktrace.media.export.ComposedFrames;
import java.util.Optional;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Puts the frame at the gate into the clipboard, as it is exported: its drawings, with and without paper. */
final class FrameCopy {

    private final Session session;

    FrameCopy(Session session) {
        this.session = session;
    }

    /** @param clear whether the paper is left out */
    void copy(boolean clear) {
        Shot shot = session.shot();
        int frame = session.transport().frame();
        Choices choices = Choices.USUAL.with(Chosen.PAPER, clear ? Paper.NONE : Paper.OF_SHOT);
        session.jobs().runQuietly(job -> picture(shot, frame, choices), picture -> {
            ClipboardContent content = new ClipboardContent();
            content.putImage(picture.image());
            Clipboard.getSystemClipboard().setContent(content);
            int number = shot.setup().number(frame);
            session.notices()
                    .say(
                            clear
                                    ? Words.FINISH.of("frame-copied-without-paper", number)
                                    : Words.FINISH.of("frame-copied", number));
        });
    }

    private static ShotPicture picture(Shot shot, int frame, Choices choices) throws Exception {
        PictureSize size = shot.setup().size();
        int[] words = new ComposedFrames(shot, choices, (clip, at) -> Optional.empty(), 0).at(frame, size);
        return new ShotPicture(size.width(), size.height(), words);
    }
}
