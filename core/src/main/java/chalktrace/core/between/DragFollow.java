package chalktrace.core.between;

/**
 * How a loose part, such as a scarf, follows its root: as late as some frames at its tip, and beyond where the root stops before
 * it comes to rest. A damped spring for each place along the part (the step is the exact solution of the damped oscillator, as
 * in any textbook of mechanics), so that it stays calm at any rate.
 */
public final class DragFollow {

    private DragFollow() {}

    /**
     * @param root the root's place on each frame
     * @param delayFrames how late the tip is, above 0
     * @param overshoot 0 for none to 1 for much
     * @param along how far along the part, 0 at the root to 1 at the tip
     * @return where a place of the part would be on each frame if it lay at the root, so that its own offset is added
     */
    public static double[] follow(double[] root, double delayFrames, double overshoot, double along) {
        double[] out = new double[root.length];
        double lag = Math.max(1e-6, delayFrames * Math.max(0, Math.min(1, along)));
        if (root.length == 0) {
            return out;
        }
        double damping = 1 - 0.75 * Math.max(0, Math.min(1, overshoot));
        // A steady movement is followed at a distance of 2 damping / frequency frames.
        double frequency = 2 * damping / lag;
        double place = root[0];
        double speed = 0;
        out[0] = place;
        int steps = (int) Math.max(4, Math.ceil(8 * frequency));
        for (int f = 1; f < root.length; f++) {
            for (int i = 0; i < steps; i++) {
                double dt = 1.0 / steps;
                double target = root[f - 1] + (root[f] - root[f - 1]) * (i + 1) * dt;
                // Implicit in speed: stable however stiff it is.
                speed = (speed + dt * frequency * frequency * (target - place))
                        / (1 + 2 * damping * frequency * dt + frequency * frequency * dt * dt);
                place += dt * speed;
            }
            out[f] = place;
        }
        return out;
    }
}
