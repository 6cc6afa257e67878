package chalktrace.core.stroke;

import java.awt.geom.Rectangle2D;
import java.util.Optional;

/** Makes one stroke from the pen's samples. What is shown on the way never changes what is kept. */
public interface StrokeMaker {

    void add(PenSample sample);

    /** The stroke as far as it has come. */
    Stroke soFar();

    /** The stroke that is kept. */
    Stroke finish();

    /** Where the latest sample changed the middle of the line; empty when that may be anywhere. */
    Optional<Rectangle2D> changed();
}
