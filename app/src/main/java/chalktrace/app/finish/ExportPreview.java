package chalktrace.app.finish;

import chalktrace.app.kernel.ShotPicture;
import chalktrace.app.session.Session;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.Choices;
import chalktrace.media.export.ComposedFrames;
import java.util.Optional;
import javafx.scene.image.ImageView;

/** A picture of what will be written: the frame at the gate, or the nearest of those that are; where there is no paper, chequers show through. */
final class ExportPreview extends ImageView {

    private static final int WIDTH = 224;
    private static final int CHEQUER_PX = 8;
    private static final Rgb LIGHT = new Rgb(0xE6, 0xE6, 0xE6);
    private static final Rgb DARK = new Rgb(0xB4, 0xB4, 0xB4);

    private final Session session;

    /** What is to be shown when the picture that is being made is done. */
    private Optional<Wanted> next = Optional.empty();

    private boolean busy;

    private record Wanted(ComposedFrames composed, int frame, PictureSize size) {}

    ExportPreview(Session session) {
        this.session = session;
        setId("export-preview");
    }

    /** One picture is made at a time, and none while it plays. @throws UnwritableException when the shot has not what was chosen */
    void show(Choices choices, FrameRange frames) throws UnwritableException {
        int gate = session.transport().frame();
        int frame = Math.max(frames.start(), Math.min(frames.last(), gate));
        // Footage is there for the gate alone.
        FootagePictures footage =
                frame == gate ? session.footages().latestProperty().get() : (clip, at) -> Optional.empty();
        PictureSize whole = session.shot().setup().size();
        int height = Math.max(1, Math.round((float) WIDTH * whole.height() / whole.width()));
        ComposedFrames composed = new ComposedFrames(session.shot(), choices, footage, 0);
        next = Optional.of(new Wanted(composed, frame, new PictureSize(WIDTH, height)));
        make();
    }

    private void make() {
        if (busy || next.isEmpty() || session.transport().playingProperty().get()) {
            return;
        }
        busy = true;
        Wanted now = next.get();
        next = Optional.empty();
        session.jobs()
                .runQuietly(
                        job -> picture(now.composed(), now.frame(), now.size()),
                        picture -> {
                            setImage(picture.image());
                            busy = false;
                            make();
                        },
                        failed -> busy = false);
    }

    private static ShotPicture picture(ComposedFrames composed, int frame, PictureSize size) {
        int[] words = composed.at(frame, size);
        for (int i = 0; composed.isClear() && i < words.length; i++) {
            boolean even = (i % size.width() / CHEQUER_PX + i / size.width() / CHEQUER_PX) % 2 == 0;
            words[i] = over(words[i], even ? LIGHT : DARK);
        }
        return new ShotPicture(size.width(), size.height(), words);
    }

    private static int over(int word, Rgb below) {
        double alpha = (word >>> 24) / 255.0;
        Rgb above = Rgb.of(word);
        return new Rgb(
                        mixed(above.red(), below.red(), alpha),
                        mixed(above.green(), below.green(), alpha),
                        mixed(above.blue(), below.blue(), alpha))
                .argb();
    }

    private static int mixed(int above, int below, double alpha) {
        return (int) Math.round(above * alpha + below * (1 - alpha));
    }
}
