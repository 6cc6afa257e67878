package chalktrace.core.picture;

import java.util.Locale;

/** An sRGB colour without opacity, each part 0 to 255. */
public record Rgb(int red, int green, int blue) {

    public static final Rgb BLACK = new Rgb(0, 0, 0);
    public static final Rgb WHITE = new Rgb(255, 255, 255);

    public Rgb {
        if ((red | green | blue) < 0 || red > 255 || green > 255 || blue > 255) {
            throw new IllegalArgumentException("The parts of a colour are 0 to 255.");
        }
    }

    /** Reads "#E3B04B". */
    public static Rgb parse(String hex) {
        if (!hex.matches("#[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException("\"" + hex + "\" is not a colour: write #E3B04B.");
        }
        return of(Integer.parseInt(hex.substring(1), 16));
    }

    /** The colour of an ARGB word, without its opacity. */
    public static Rgb of(int argb) {
        return new Rgb(argb >> 16 & 255, argb >> 8 & 255, argb & 255);
    }

    public String hex() {
        return String.format(Locale.ROOT, "#%02X%02X%02X", red, green, blue);
    }

    /** The colour as an opaque ARGB word. */
    public int argb() {
        return 0xFF000000 | red << 16 | green << 8 | blue;
    }

    /** Relative luminance, 0 to 1, after WCAG 2.2 (sRGB transfer curve of IEC 61966-2-1). */
    public double luminance() {
        return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
    }

    /** Contrast of two colours after WCAG 2.2, 1 to 21. */
    public double contrast(Rgb other) {
        double light = Math.max(luminance(), other.luminance());
        double dark = Math.min(luminance(), other.luminance());
        return (light + 0.05) / (dark + 0.05);
    }

    private static double linear(int part) {
        return Srgb.light(part / 255.0);
    }
}
