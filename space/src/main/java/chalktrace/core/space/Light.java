package chalktrace.core.space;

/** Where light comes from. @param yaw degrees round the model, as a camera's @param pitch degrees above the floor */
public record Light(double yaw, double pitch) {

    /** From the upper left, before the model. */
    public static final Light USUAL = new Light(-40, 50);

    /** @throws IllegalArgumentException when it is below the floor or not finite */
    public Light {
        if (!Double.isFinite(yaw) || !(pitch >= 1 && pitch <= 90)) {
            throw new IllegalArgumentException("Light comes from 1 to 90 degrees above the floor.");
        }
    }

    /** Elsewhere, kept above the floor. */
    public Light moved(double moreYaw, double morePitch) {
        return new Light(Math.IEEEremainder(yaw + moreYaw, 360), Math.max(1, Math.min(90, pitch + morePitch)));
    }

    /** The direction towards it, of length 1. */
    public Point3 direction() {
        double y = Math.toRadians(yaw);
        double p = Math.toRadians(pitch);
        return new Point3(Math.sin(y) * Math.cos(p), Math.sin(p), Math.cos(y) * Math.cos(p));
    }
}
