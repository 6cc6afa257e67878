package chalktrace.demo.scene;

/** A solid of the scene as a signed distance, in metres; negative inside. */
interface Solid {

    double distance(double x, double y, double z);

    Material material();

    /** A capsule whose radius goes from one end's to the other's. */
    record Capsule(Vec a, double ra, Vec b, double rb, Material material) implements Solid {

        @Override
        public double distance(double x, double y, double z) {
            double bx = b.x() - a.x();
            double by = b.y() - a.y();
            double bz = b.z() - a.z();
            double px = x - a.x();
            double py = y - a.y();
            double pz = z - a.z();
            double t = (px * bx + py * by + pz * bz) / (bx * bx + by * by + bz * bz);
            t = t < 0 ? 0 : Math.min(t, 1);
            double dx = px - t * bx;
            double dy = py - t * by;
            double dz = pz - t * bz;
            return Math.sqrt(dx * dx + dy * dy + dz * dz) - ra - t * (rb - ra);
        }
    }

    /** An ellipsoid along three axes at right angles (a good bound of the distance, exact for a ball). */
    record Ellipsoid(Vec middle, Vec[] axes, double rx, double ry, double rz, Material material) implements Solid {

        static final Vec[] UPRIGHT = {new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1)};

        static Ellipsoid ball(Vec middle, double radius, Material material) {
            return new Ellipsoid(middle, UPRIGHT, radius, radius, radius, material);
        }

        @Override
        public double distance(double x, double y, double z) {
            double px = x - middle.x();
            double py = y - middle.y();
            double pz = z - middle.z();
            double u = (px * axes[0].x() + py * axes[0].y() + pz * axes[0].z()) / rx;
            double v = (px * axes[1].x() + py * axes[1].y() + pz * axes[1].z()) / ry;
            double w = (px * axes[2].x() + py * axes[2].y() + pz * axes[2].z()) / rz;
            double k0 = Math.sqrt(u * u + v * v + w * w);
            double k1 = Math.sqrt(u * u / (rx * rx) + v * v / (ry * ry) + w * w / (rz * rz));
            return k1 < 1e-9 ? -Math.min(rx, Math.min(ry, rz)) : k0 * (k0 - 1) / k1;
        }
    }

    /** An upright cup: a cone that is cut off, with a soft edge. */
    record Cup(Vec foot, double height, double footRadius, double topRadius, Material material) implements Solid {

        private static final double SOFT = 0.006;

        @Override
        public double distance(double x, double y, double z) {
            double up = y - foot.y();
            double share = Math.max(0, Math.min(1, up / height));
            double radius = footRadius + share * (topRadius - footRadius) - SOFT;
            double out = Math.hypot(x - foot.x(), z - foot.z()) - radius;
            double tall = Math.abs(up - height / 2) - height / 2 + SOFT;
            double outside = Math.hypot(Math.max(out, 0), Math.max(tall, 0));
            return Math.min(Math.max(out, tall), 0) + outside - SOFT;
        }
    }

    /** A block with soft edges. */
    record Block(Vec middle, Vec half, double soft, Material material) implements Solid {

        @Override
        public double distance(double x, double y, double z) {
            double dx = Math.abs(x - middle.x()) - half.x() + soft;
            double dy = Math.abs(y - middle.y()) - half.y() + soft;
            double dz = Math.abs(z - middle.z()) - half.z() + soft;
            double outside = Math.sqrt(Math.max(dx, 0) * Math.max(dx, 0)
                    + Math.max(dy, 0) * Math.max(dy, 0)
                    + Math.max(dz, 0) * Math.max(dz, 0));
            return Math.min(Math.max(dx, Math.max(dy, dz)), 0) + outside - soft;
        }
    }
}
