package chalktrace.app.finish;

import chalktrace.app.kernel.ShotPicture;
import chalktrace.app.session.Session;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import javafx.scene.image.ImageView;

/** A picture of what will be written: the frame at the gate, or the nearest of those that are; where there is no paper, chequers show through. */
final class ExportPreview extends ImageView {

    private static final int WIDTH = 224;
    private static final int CHEQUER_PX = 8;
    private static final Rgb LIGHT = new Rgb(0xE6, 0xE6, 0xE6);
    private static final Rgb DARK = new Rgb(0xB4, 0xB4, 0xB4);
    private static final long RASTER_BYTES = 8L << 20;

    private final Session session;
    private final FrameComposer composer = new FrameComposer(new RasterCache(RASTER_BYTES), Rgb.WHITE);

    /** What is shown counts only while nothing newer was asked for. */
    private Object newest;

    ExportPreview(Session session) {
        this.session = session;
        setId("export-preview");
    }

    /** @throws UnwritableException when the shot has not what was chosen */
    void show(Choices choices, FrameRange frames) throws UnwritableException {
        Shot shot = Chosen.shown(session.shot(), choices);
        int frame = Math.max(
                frames.start(), Math.min(frames.last(), session.transport().frame()));
        boolean here = frame == session.transport().frame();
        FootagePictures footage = session.footages().latestProperty().get();
        Scene scene = Scenes.of(shot, frame, SceneOptions.export(choices.get(Chosen.FOOTAGE) && here), footage);
        boolean clear = choices.get(Chosen.PAPER).isNone();
        Object mine = new Object();
        newest = mine;
        session.jobs().runQuietly(job -> picture(scene, clear), picture -> {
            if (newest == mine) {
                setImage(picture.image());
            }
        });
    }

    private ShotPicture picture(Scene scene, boolean clear) {
        if (!clear) {
            return ShotPicture.of(scene, WIDTH, composer);
        }
        double scale = (double) WIDTH / scene.size().width();
        int height = Math.max(1, (int) Math.round(scale * scene.size().height()));
        int[] words = composer.composeClear(scene, new Viewpoint(scale, 0, 0, 0, WIDTH, height));
        for (int i = 0; i < words.length; i++) {
            boolean even = (i % WIDTH / CHEQUER_PX + i / WIDTH / CHEQUER_PX) % 2 == 0;
            words[i] = over(words[i], even ? LIGHT : DARK);
        }
        return new ShotPicture(WIDTH, height, words);
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
