package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.stroke.LineShape;

/**
 * A named colour and line that strokes and painted areas refer to: change it and all of them follow.
 *
 * @param line how thick a stroke is
 * @param opacity 0 to 1
 * @param role what it is used for
 */
public record Chalk(String id, String name, Rgb color, LineShape line, double opacity, Role role) {

    /** In which lines that only bound areas show while one works: found in no skin, cloth or sky. */
    public static final Rgb SIGNAL = new Rgb(0xFF, 0x2E, 0x88);

    /** What a chalk is used for. */
    public enum Role {
        ROUGH,
        LINE,
        /** Bounds a painted area and is left out of what is handed on. */
        BOUNDARY,
        /** Bounds a painted area and takes on the colour of the paint beside it in what is handed on. */
        SELF_LINE,
        PAINT
    }

    /** @throws IllegalArgumentException when the opacity is out of bounds */
    public Chalk {
        if (!(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("A chalk has an opacity of 0 to 1; \"" + name + "\" has not.");
        }
    }

    /** A round chalk for lines. @param width in shot pixels at full pressure */
    public Chalk(String id, String name, Rgb color, double width, double opacity) {
        this(id, name, color, LineShape.round(width), opacity, Role.LINE);
    }

    /** Whether its lines only bound areas, and show in a signal colour while one works. */
    public boolean isBound() {
        return role == Role.BOUNDARY || role == Role.SELF_LINE;
    }

    public double width() {
        return line.width();
    }

    public Chalk withName(String newName) {
        return new Chalk(id, newName, color, line, opacity, role);
    }

    public Chalk withLine(LineShape newLine) {
        return new Chalk(id, name, color, newLine, opacity, role);
    }

    public Chalk withWidth(double newWidth) {
        return withLine(line.withWidth(newWidth));
    }

    public Chalk withColor(Rgb newColor) {
        return new Chalk(id, name, newColor, line, opacity, role);
    }

    public Chalk withOpacity(double newOpacity) {
        return new Chalk(id, name, color, line, newOpacity, role);
    }

    public Chalk withRole(Role newRole) {
        return new Chalk(id, name, color, line, opacity, newRole);
    }
}
