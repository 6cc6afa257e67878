package chalktrace.app.window;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.media.export.PngFiles;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import javafx.animation.PauseTransition;
import javafx.scene.Scene;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.util.Duration;

/** Writes a picture of the window once all that it shows has come, then closes it. */
final class WindowPicture {

    private static final Duration LOOK_EVERY = Duration.millis(400);
    private static final int LONGEST_LOOKS = 60;
    private static final int QUIET_LOOKS = 4;

    private final Workbench window;
    private final Session session;
    private final Path target;
    private final BooleanSupplier penDone;
    private int looks;
    private int quiet;
    private long lastMade = -1;

    /** @param penDone whether a simulated pen has drawn all that it has to draw; however long that takes, it is waited for */
    WindowPicture(Workbench window, Session session, Path target, BooleanSupplier penDone) {
        this.window = window;
        this.session = session;
        this.target = target;
        this.penDone = penDone;
    }

    void takeWhenSettled() {
        PauseTransition pause = new PauseTransition(LOOK_EVERY);
        pause.setOnFinished(done -> {
            if (!penDone.getAsBoolean()) {
                takeWhenSettled();
                return;
            }
            long made = session.thumbnails().madeProperty().get();
            boolean still = session.jobs().running().isEmpty()
                    && !session.footages().settlingProperty().get()
                    && made == lastMade;
            lastMade = made;
            quiet = still ? quiet + 1 : 0;
            if (quiet >= QUIET_LOOKS || ++looks >= LONGEST_LOOKS) {
                take();
            } else {
                takeWhenSettled();
            }
        });
        pause.play();
    }

    private void take() {
        Scene scene = window.board().getScene();
        WritableImage image = scene.snapshot(null);
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        int[] pixels = new int[width * height];
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        try {
            PngFiles.write(pixels, new PictureSize(width, height), target);
            System.out.println(Words.DESK.of("a-picture-of-the-window", target.toAbsolutePath()));
        } catch (IOException e) {
            System.err.println(Words.DESK.of("chalk-the-picture-of-the", e.getMessage()));
        }
        window.close();
    }
}
