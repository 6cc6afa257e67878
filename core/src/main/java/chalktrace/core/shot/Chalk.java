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

    /** What a chalk is used for. */
    public enum Role {
        ROUGH,
        LINE,
        /** Bounds a painted area and is left out of what is handed on. */
        BOUNDARY,
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
