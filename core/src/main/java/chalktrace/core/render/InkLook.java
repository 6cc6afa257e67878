package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;

/** How the strokes of a drawing are shown: in their chalks, or as an onion skin in one colour. */
public enum InkLook {
    CHALK(null, false),
    /** An earlier drawing: solid. */
    EARLIER(new Rgb(0x2F, 0xA1, 0x98), false),
    /** A later drawing: broken, so that colour is not the only sign. */
    LATER(new Rgb(0xA4, 0x5B, 0xB0), true);

    private final Rgb color;
    private final boolean broken;

    InkLook(Rgb color, boolean broken) {
        this.color = color;
        this.broken = broken;
    }

    Rgb color(Chalk chalk) {
        return color == null ? chalk.color() : color;
    }

    double opacity(Chalk chalk) {
        return color == null ? chalk.opacity() : 1;
    }

    boolean isBroken() {
        return broken;
    }
}
