package chalktrace.core.space;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;

/**
 * All that a picture of a model depends on, so that equal ones are drawn once.
 *
 * @param motion empty for the rest pose
 * @param seconds in the animation
 */
public record StagedPicture(Figure figure, String motion, double seconds, Orbit orbit, Dress dress, PictureSize size) {

    public Pose pose() {
        return motion.isEmpty() ? figure.rest() : figure.pose(figure.model().motion(motion), seconds);
    }

    public Camera camera() {
        return Camera.of(orbit, size.width(), size.height());
    }

    public ArgbPicture draw() {
        return ModelRenderer.render(pose(), orbit, dress, size);
    }

    /** From a place, so small that the lines of the floor would only darken it: without them. @param height in px; the width goes with it */
    public StagedPicture thumbnail(Orbit from, int height) {
        PictureSize small = new PictureSize(Math.max(1, height * size.width() / size.height()), height);
        return new StagedPicture(figure, motion, seconds, from, dress.withGrid(false), small);
    }

    /** The same, smaller, for while it is moved. */
    public StagedPicture smaller(int times) {
        return new StagedPicture(
                figure,
                motion,
                seconds,
                orbit,
                dress,
                new PictureSize(Math.max(1, size.width() / times), Math.max(1, size.height() / times)));
    }
}
