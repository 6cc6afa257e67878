package chalktrace.core.render;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import java.util.Optional;

/** Gives the picture of footage for a frame, as far as one is at hand. */
@FunctionalInterface
public interface FootagePictures {

    /** A picture and how it is meant to be seen. */
    record Shown(Picture picture, PictureSize displaySize, int turnDegrees) {}

    /** The picture that a clip shows on a shot frame; empty where it shows none or it is not at hand. */
    Optional<Shown> at(Footage footage, int frame);
}
