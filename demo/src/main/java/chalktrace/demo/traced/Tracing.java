package chalktrace.demo.traced;

import chalktrace.core.stroke.Stroke;
import chalktrace.demo.film.ClipMaker;
import chalktrace.demo.scene.Camera;
import chalktrace.demo.scene.Pose;
import chalktrace.demo.scene.Vec;
import java.util.ArrayList;
import java.util.List;

/** Drawings of a pose as it is seen on the clip: loose shapes first, a cleaner line as the second pass. */
final class Tracing {

    private static final double WIDTH = ClipMaker.SIZE.width();
    private static final double HEIGHT = ClipMaker.SIZE.height();

    private final Pose pose;
    private final Camera camera;
    private final List<Stroke> strokes = new ArrayList<>();

    Tracing(Pose pose, double frame) {
        this.pose = pose;
        this.camera = new Camera(frame, WIDTH / HEIGHT);
    }

    /** Head, cross of the face, shoulders, torso, arms and kettle as simple shapes. */
    List<Stroke> loose(Hand hand, String chalk) {
        double head = px(pose.head(), 0.115);
        double[] h = at(pose.onHead(0, -0.01, 0));
        strokes.add(hand.ellipse(chalk, h[0], h[1], head, head * 1.25, -pose.headTilt()));
        strokes.add(hand.draw(
                chalk, path(pose.onHead(0, 0.08, 0.1), pose.onHead(0, 0, 0.125), pose.onHead(0, -0.12, 0.08))));
        strokes.add(hand.draw(
                chalk,
                path(pose.onHead(-0.09, 0.012, 0.03), pose.onHead(0, 0.008, 0.115), pose.onHead(0.09, 0.012, 0.03))));
        strokes.replaceAll(stroke -> stroke.withPart("head"));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.right().shoulder(),
                        pose.chest().plus(new Vec(0, 0.14, 0.1)),
                        pose.left().shoulder())));
        Vec hips = new Vec(pose.chest().x() * 0.3, 0.96, 0.1);
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.right().shoulder(),
                        pose.chest().plus(new Vec(-0.15, -0.1, 0)),
                        hips.plus(new Vec(-0.16, 0, 0)))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.left().shoulder(),
                        pose.chest().plus(new Vec(0.15, -0.1, 0)),
                        hips.plus(new Vec(0.16, 0, 0)))));
        for (Pose.Arm arm : List.of(pose.right(), pose.left())) {
            strokes.add(hand.draw(
                    chalk,
                    path(
                            arm.shoulder(),
                            arm.shoulder().mix(arm.elbow(), 0.5),
                            arm.elbow(),
                            arm.elbow().mix(arm.hand(), 0.5),
                            arm.hand())));
            double[] p = at(arm.hand());
            strokes.add(hand.ellipse(chalk, p[0], p[1], px(arm.hand(), 0.045), px(arm.hand(), 0.04), 0));
        }
        int kettle = strokes.size();
        kettle(hand, chalk);
        strokes.subList(kettle, strokes.size()).replaceAll(stroke -> stroke.withPart("kettle"));
        return strokes;
    }

    /** Outlines with weight: cap, face, scarf, sleeves, kettle. */
    List<Stroke> clean(Hand hand, String chalk) {
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onHead(-0.085, 0.045, 0.03),
                        pose.onHead(-0.088, -0.02, 0.02),
                        pose.onHead(-0.07, -0.085, 0.03),
                        pose.onHead(0, -0.135, 0.05),
                        pose.onHead(0.07, -0.085, 0.03),
                        pose.onHead(0.088, -0.02, 0.02),
                        pose.onHead(0.085, 0.045, 0.03))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onHead(-0.1, 0.058, 0.05),
                        pose.onHead(-0.122, 0.09, 0),
                        pose.onHead(-0.07, 0.145, 0),
                        pose.onHead(0, 0.156, 0),
                        pose.onHead(0.07, 0.145, 0),
                        pose.onHead(0.122, 0.09, 0),
                        pose.onHead(0.1, 0.058, 0.05))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onHead(-0.095, 0.062, 0.07),
                        pose.onHead(-0.05, 0.05, 0.14),
                        pose.onHead(0.05, 0.05, 0.14),
                        pose.onHead(0.095, 0.062, 0.07))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onHead(-0.008, 0.03, 0.11),
                        pose.onHead(-0.018, -0.03, 0.13),
                        pose.onHead(0.014, -0.044, 0.128))));
        Vec neck = pose.chest().plus(new Vec(0, 0.19, 0.02));
        strokes.add(hand.draw(
                chalk,
                path(
                        neck.plus(new Vec(-0.1, 0.01, 0)),
                        neck.plus(new Vec(-0.06, -0.06, 0.1)),
                        neck.plus(new Vec(0.03, -0.075, 0.12)),
                        neck.plus(new Vec(0.1, 0.0, 0)))));
        for (Pose.Arm arm : List.of(pose.right(), pose.left())) {
            sleeve(hand, chalk, arm, 1);
            sleeve(hand, chalk, arm, -1);
        }
        kettle(hand, chalk);
        return strokes;
    }

    /** The cup alone, as it is seen at this moment. */
    List<Stroke> cup(Hand hand, String chalk) {
        Vec foot = pose.cup();
        Vec top = foot.plus(new Vec(0, 0.075, 0));
        double[] rim = at(top);
        strokes.add(hand.ellipse(chalk, rim[0], rim[1], px(top, 0.044), px(top, 0.011), 0));
        strokes.add(hand.draw(
                chalk,
                path(
                        top.plus(new Vec(-0.043, 0, 0)),
                        foot.plus(new Vec(-0.034, 0.01, 0)),
                        foot.plus(new Vec(-0.02, -0.006, 0.02)),
                        foot.plus(new Vec(0.02, -0.006, 0.02)),
                        foot.plus(new Vec(0.034, 0.01, 0)),
                        top.plus(new Vec(0.043, 0, 0)))));
        return strokes;
    }

    /** Where the middle of the mouth is seen, and how wide. */
    double[] mouth() {
        Vec middle = pose.onHead(0, -0.078, 0.105);
        double[] p = at(middle);
        return new double[] {p[0], p[1], px(middle, 0.08)};
    }

    double[] at(Vec point) {
        double[] seen = camera.seen(point);
        return new double[] {seen[0] * WIDTH, seen[1] * HEIGHT};
    }

    private void sleeve(Hand hand, String chalk, Pose.Arm arm, double side) {
        double[] shoulder = at(arm.shoulder());
        double[] elbow = at(arm.elbow());
        double[] palm = at(arm.elbow().mix(arm.hand(), 0.8));
        double[] upper = across(shoulder, elbow, side * px(arm.shoulder(), 0.062));
        double[] lower = across(elbow, palm, side * px(arm.elbow(), 0.05));
        double[] cuff = across(elbow, palm, side * px(arm.hand(), 0.04));
        double[] bend = {(upper[0] + lower[0]) / 2, (upper[1] + lower[1]) / 2};
        strokes.add(hand.draw(
                chalk,
                shoulder[0] + upper[0],
                shoulder[1] + upper[1],
                (shoulder[0] + elbow[0]) / 2 + upper[0],
                (shoulder[1] + elbow[1]) / 2 + upper[1],
                elbow[0] + bend[0],
                elbow[1] + bend[1],
                (palm[0] + elbow[0]) / 2 + lower[0],
                (palm[1] + elbow[1]) / 2 + lower[1],
                palm[0] + cuff[0],
                palm[1] + cuff[1]));
    }

    private static double[] across(double[] from, double[] to, double by) {
        double length = Math.max(1e-6, Math.hypot(to[0] - from[0], to[1] - from[1]));
        return new double[] {-(to[1] - from[1]) / length * by, (to[0] - from[0]) / length * by};
    }

    private void kettle(Hand hand, String chalk) {
        Vec belly = pose.onKettle(0, -0.185, 0);
        double[] p = at(belly);
        strokes.add(hand.ellipse(chalk, p[0], p[1], px(belly, 0.128), px(belly, 0.102), pose.kettleTilt()));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onKettle(0.09, -0.22, 0.03),
                        pose.onKettle(0.17, -0.165, 0.02),
                        pose.onKettle(0.22, -0.1, 0))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onKettle(0.085, -0.165, 0.03),
                        pose.onKettle(0.15, -0.125, 0.02),
                        pose.onKettle(0.205, -0.095, 0))));
        strokes.add(hand.draw(
                chalk,
                path(
                        pose.onKettle(-0.105, -0.13, 0),
                        pose.onKettle(-0.09, -0.05, 0),
                        pose.onKettle(-0.045, -0.005, 0),
                        pose.onKettle(0.045, -0.005, 0),
                        pose.onKettle(0.09, -0.05, 0),
                        pose.onKettle(0.105, -0.13, 0))));
    }

    private double px(Vec point, double length) {
        return camera.size(point, length) * HEIGHT;
    }

    private double[] path(Vec... points) {
        double[] out = new double[2 * points.length];
        for (int i = 0; i < points.length; i++) {
            double[] p = at(points[i]);
            out[2 * i] = p[0];
            out[2 * i + 1] = p[1];
        }
        return out;
    }
}
