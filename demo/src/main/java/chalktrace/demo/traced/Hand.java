package chalktrace.demo.traced;

import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.Stroke;
import java.util.SplittableRandom;

/** A steady but human hand: draws a smooth line through places, wavering a little, pressing in its middle. */
final class Hand {

    private static final double SAMPLES_PER_PX = 0.25;

    private final SplittableRandom random;
    private final double waverPx;
    private final double pressure;

    /** @param waverPx how far the hand strays from where it wants to be */
    Hand(long seed, double waverPx, double pressure) {
        this.random = new SplittableRandom(seed);
        this.waverPx = waverPx;
        this.pressure = pressure;
    }

    /** @param places x and y of at least two places, drawn through in turn by a Catmull-Rom spline */
    Stroke draw(String chalk, double... places) {
        int n = places.length / 2;
        double phase = random.nextDouble() * 6;
        double length = 0;
        for (int i = 1; i < n; i++) {
            length += Math.hypot(places[2 * i] - places[2 * i - 2], places[2 * i + 1] - places[2 * i - 1]);
        }
        int samples = Math.max(12, (int) (length * SAMPLES_PER_PX));
        Ink ink = new Ink(chalk);
        for (int s = 0; s <= samples; s++) {
            double share = (double) s / samples;
            double at = share * (n - 1);
            int i = Math.min(n - 2, (int) at);
            double t = at - i;
            double waver = waverPx * (Math.sin(phase + 5.1 * share) + 0.5 * Math.sin(2 * phase + 11.3 * share));
            double press =
                    pressure * (0.35 + 0.65 * Math.pow(Math.sin(Math.PI * Math.min(1, 0.12 + 0.88 * share)), 0.6));
            ink.add(new PenSample(
                    through(places, n, i, t, 0) + waver,
                    through(places, n, i, t, 1) + 0.8 * waverPx * Math.cos(phase + 6.7 * share),
                    press,
                    s * 0.008));
        }
        return ink.finish();
    }

    /** An ellipse, drawn a little past its start as one does. */
    Stroke ellipse(String chalk, double x, double y, double rx, double ry, double degrees) {
        int n = 14;
        double[] places = new double[2 * n];
        double turn = Math.toRadians(degrees);
        double start = random.nextDouble() * 0.8 - 2;
        for (int i = 0; i < n; i++) {
            double angle = start + 2 * Math.PI * i / (n - 2);
            double u = rx * Math.cos(angle);
            double v = ry * Math.sin(angle);
            places[2 * i] = x + u * Math.cos(turn) - v * Math.sin(turn);
            places[2 * i + 1] = y + u * Math.sin(turn) + v * Math.cos(turn);
        }
        return draw(chalk, places);
    }

    private static double through(double[] places, int n, int i, double t, int axis) {
        double a = places[2 * Math.max(0, i - 1) + axis];
        double b = places[2 * i + axis];
        double c = places[2 * (i + 1) + axis];
        double d = places[2 * Math.min(n - 1, i + 2) + axis];
        return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
    }
}
