package chalktrace.core.render;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Region;
import java.awt.geom.Rectangle2D;
import java.util.Optional;

/** Gives the picture of footage for a frame, as far as one is at hand. */
@FunctionalInterface
public interface FootagePictures {

    /**
     * A picture and how it is meant to be seen.
     *
     * @param displaySize the size at which the whole picture is meant to be seen, after turning
     * @param turnDegrees how far the stored picture is turned to stand upright, counter-clockwise
     * @param region the part of the upright picture that shows
     */
    record Shown(Picture picture, PictureSize displaySize, int turnDegrees, Region region) {

        public Shown(Picture picture, PictureSize displaySize, int turnDegrees) {
            this(picture, displaySize, turnDegrees, Region.WHOLE);
        }

        /** Where it lies on a shot's picture, or any other, before it is placed: in the middle, as large as fits. */
        public Rectangle2D fittedInto(PictureSize size) {
            double width = displaySize.width() * region.width();
            double height = displaySize.height() * region.height();
            double fit = Math.min(size.width() / width, size.height() / height);
            return new Rectangle2D.Double(
                    (size.width() - width * fit) / 2, (size.height() - height * fit) / 2, width * fit, height * fit);
        }
    }

    /** The picture that a clip shows on a shot frame; empty where it shows none or it is not at hand. */
    Optional<Shown> at(Footage footage, int frame);
}
