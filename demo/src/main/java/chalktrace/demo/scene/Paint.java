package chalktrace.demo.scene;

/** The colour of surfaces: the face with its features, grain of wood, wear of copper, the weave of cloth. */
final class Paint {

    private final Pose pose;
    private final Vec[] axes;

    Paint(Pose pose) {
        this.pose = pose;
        this.axes = pose.headAxes();
    }

    double[] color(Solid solid, Vec p, Vec normal) {
        Material m = solid.material();
        double[] out = {m.red, m.green, m.blue};
        switch (m) {
            case FACE -> face(out, p);
            case COUNTER -> scale(out, 0.8 + 0.35 * grain(p.x() * 2.2, p.z() * 34));
            case KETTLE -> scale(out, 0.75 + 0.4 * blotch(p.minus(pose.grip())));
            case APRON -> scale(out, 0.88 + 0.16 * Math.sin(p.x() * 900) * Math.sin(p.y() * 900));
            case SCARF -> scale(out, 0.8 + 0.3 * Math.sin(150 * (p.y() + 0.3 * p.x())));
            case COAT -> scale(out, 0.85 + 0.3 * blotch(p.times(2)));
            case CUP -> cup(out, p, normal);
            default -> {
                // As it is.
            }
        }
        return out;
    }

    private void face(double[] out, Vec p) {
        Vec at = p.minus(pose.head());
        double x = at.dot(axes[0]);
        double y = at.dot(axes[1]);
        double z = at.dot(axes[2]);
        if (z < 0.02) {
            return;
        }
        double side = Math.abs(x);
        mix(out, 0.55, 0.19, 0.14, 0.35 * ball(side - 0.056, y + 0.034, 0.03, 0.024));
        double lid = pose.eyesOpen();
        double eye = ball(side - 0.041, y - 0.012, 0.0205, 0.003 + 0.0105 * lid);
        mix(out, 0.72, 0.68, 0.62, lid * hard(eye));
        double gaze = 0.004 * Math.max(-1, Math.min(1, -pose.headTurn() / 30)) * Math.signum(x);
        mix(out, 0.04, 0.022, 0.015, lid * hard(ball(side - 0.041 - gaze, y - 0.012, 0.0098, 0.0098)) * hard(eye));
        mix(out, 0.10, 0.05, 0.035, 0.9 * line(side - 0.041, y - 0.012 - 0.0125 * lid, 0.023, 0.0022));
        mix(
                out,
                0.06,
                0.035,
                0.025,
                0.9 * line(side - 0.041, y - 0.042 + 2.5 * (side - 0.035) * (side - 0.035), 0.027, 0.005));
        mix(out, 0.25, 0.10, 0.07, 0.5 * line(side - 0.008, y + 0.047, 0.006, 0.003));
        mouth(out, x, y);
    }

    private void mouth(double[] out, double x, double y) {
        double open = pose.mouthOpen();
        double middle = -0.078 - 0.006 * open;
        double tall = 0.0035 + 0.019 * open;
        double wide = 0.033 - 0.006 * open;
        mix(out, 0.42, 0.12, 0.10, 0.8 * hard(ball(x, y - middle, wide + 0.004, tall + 0.006)));
        mix(out, 0.045, 0.012, 0.012, hard(ball(x, y - middle, wide, tall)) * Math.min(1, 0.5 + 2 * open));
        mix(out, 0.7, 0.66, 0.6, open > 0.3 ? 0.8 * hard(ball(x, y - middle - 0.6 * tall, 0.7 * wide, 0.3 * tall)) : 0);
    }

    private void cup(double[] out, Vec p, Vec normal) {
        Vec at = p.minus(pose.cup());
        if (normal.y() > 0.8 && Math.hypot(at.x(), at.z()) < 0.036 && at.y() > 0) {
            double full = Math.max(0, Math.min(1, pose.pour() > 0 || pose.cup().z() > 0.43 ? 1 : 0.4));
            mix(out, 0.16, 0.07, 0.02, 0.5 + 0.5 * full);
        } else if (Math.abs(at.y() - 0.052) < 0.006) {
            mix(out, 0.06, 0.16, 0.28, 0.9);
        }
    }

    private static double ball(double x, double y, double rx, double ry) {
        return Math.max(0, 1 - Math.sqrt(x * x / (rx * rx) + y * y / (ry * ry)));
    }

    private static double hard(double soft) {
        return Math.min(1, soft * 5);
    }

    private static double line(double x, double y, double half, double thick) {
        return Math.max(0, 1 - Math.abs(y) / thick) * Math.max(0, Math.min(1, (half - Math.abs(x)) * 300));
    }

    private static double grain(double along, double across) {
        double a = across + 1.2 * Math.sin(along * 1.7) + 0.4 * Math.sin(along * 6.1);
        return 0.5 + 0.25 * Math.sin(a) + 0.25 * Math.sin(2.7 * a + along);
    }

    private static double blotch(Vec p) {
        return 0.5
                + 0.5
                        * Math.sin(31 * p.x() + 2 * Math.sin(23 * p.y()))
                        * Math.sin(27 * p.y() + 2 * Math.sin(19 * p.z()));
    }

    private static void scale(double[] out, double by) {
        out[0] *= by;
        out[1] *= by;
        out[2] *= by;
    }

    private static void mix(double[] out, double red, double green, double blue, double share) {
        out[0] += (red - out[0]) * share;
        out[1] += (green - out[1]) * share;
        out[2] += (blue - out[2]) * share;
    }
}
