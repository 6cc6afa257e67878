package chalktrace.demo.scene;

/** What lies behind the stall, out of focus: hazy sky, water, a far pier with posts, a hull and masts, the awning above. */
final class Harbour {

    private static final double HORIZON = -0.035;

    private final double seconds;

    Harbour(double frame) {
        this.seconds = frame / 24;
    }

    /** Linear colour in a direction; red, green, blue. */
    double[] color(Vec ray) {
        double across = ray.x() / -ray.z();
        double height = ray.y() / -ray.z();
        double[] out = height > HORIZON ? sky(across, height) : water(across, height);
        pier(out, across, height);
        boat(out, across, height);
        awning(out, across, height);
        return out;
    }

    private static double[] sky(double across, double height) {
        double up = Math.min(1, (height - HORIZON) / 0.35);
        double glow = Math.exp(-(square(across + 0.32) + square((height - 0.16) * 1.3)) / 0.05);
        return new double[] {
            0.66 - 0.26 * up + 0.55 * glow, 0.62 - 0.16 * up + 0.44 * glow, 0.56 - 0.02 * up + 0.26 * glow
        };
    }

    private double[] water(double across, double height) {
        double depth = HORIZON - height;
        double near = Math.min(1, depth / 0.25);
        double scale = 1 / (depth + 0.02);
        double waves = Math.sin(3.1 * scale + 5 * across * scale + 1.7 * seconds)
                + Math.sin(5.3 * scale - 3.7 * across * scale - 2.3 * seconds)
                + Math.sin(1.3 * scale + 9.1 * across * scale + 1.1 * seconds);
        double sheen = Math.exp(-square((across + 0.32) / 0.16)) * Math.max(0, waves - 0.7) * 0.2;
        double base = 0.02 * waves;
        return new double[] {
            0.30 - 0.17 * near + base + sheen,
            0.36 - 0.16 * near + base + sheen,
            0.37 - 0.13 * near + base + 0.7 * sheen
        };
    }

    private static void pier(double[] out, double across, double height) {
        double deck = band(height, HORIZON + 0.018, HORIZON + 0.034, 0.006) * edge(across, 0.05, 0.03);
        double posts = 0;
        for (int i = 0; i < 7; i++) {
            double x = 0.10 + 0.085 * i;
            posts = Math.max(
                    posts,
                    band(across, x - 0.006, x + 0.006, 0.006) * band(height, HORIZON - 0.03, HORIZON + 0.06, 0.01));
        }
        mix(out, 0.10, 0.09, 0.08, 0.85 * Math.max(deck, posts));
    }

    private void boat(double[] out, double across, double height) {
        double bob = 0.003 * Math.sin(1.9 * seconds);
        double x = across + 0.46;
        double keel = HORIZON - 0.025 + bob + 0.5 * x * x;
        mix(
                out,
                0.24,
                0.07,
                0.04,
                0.9 * band(height, keel, HORIZON + 0.035 + bob + 0.8 * x * x, 0.008) * band(x, -0.13, 0.13, 0.012));
        mix(
                out,
                0.55,
                0.50,
                0.42,
                0.8 * band(height, HORIZON + 0.035 + bob, HORIZON + 0.085 + bob, 0.008) * band(x, -0.07, 0.02, 0.01));
        for (double mast : new double[] {-0.03, 0.07}) {
            mix(
                    out,
                    0.09,
                    0.07,
                    0.06,
                    0.7
                            * band(x - 0.02 * (height - HORIZON), mast - 0.003, mast + 0.003, 0.005)
                            * edge(height, HORIZON, 0.01));
        }
    }

    private static void awning(double[] out, double across, double height) {
        double scallop = 0.178 + 0.012 * Math.abs(Math.sin(across * 38)) + 0.02 * across * across;
        double stripe = edge(Math.sin(across * 38 / 2), 0, 0.2);
        double cover = edge(height, scallop, 0.006);
        mix(out, 0.30 + 0.38 * stripe, 0.09 + 0.48 * stripe, 0.06 + 0.40 * stripe, cover);
    }

    private static void mix(double[] out, double red, double green, double blue, double share) {
        out[0] += (red - out[0]) * share;
        out[1] += (green - out[1]) * share;
        out[2] += (blue - out[2]) * share;
    }

    private static double band(double value, double low, double high, double soft) {
        return edge(value, low, soft) * (1 - edge(value, high, soft));
    }

    private static double edge(double value, double at, double soft) {
        double t = Math.max(0, Math.min(1, (value - at) / soft + 0.5));
        return t * t * (3 - 2 * t);
    }

    private static double square(double v) {
        return v * v;
    }
}
