package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;

/**
 * A named colour and line that strokes refer to: change it and every stroke of it follows.
 *
 * @param width in shot pixels at full pressure
 * @param opacity 0 to 1
 */
public record Chalk(String id, String name, Rgb color, double width, double opacity) {

    public static final double WIDEST = 400;

    /** @throws IllegalArgumentException when the width or opacity is out of bounds */
    public Chalk {
        if (!(width > 0 && width <= WIDEST) || !(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("A chalk is above 0 and up to " + (int) WIDEST
                    + " pixels wide, with an opacity of 0 to 1; \"" + name + "\" is not.");
        }
    }

    public Chalk withWidth(double newWidth) {
        return new Chalk(id, name, color, newWidth, opacity);
    }

    public Chalk withColor(Rgb newColor) {
        return new Chalk(id, name, newColor, width, opacity);
    }

    public Chalk withOpacity(double newOpacity) {
        return new Chalk(id, name, color, width, newOpacity);
    }
}
