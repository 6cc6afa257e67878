package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import java.util.Optional;

/**
 * How the strokes of a drawing are shown: in their chalks, or as an onion skin in one colour.
 *
 * @param color of an onion skin; none for the chalks' own
 * @param broken whether lines are broken, so that colour is not the only sign
 * @param outlines whether lines are thin, whatever their chalk
 */
record InkLook(Optional<Rgb> color, boolean broken, boolean outlines) {

    static final InkLook CHALK = new InkLook(Optional.empty(), false, false);

    boolean isChalk() {
        return color.isEmpty();
    }

    Rgb color(Chalk chalk) {
        return color.orElse(chalk.color());
    }

    double opacity(Chalk chalk) {
        return isChalk() ? chalk.opacity() : 1;
    }
}
