package chalktrace.core.between;

import chalktrace.core.words.MotionWords;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;

/** Squash and stretch along the direction of a movement. */
public final class SquashAndStretch {

    private SquashAndStretch() {}

    /** Which end of the shape stays in its place. */
    public enum Stays {
        MIDDLE,
        /** The end that is behind in the movement. */
        TRAILING,
        LEADING
    }

    /**
     * @param box around what is changed
     * @param degrees the direction of the movement, clockwise from the right
     * @param factor how long it becomes along it; above 1 stretches, below 1 squashes
     * @param keepArea whether it becomes as much thinner, so that its area stays (ratio 1; common practice)
     * @throws IllegalArgumentException when the factor is not between 0.05 and 20
     */
    public static AffineTransform along(Rectangle2D box, double degrees, double factor, boolean keepArea, Stays stays) {
        if (!(factor >= 0.05 && factor <= 20)) {
            throw new IllegalArgumentException(MotionWords.TEXTS.of("squash-and-stretch-go-from-a"));
        }
        double angle = Math.toRadians(degrees);
        double reach = (box.getWidth() * Math.abs(Math.cos(angle)) + box.getHeight() * Math.abs(Math.sin(angle))) / 2;
        double side = stays == Stays.MIDDLE ? 0 : stays == Stays.TRAILING ? -reach : reach;
        double aboutX = box.getCenterX() + side * Math.cos(angle);
        double aboutY = box.getCenterY() + side * Math.sin(angle);
        AffineTransform out = AffineTransform.getTranslateInstance(aboutX, aboutY);
        out.rotate(angle);
        out.scale(factor, keepArea ? 1 / factor : 1);
        out.rotate(-angle);
        out.translate(-aboutX, -aboutY);
        return out;
    }
}
