package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;

/** Frames of a shot as they were chosen: what is written, and what the card shows of it. */
public final class ComposedFrames {

    private final Shot shot;
    private final Choices choices;
    private final FootagePictures footage;
    private final FrameComposer composer;

    /**
     * @param rasterBytes for drawings that are kept for the next frames
     * @throws UnwritableException when the shot has not what was chosen
     */
    public ComposedFrames(Shot shot, Choices choices, FootagePictures footage, long rasterBytes)
            throws UnwritableException {
        this.shot = Chosen.shown(shot, choices);
        this.choices = choices;
        this.footage = footage;
        this.composer = new FrameComposer(new RasterCache(rasterBytes), Rgb.WHITE);
    }

    /** Whether words have an opacity, which is then straight; else they are opaque. */
    public boolean isClear() {
        return choices.get(Chosen.PAPER).isNone();
    }

    /** A frame's words, row after row. @param size of about the picture's form */
    public int[] at(int frame, PictureSize size) {
        PictureSize whole = shot.setup().size();
        // Sides are whole numbers: the picture reaches the end of both.
        double scale = Math.max((double) size.width() / whole.width(), (double) size.height() / whole.height());
        Viewpoint view = new Viewpoint(scale, 0, 0, 0, size.width(), size.height());
        Scene scene = Scenes.of(shot, frame, SceneOptions.export(choices.get(Chosen.FOOTAGE)), footage);
        int[] words;
        if (isClear()) {
            words = composer.composeClear(scene, view);
        } else {
            words = new int[size.width() * size.height()];
            composer.compose(scene, view, PixelTile.whole(words, size.width(), size.height()));
        }
        BurntIn.write(BurntIn.text(shot, frame, choices.get(Chosen.BURN_IN)), words, size);
        return words;
    }
}
