package chalktrace.core.picture;

/** The curve of sRGB (IEC 61966-2-1) between parts of a colour and linear light, both 0 to 1. */
public final class Srgb {

    private Srgb() {}

    public static double light(double part) {
        return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }

    public static double part(double light) {
        return light <= 0.0031308 ? 12.92 * light : 1.055 * Math.pow(light, 1 / 2.4) - 0.055;
    }
}
