package chalktrace.core.space;

import chalktrace.core.picture.Rgb;

/** The light of the clay look. */
final class ClayLight {

    private static final Rgb CLAY = new Rgb(214, 207, 194);
    private static final double MOST = 1.06;
    private static final int STEPS = 1024;
    private static final int[] WORDS = new int[STEPS + 1];

    static {
        for (int i = 0; i <= STEPS; i++) {
            double light = MOST * i / STEPS;
            WORDS[i] = 0xFF000000
                    | part(CLAY.red() * light) << 16
                    | part(CLAY.green() * light) << 8
                    | part(CLAY.blue() * light);
        }
    }

    private ClayLight() {}

    /**
     * Half from all around, more from above; the rest from the light, which wraps a little round the form.
     *
     * @param cosine between the surface's normal and the light
     * @param upwards how far the surface faces up, -1 to 1
     */
    static double of(double cosine, double upwards) {
        double wrapped = Math.max(0, (cosine + 0.25) / 1.25);
        return Math.min(MOST, 0.485 + 0.085 * upwards + 0.52 * wrapped);
    }

    static int argb(double light) {
        return WORDS[(int) (light * (STEPS / MOST))];
    }

    private static int part(double part) {
        return (int) Math.min(255, part + 0.5);
    }
}
