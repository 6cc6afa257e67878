package chalktrace.demo.scene;

/** A place or direction of the scene: x to the right, y up, z towards the camera, in metres. */
public record Vec(double x, double y, double z) {

    public Vec plus(Vec o) {
        return new Vec(x + o.x, y + o.y, z + o.z);
    }

    public Vec minus(Vec o) {
        return new Vec(x - o.x, y - o.y, z - o.z);
    }

    public Vec times(double f) {
        return new Vec(x * f, y * f, z * f);
    }

    public double dot(Vec o) {
        return x * o.x + y * o.y + z * o.z;
    }

    public Vec cross(Vec o) {
        return new Vec(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    public Vec unit() {
        return times(1 / Math.max(1e-12, length()));
    }

    public Vec mix(Vec o, double share) {
        return plus(o.minus(this).times(share));
    }
}
