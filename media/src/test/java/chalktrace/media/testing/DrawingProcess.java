package chalktrace.media.testing;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.file.FileMark;
import chalktrace.media.file.Journal;
import chalktrace.media.file.SavedShot;
import chalktrace.media.file.ShotFile;
import java.nio.file.Path;
import java.util.Optional;

/** A program that draws stroke after stroke, keeps each and says so, and saves now and then, until it is killed. */
public final class DrawingProcess {

    private static final int STROKES_A_DRAWING = 80;
    private static final int SAVES_EVERY = 37;

    private DrawingProcess() {}

    /** @param arguments the shot file, and the first stroke's number, which the shot's name carries */
    public static void main(String[] arguments) throws Exception {
        Path file = Path.of(arguments[0]);
        ShotFile.Opened opened = ShotFile.open(file);
        Shot shot = opened.shot();
        try (Journal journal =
                Journal.of(file, new SavedShot(shot, opened.file().mark()), file.resolveSibling("state"))) {
            for (int i = Integer.parseInt(arguments[1]); ; i++) {
                shot = drawn(shot, i);
                journal.keep(shot, false);
                System.out.println("kept " + i);
                if (System.out.checkError()) {
                    // Nobody listens any more.
                    return;
                }
                if (i % SAVES_EVERY == 0) {
                    // A stroke is drawn and kept while the shot is saved.
                    Shot saved = shot;
                    FileMark mark = opened.file().save(saved, file);
                    shot = drawn(shot, ++i);
                    journal.keep(shot, false);
                    System.out.println("kept " + i);
                    journal.saved(new SavedShot(saved, Optional.of(mark)), shot);
                }
            }
        }
    }

    private static Shot drawn(Shot shot, int i) {
        int number = 1 + i / STROKES_A_DRAWING;
        return shot.withName("" + i).withLevel(Shots.LEVEL, level -> level.with(level.drawing(number)
                        .orElse(Drawing.empty(number))
                        .plus(Strokes.line(i % 300, 10, 300 - i % 300, 170)))
                .with(level.exposures().with(Exposure.of(number, 1, number))));
    }
}
