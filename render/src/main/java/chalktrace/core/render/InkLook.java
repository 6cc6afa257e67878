package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import java.util.Optional;

/**
 * How the strokes of a drawing are shown: in their chalks, or as an onion skin in one colour.
 *
 * @param color of an onion skin; none for the chalks' own
 * @param pattern of lines, so that colour is not the only sign
 * @param outlines whether lines are thin, whatever their chalk
 */
record InkLook(Optional<Rgb> color, Pattern pattern, boolean outlines) {

    static final InkLook CHALK = new InkLook(Optional.empty(), Pattern.SOLID, false);

    /** How a line is broken: earlier drawings are solid, later ones broken, drafts dotted. */
    enum Pattern {
        SOLID,
        BROKEN,
        DOTTED
    }

    boolean isSolid() {
        return pattern == Pattern.SOLID;
    }

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
