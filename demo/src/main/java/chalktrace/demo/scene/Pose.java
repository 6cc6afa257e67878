package chalktrace.demo.scene;

/**
 * How the tea seller and her things stand at one moment.
 *
 * @param headTurn degrees to the figure's left (the picture's right)
 * @param headNod degrees downwards
 * @param headTilt degrees towards the picture's right
 * @param grip where the kettle's handle is
 * @param kettleTilt degrees towards the spout
 * @param pour 0 (dry) to 1 (full stream)
 * @param mouthOpen 0 to 1
 * @param eyesOpen 0 to 1
 */
public record Pose(
        Vec chest,
        Vec head,
        double headTurn,
        double headNod,
        double headTilt,
        Arm right,
        Arm left,
        Vec grip,
        double kettleTilt,
        Vec cup,
        double pour,
        double mouthOpen,
        double eyesOpen) {

    /** A bent arm. */
    public record Arm(Vec shoulder, Vec elbow, Vec hand) {

        static final double UPPER = 0.30;
        static final double LOWER = 0.27;

        /** The arm that reaches for a place, its elbow hanging towards {@code pole}: the law of cosines. */
        static Arm reaching(Vec shoulder, Vec target, Vec pole) {
            Vec reach = target.minus(shoulder);
            double distance = Math.min(reach.length(), (UPPER + LOWER) * 0.998);
            Vec along = reach.unit();
            double foot = (UPPER * UPPER - LOWER * LOWER + distance * distance) / (2 * distance);
            double height = Math.sqrt(Math.max(0, UPPER * UPPER - foot * foot));
            Vec side = pole.minus(along.times(pole.dot(along))).unit();
            return new Arm(
                    shoulder,
                    shoulder.plus(along.times(foot)).plus(side.times(height)),
                    shoulder.plus(along.times(distance)));
        }
    }

    /** The head's own axes: right on the picture, up, and out of the face. */
    public Vec[] headAxes() {
        double turn = Math.toRadians(headTurn);
        double nod = Math.toRadians(headNod);
        double tilt = Math.toRadians(headTilt);
        Vec out = new Vec(Math.sin(turn) * Math.cos(nod), -Math.sin(nod), Math.cos(turn) * Math.cos(nod));
        Vec level = new Vec(Math.cos(turn), 0, -Math.sin(turn));
        Vec up = out.cross(level);
        return new Vec[] {
            level.times(Math.cos(tilt)).minus(up.times(Math.sin(tilt))),
            up.times(Math.cos(tilt)).plus(level.times(Math.sin(tilt))),
            out
        };
    }

    /** A place of the face, given in the head's own axes. */
    public Vec onHead(double right, double up, double out) {
        Vec[] axes = headAxes();
        return head.plus(axes[0].times(right)).plus(axes[1].times(up)).plus(axes[2].times(out));
    }

    /** A place of the kettle, given from its grip as it stands upright. */
    public Vec onKettle(double x, double y, double z) {
        double tilt = Math.toRadians(kettleTilt);
        return grip.plus(new Vec(x * Math.cos(tilt) + y * Math.sin(tilt), -x * Math.sin(tilt) + y * Math.cos(tilt), z));
    }
}
