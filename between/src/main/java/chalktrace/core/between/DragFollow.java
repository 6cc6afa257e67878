package chalktrace.core.between;

/**
 * How a loose part, such as a scarf, follows its root: as late as some frames at its tip, and beyond where the root stops before
 * it comes to rest. A damped spring for each place along the part (each frame's step is the exact solution of the
 * damped oscillator, as in any textbook of mechanics), so that it stays calm however stiff it is.
 */
public final class DragFollow {

    /** In frames: less is not seen. */
    private static final double LEAST_LAG = 1e-3;

    private DragFollow() {}

    /**
     * @param root the root's place on each frame
     * @param delayFrames how late the tip is, above 0
     * @param overshoot 0 for none to 1 for much
     * @param along how far along the part, 0 at the root to 1 at the tip
     * @return where a place of the part would be on each frame if it lay at the root, so that its own offset is added
     */
    public static double[] follow(double[] root, double delayFrames, double overshoot, double along) {
        double[] out = root.clone();
        double lag = delayFrames * Math.max(0, Math.min(1, along));
        if (root.length == 0 || lag < LEAST_LAG) {
            return out;
        }
        double damping = 1 - 0.75 * Math.max(0, Math.min(1, overshoot));
        // A steady movement is followed at a distance of 2 damping / frequency frames.
        double frequency = 2 * damping / lag;
        double speed = 0;
        for (int f = 1; f < root.length; f++) {
            double rootSpeed = root[f] - root[f - 1];
            // Behind a root that moves evenly, what is left of the distance swings and dies away.
            double behind = 2 * damping / frequency * rootSpeed;
            double off = out[f - 1] - root[f - 1] + behind;
            double[] then = free(off, speed - rootSpeed, frequency, damping);
            out[f] = root[f] - behind + then[0];
            speed = then[1] + rootSpeed;
        }
        return out;
    }

    /** Place and speed of a damped oscillator one frame later. */
    private static double[] free(double place, double speed, double frequency, double damping) {
        double fades = Math.exp(-damping * frequency);
        if (damping > 1 - 1e-6) {
            double rate = speed + frequency * place;
            return new double[] {fades * (place + rate), fades * (speed - frequency * rate)};
        }
        double swing = frequency * Math.sqrt(1 - damping * damping);
        double sine = (speed + damping * frequency * place) / swing;
        double cos = Math.cos(swing);
        double sin = Math.sin(swing);
        return new double[] {
            fades * (place * cos + sine * sin),
            fades
                    * ((swing * sine - damping * frequency * place) * cos
                            - (swing * place + damping * frequency * sine) * sin)
        };
    }
}
