package chalktrace.core.testing;

import chalktrace.core.picture.Rgb;

/** How different two colours look. CIEDE2000 after Sharma, Wu, Dalal, "The CIEDE2000 Color-Difference Formula", 2005. */
public final class ColorDifference {

    /** Sight without one of the three cones, on linear parts: Machado, Oliveira, Fernandes 2009, severity 1 (from memory). */
    public enum Sight {
        FULL(1, 0, 0, 0, 1, 0, 0, 0, 1),
        PROTANOPIA(0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998),
        DEUTERANOPIA(0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.011820, 0.042940, 0.968881);

        private final double[] matrix;

        Sight(double... matrix) {
            this.matrix = matrix;
        }
    }

    private ColorDifference() {}

    public static double of(Rgb a, Rgb b, Sight sight) {
        return ofLab(lab(a, sight), lab(b, sight));
    }

    private static double[] lab(Rgb color, Sight sight) {
        double[] linear = {linear(color.red()), linear(color.green()), linear(color.blue())};
        double[] seen = new double[3];
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                seen[row] += sight.matrix[3 * row + column] * linear[column];
            }
            seen[row] = Math.max(0, Math.min(1, seen[row]));
        }
        // sRGB to CIE XYZ over the white of D65, IEC 61966-2-1.
        double x = f((0.4124 * seen[0] + 0.3576 * seen[1] + 0.1805 * seen[2]) / 0.9505);
        double y = f(0.2126 * seen[0] + 0.7152 * seen[1] + 0.0722 * seen[2]);
        double z = f((0.0193 * seen[0] + 0.1192 * seen[1] + 0.9505 * seen[2]) / 1.089);
        return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
    }

    private static double f(double t) {
        return t > 216.0 / 24389 ? Math.cbrt(t) : (24389.0 / 27 * t + 16) / 116;
    }

    private static double linear(int part) {
        double c = part / 255.0;
        return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    /** Between two colours as L*, a*, b*. */
    public static double ofLab(double[] first, double[] second) {
        double c1 = Math.hypot(first[1], first[2]);
        double c2 = Math.hypot(second[1], second[2]);
        double mean7 = Math.pow((c1 + c2) / 2, 7);
        double g = 0.5 * (1 - Math.sqrt(mean7 / (mean7 + Math.pow(25, 7))));
        double a1 = (1 + g) * first[1];
        double a2 = (1 + g) * second[1];
        double d1 = Math.hypot(a1, first[2]);
        double d2 = Math.hypot(a2, second[2]);
        double h1 = d1 == 0 ? 0 : (Math.toDegrees(Math.atan2(first[2], a1)) + 360) % 360;
        double h2 = d2 == 0 ? 0 : (Math.toDegrees(Math.atan2(second[2], a2)) + 360) % 360;
        double turn = d1 * d2 == 0 ? 0 : Math.abs(h2 - h1) <= 180 ? h2 - h1 : h2 > h1 ? h2 - h1 - 360 : h2 - h1 + 360;
        double dl = second[0] - first[0];
        double dc = d2 - d1;
        double dh = 2 * Math.sqrt(d1 * d2) * Math.sin(Math.toRadians(turn / 2));
        double l = (first[0] + second[0]) / 2;
        double c = (d1 + d2) / 2;
        double h = d1 * d2 == 0
                ? h1 + h2
                : Math.abs(h1 - h2) <= 180 ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
        double t = 1
                - 0.17 * Math.cos(Math.toRadians(h - 30))
                + 0.24 * Math.cos(Math.toRadians(2 * h))
                + 0.32 * Math.cos(Math.toRadians(3 * h + 6))
                - 0.20 * Math.cos(Math.toRadians(4 * h - 63));
        double c7 = Math.pow(c, 7);
        double rotation = -2
                * Math.sqrt(c7 / (c7 + Math.pow(25, 7)))
                * Math.sin(Math.toRadians(60 * Math.exp(-Math.pow((h - 275) / 25, 2))));
        double sl = 1 + 0.015 * (l - 50) * (l - 50) / Math.sqrt(20 + (l - 50) * (l - 50));
        double sc = 1 + 0.045 * c;
        double sh = 1 + 0.015 * c * t;
        return Math.sqrt((dl / sl) * (dl / sl)
                + (dc / sc) * (dc / sc)
                + (dh / sh) * (dh / sh)
                + rotation * (dc / sc) * (dh / sh));
    }
}
