package chalktrace.demo.scene;

import chalktrace.demo.scene.Solid.Block;
import chalktrace.demo.scene.Solid.Capsule;
import chalktrace.demo.scene.Solid.Cup;
import chalktrace.demo.scene.Solid.Ellipsoid;
import java.util.ArrayList;
import java.util.List;

/** All solids of a pose, in groups whose parts flow into each other; each group lies within a ball that is asked first. */
final class Bodies {

    static final double COUNTER_TOP = 0.95;

    /** Farther than this from a group's ball, the ball stands for the group. */
    private static final double FAR = 0.12;

    private record Group(List<Solid> parts, double blend, Vec middle, double radius) {}

    private final List<Group> groups = new ArrayList<>();

    /** Those before the stall. */
    private final int movingGroups;

    Bodies(Pose pose) {
        torso(pose);
        head(pose);
        arm(pose.right(), pose.right().hand().minus(pose.grip()).length() < 0.06);
        arm(pose.left(), false);
        kettle(pose);
        cup(pose);
        movingGroups = groups.size();
        stall();
    }

    /** All parts of the figure and of what she holds, in the same order in every pose. */
    List<Solid> moving() {
        return groups.subList(0, movingGroups).stream()
                .filter(group -> group.parts.get(0).material() != Material.WATER)
                .flatMap(group -> group.parts.stream())
                .toList();
    }

    /** The distance to the nearest solid. */
    double distance(double x, double y, double z) {
        double nearest = 10;
        for (Group group : groups) {
            double toBall = toBall(group, x, y, z);
            if (toBall < nearest) {
                nearest = Math.min(nearest, toBall > FAR ? toBall : blended(group, x, y, z));
            }
        }
        return nearest;
    }

    /** The part whose surface is nearest. */
    Solid nearest(double x, double y, double z) {
        Solid found = null;
        double nearest = Double.MAX_VALUE;
        for (Group group : groups) {
            if (toBall(group, x, y, z) > 0.05) {
                continue;
            }
            for (Solid part : group.parts) {
                double d = part.distance(x, y, z);
                if (d < nearest) {
                    nearest = d;
                    found = part;
                }
            }
        }
        return found;
    }

    private static double toBall(Group group, double x, double y, double z) {
        double dx = x - group.middle.x();
        double dy = y - group.middle.y();
        double dz = z - group.middle.z();
        return Math.sqrt(dx * dx + dy * dy + dz * dz) - group.radius;
    }

    private static double blended(Group group, double x, double y, double z) {
        double d = 10;
        for (Solid part : group.parts) {
            double other = part.distance(x, y, z);
            double h = Math.max(0, group.blend - Math.abs(d - other)) / group.blend;
            d = Math.min(d, other) - h * h * group.blend / 4;
        }
        return d;
    }

    private void add(double blend, Vec middle, double radius, Solid... parts) {
        groups.add(new Group(List.of(parts), blend, middle, radius));
    }

    private void torso(Pose pose) {
        Vec chest = pose.chest();
        Vec hips = new Vec(chest.x() * 0.3, 0.86, 0.02);
        Vec left = chest.plus(new Vec(0.175, 0.095, 0));
        Vec right = chest.plus(new Vec(-0.175, 0.095, 0));
        add(
                0.06,
                chest.plus(new Vec(0, -0.1, 0)),
                0.48,
                new Capsule(hips, 0.17, chest, 0.155, Material.COAT),
                new Capsule(left, 0.075, right, 0.075, Material.COAT),
                new Capsule(chest, 0.13, chest.plus(new Vec(0, 0.06, 0)), 0.12, Material.COAT));
        add(
                0.03,
                chest.plus(new Vec(0, -0.2, 0.1)),
                0.4,
                new Capsule(
                        hips.plus(new Vec(0, 0, 0.05)),
                        0.148,
                        chest.plus(new Vec(0, -0.03, 0.052)),
                        0.112,
                        Material.APRON));
        Vec neck = chest.plus(new Vec(0.1 * pose.head().x(), 0.19, 0.01));
        add(
                0.03,
                neck,
                0.22,
                new Capsule(
                        chest.plus(new Vec(0, 0.12, 0)),
                        0.06,
                        pose.head().plus(new Vec(0, -0.07, -0.02)),
                        0.052,
                        Material.SKIN));
        add(
                0.035,
                neck,
                0.25,
                new Capsule(
                        neck.plus(new Vec(-0.06, -0.01, 0.02)),
                        0.042,
                        neck.plus(new Vec(0.02, -0.03, 0.07)),
                        0.045,
                        Material.SCARF),
                new Capsule(
                        neck.plus(new Vec(0.06, -0.005, 0.02)),
                        0.042,
                        neck.plus(new Vec(0.0, -0.035, 0.07)),
                        0.045,
                        Material.SCARF),
                new Capsule(
                        neck.plus(new Vec(-0.06, 0, -0.03)),
                        0.04,
                        neck.plus(new Vec(0.06, 0, -0.03)),
                        0.04,
                        Material.SCARF),
                new Capsule(
                        neck.plus(new Vec(0.03, -0.05, 0.09)),
                        0.03,
                        neck.plus(new Vec(0.055, -0.16, 0.12)),
                        0.026,
                        Material.SCARF));
    }

    private void head(Pose pose) {
        Vec[] axes = pose.headAxes();
        add(
                0.035,
                pose.head(),
                0.22,
                new Ellipsoid(pose.head(), axes, 0.098, 0.13, 0.112, Material.FACE),
                new Ellipsoid(pose.onHead(0, -0.068, 0.022), axes, 0.068, 0.066, 0.078, Material.FACE),
                new Capsule(pose.onHead(0, 0.012, 0.105), 0.011, pose.onHead(0, -0.028, 0.121), 0.017, Material.FACE),
                new Ellipsoid(pose.onHead(-0.1, -0.01, -0.01), axes, 0.014, 0.03, 0.02, Material.FACE),
                new Ellipsoid(pose.onHead(0.1, -0.01, -0.01), axes, 0.014, 0.03, 0.02, Material.FACE));
        add(
                0.03,
                pose.onHead(0, 0.02, -0.06),
                0.24,
                new Ellipsoid(pose.onHead(0, 0.03, -0.03), axes, 0.106, 0.118, 0.108, Material.HAIR),
                new Ellipsoid(pose.onHead(0, 0.02, -0.145), axes, 0.05, 0.05, 0.045, Material.HAIR));
        add(
                0.02,
                pose.onHead(0, 0.09, 0),
                0.22,
                new Ellipsoid(pose.onHead(0, 0.088, -0.012), axes, 0.122, 0.066, 0.125, Material.CAP),
                new Ellipsoid(pose.onHead(0, 0.062, 0.098), axes, 0.088, 0.012, 0.062, Material.CAP));
    }

    private void arm(Pose.Arm arm, boolean onKettle) {
        Vec cuff = arm.elbow().mix(arm.hand(), 0.78);
        Vec middle = arm.elbow();
        add(
                0.03,
                middle,
                0.42,
                new Capsule(arm.shoulder(), 0.07, arm.elbow(), 0.053, Material.COAT),
                new Capsule(arm.elbow(), 0.053, cuff, 0.042, Material.COAT));
        Vec along = arm.hand().minus(arm.elbow()).unit();
        Vec palm = arm.hand();
        Vec fingers = onKettle
                ? palm.plus(new Vec(0.035, -0.012, 0.02))
                : palm.plus(along.times(0.055)).plus(new Vec(0, 0.01, 0));
        Vec thumb = palm.plus(new Vec(arm.shoulder().x() < 0 ? 0.03 : -0.03, 0.02, 0.02));
        add(
                0.025,
                palm,
                0.17,
                new Capsule(cuff, 0.03, palm, 0.031, Material.SKIN),
                new Capsule(palm, 0.034, fingers, 0.022, Material.SKIN),
                new Capsule(palm, 0.02, thumb, 0.013, Material.SKIN));
    }

    private void kettle(Pose pose) {
        Vec[] axes = {
            pose.onKettle(1, 0, 0).minus(pose.grip()), pose.onKettle(0, 1, 0).minus(pose.grip()), new Vec(0, 0, 1)
        };
        add(
                0.02,
                pose.onKettle(0, -0.16, 0),
                0.3,
                new Ellipsoid(pose.onKettle(0, -0.185, 0), axes, 0.125, 0.098, 0.125, Material.KETTLE),
                new Ellipsoid(pose.onKettle(0, -0.1, 0), axes, 0.06, 0.018, 0.06, Material.KETTLE),
                new Ellipsoid(pose.onKettle(0, -0.078, 0), axes, 0.016, 0.016, 0.016, Material.GRIP),
                new Capsule(pose.onKettle(0.10, -0.2, 0), 0.034, pose.onKettle(0.17, -0.15, 0), 0.022, Material.KETTLE),
                new Capsule(
                        pose.onKettle(0.17, -0.15, 0), 0.021, pose.onKettle(0.215, -0.105, 0), 0.014, Material.KETTLE));
        List<Solid> handle = new ArrayList<>();
        Vec before = null;
        for (int i = 0; i <= 8; i++) {
            double angle = Math.PI * i / 8;
            Vec here = pose.onKettle(-0.105 * Math.cos(angle), -0.125 + 0.125 * Math.sin(angle), 0);
            if (before != null) {
                handle.add(new Capsule(before, 0.0105, here, 0.0105, i == 4 || i == 5 ? Material.GRIP : Material.IRON));
            }
            before = here;
        }
        groups.add(new Group(handle, 0.004, pose.onKettle(0, -0.06, 0), 0.16));
        if (pose.pour() > 0.02) {
            stream(pose);
        }
    }

    /** Water falls from the spout as anything falls that is thrown forward. */
    private void stream(Pose pose) {
        Vec tip = pose.onKettle(0.225, -0.098, 0);
        double fall = tip.y() - pose.cup().y() - 0.05;
        List<Solid> pieces = new ArrayList<>();
        Vec before = tip;
        for (int i = 1; i <= 6; i++) {
            double share = i / 6.0 * pose.pour();
            Vec here = new Vec(
                    tip.x() + (pose.cup().x() - tip.x()) * Math.sqrt(share),
                    tip.y() - fall * share,
                    tip.z() + (pose.cup().z() - tip.z()) * share);
            pieces.add(new Capsule(before, 0.008, here, 0.007, Material.WATER));
            before = here;
        }
        groups.add(new Group(pieces, 0.01, tip.plus(new Vec(0, -fall / 2, 0)), fall / 2 + 0.1));
    }

    private void cup(Pose pose) {
        add(0.001, pose.cup().plus(new Vec(0, 0.04, 0)), 0.1, new Cup(pose.cup(), 0.075, 0.032, 0.043, Material.CUP));
    }

    private void stall() {
        add(
                0.001,
                new Vec(0, COUNTER_TOP - 0.06, 0.5),
                1.9,
                new Block(new Vec(0, COUNTER_TOP - 0.03, 0.52), new Vec(1.6, 0.03, 0.28), 0.012, Material.COUNTER),
                new Block(new Vec(0, 0.5, 0.46), new Vec(1.55, 0.43, 0.24), 0.01, Material.APRON));
        add(
                0.001,
                new Vec(-0.47, COUNTER_TOP + 0.02, 0.42),
                0.2,
                new Cup(new Vec(-0.47, COUNTER_TOP - 0.005, 0.42), 0.018, 0.12, 0.115, Material.IRON));
        add(
                0.001,
                new Vec(0.62, COUNTER_TOP + 0.06, 0.5),
                0.26,
                new Cup(new Vec(0.55, COUNTER_TOP, 0.42), 0.075, 0.032, 0.043, Material.CUP),
                new Cup(new Vec(0.66, COUNTER_TOP, 0.46), 0.075, 0.032, 0.043, Material.CUP),
                new Cup(new Vec(0.60, COUNTER_TOP + 0.074, 0.43), 0.075, 0.032, 0.043, Material.CUP));
    }
}
