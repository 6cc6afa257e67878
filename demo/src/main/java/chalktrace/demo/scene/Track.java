package chalktrace.demo.scene;

/**
 * A value over frames: a cubic through its keys that never overshoots them (Fritsch, Carlson, "Monotone Piecewise Cubic
 * Interpolation", 1980), so that a hold between two equal keys stands still and a move eases out and in.
 */
final class Track {

    private final double[] frames;
    private final double[] values;
    private final double[] slopes;

    /** @param keys frame, value, frame, value ... with rising frames */
    Track(double... keys) {
        int n = keys.length / 2;
        frames = new double[n];
        values = new double[n];
        slopes = new double[n];
        for (int i = 0; i < n; i++) {
            frames[i] = keys[2 * i];
            values[i] = keys[2 * i + 1];
        }
        for (int i = 1; i < n - 1; i++) {
            double before = (values[i] - values[i - 1]) / (frames[i] - frames[i - 1]);
            double after = (values[i + 1] - values[i]) / (frames[i + 1] - frames[i]);
            slopes[i] = before * after <= 0 ? 0 : 2 * before * after / (before + after);
        }
    }

    double at(double frame) {
        if (frame <= frames[0]) {
            return values[0];
        }
        int i = 0;
        while (i + 1 < frames.length && frames[i + 1] < frame) {
            i++;
        }
        if (i + 1 == frames.length) {
            return values[i];
        }
        double span = frames[i + 1] - frames[i];
        double t = (frame - frames[i]) / span;
        double t2 = t * t;
        double t3 = t2 * t;
        return (2 * t3 - 3 * t2 + 1) * values[i]
                + (t3 - 2 * t2 + t) * span * slopes[i]
                + (3 * t2 - 2 * t3) * values[i + 1]
                + (t3 - t2) * span * slopes[i + 1];
    }
}
