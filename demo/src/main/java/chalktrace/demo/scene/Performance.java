package chalktrace.demo.scene;

import chalktrace.demo.scene.Pose.Arm;

/**
 * What the tea seller does, in frames at 24 a second: reaches for the kettle, lifts it (slow, then fast, on an arc),
 * pours, turns back at once, sets the cup down with a clink, looks up and speaks, one hand raised.
 */
public final class Performance {

    public static final int FRAMES = 192;
    public static final int LIFT = 26;
    public static final int POUR_START = 60;
    public static final int POUR_END = 95;

    /** The frame on which the cup meets the counter. */
    public static final int CLINK = 112;

    public static final int KETTLE_DOWN = 118;

    /** The frame with which the recording of the line starts. */
    public static final int LINE = 120;

    private final Track gripX = new Track(
            0, -0.47, 26, -0.47, 34, -0.44, 42, -0.22, 50, -0.02, 56, 0.0, 96, 0.0, 104, -0.2, 112, -0.44, 118, -0.47);
    private final Track gripY = new Track(
            0, 1.235, 26, 1.235, 34, 1.31, 42, 1.50, 50, 1.47, 56, 1.445, 94, 1.445, 102, 1.47, 110, 1.33, 118, 1.235);
    private final Track gripZ = new Track(0, 0.42, 26, 0.42, 46, 0.44, 56, 0.42, 96, 0.42, 118, 0.42);
    private final Track tilt = new Track(0, 0, 52, 0, 62, 44, 80, 52, 90, 55, 95, 30, 99, -4, 104, 0);
    private final Track pour = new Track(0, 0, 58, 0, 61, 1, 92, 1, 95, 0);

    private final Track rightX = new Track(0, -0.30, 8, -0.30, 15, -0.36, 22, -0.47);
    private final Track rightY = new Track(0, 1.0, 8, 1.0, 15, 1.22, 22, 1.25);
    private final Track rightZ = new Track(0, 0.36, 8, 0.36, 15, 0.40, 22, 0.42);
    private final Track rightLetGo = new Track(0, 0, 119, 0, 132, 1);

    private final Track cupX = new Track(0, 0.34, 40, 0.34, 54, 0.115, 98, 0.115, 105, 0.17, 112, 0.25);
    private final Track cupY = new Track(0, 0.955, 40, 0.955, 48, 1.06, 54, 1.035, 98, 1.035, 105, 1.075, 112, 0.955);
    private final Track cupZ = new Track(0, 0.44, 40, 0.44, 54, 0.42, 98, 0.42, 112, 0.56);

    private final Track leftFree = new Track(0, 0, 113, 0, 119, 1);
    private final Track leftX = new Track(113, 0.31, 119, 0.36, 128, 0.41, 150, 0.41, 164, 0.34);
    private final Track leftY = new Track(113, 1.0, 119, 1.04, 129, 1.30, 136, 1.27, 140, 1.31, 150, 1.29, 164, 1.0);
    private final Track leftZ = new Track(113, 0.56, 119, 0.46, 129, 0.40, 150, 0.42, 164, 0.36);

    private final Track turn =
            new Track(0, 4, 6, 4, 16, -24, 40, -22, 54, 8, 62, 12, 98, 12, 106, 16, 112, 14, 119, 2, 192, 0);
    private final Track nod = new Track(
            0, 2, 8, 4, 18, 14, 36, 10, 54, 14, 92, 16, 104, 12, 112, 14, 119, -2, 127, 4, 133, 0, 140, 5, 150, 1, 162,
            4, 176, 2);
    private final Track lean = new Track(0, 0, 20, -0.05, 30, -0.045, 52, 0.015, 96, 0.02, 112, 0.035, 122, 0, 192, 0);
    private final Track bend =
            new Track(0, 0, 22, 0.03, 40, 0.0, 62, 0.035, 92, 0.04, 112, 0.06, 122, 0.01, 140, 0.03, 170, 0);
    private final Track headTilt = new Track(0, 0, 20, 5, 50, -3, 92, -4, 118, 3, 150, 5, 180, 1);

    private final MouthTrack mouth;

    public Performance(MouthTrack mouth) {
        this.mouth = mouth;
    }

    /** How far the mouth is open at a frame, 0 to 1, from the recording. */
    @FunctionalInterface
    public interface MouthTrack {
        double openAt(double frame);
    }

    /** @param frame counted from 0; parts of a frame are moments between */
    public Pose at(double frame) {
        double breath = Math.sin(frame / 24 * 2 * Math.PI * 0.28);
        Vec chest = new Vec(lean.at(frame), 1.27 + 0.004 * breath - 0.2 * bend.at(frame), 0.06 + bend.at(frame));
        Vec head = chest.plus(new Vec(0.35 * lean.at(frame), 0.385 + 0.002 * breath, 0.03 + 0.5 * bend.at(frame)));
        Vec grip = new Vec(gripX.at(frame), gripY.at(frame), gripZ.at(frame));
        Vec cup = new Vec(cupX.at(frame), cupY.at(frame), cupZ.at(frame));

        Vec free = new Vec(rightX.at(frame), rightY.at(frame), rightZ.at(frame));
        Vec rightTarget = frame < 22 ? free : grip.plus(new Vec(0, 0.015, 0));
        rightTarget = rightTarget.mix(new Vec(-0.32, 1.0, 0.34), rightLetGo.at(frame));
        Vec leftOnCup = cup.plus(new Vec(0.06, 0.045, 0));
        Vec leftTarget = leftOnCup.mix(new Vec(leftX.at(frame), leftY.at(frame), leftZ.at(frame)), leftFree.at(frame));

        Arm right = Arm.reaching(chest.plus(new Vec(-0.19, 0.10, 0)), rightTarget, new Vec(-0.8, -0.7, -0.1));
        Arm left = Arm.reaching(chest.plus(new Vec(0.19, 0.10, 0)), leftTarget, new Vec(0.8, -0.75, -0.1));
        return new Pose(
                chest,
                head,
                turn.at(frame),
                nod.at(frame),
                headTilt.at(frame),
                right,
                left,
                grip,
                tilt.at(frame),
                cup,
                pour.at(frame),
                mouth.openAt(frame),
                blink(frame));
    }

    /** Half closed, closed for two frames, half open (common practice on twelve drawings a second, kept short here). */
    private static double blink(double frame) {
        double closed = 1;
        for (double at : new double[] {14, 55, 117, 158}) {
            double away = Math.abs(frame - at);
            closed = Math.min(closed, away < 1 ? 0 : away < 2.5 ? (away - 1) / 1.5 : 1);
        }
        return closed;
    }
}
