package chalktrace.core.motion;

/** An affine map: a place (x, y) comes to (a x + b y + tx, c x + d y + ty). */
record Warp(double a, double b, double c, double d, double tx, double ty) {

    static Warp at(double x, double y) {
        return new Warp(1, 0, 0, 1, x, y);
    }

    double x(double px, double py) {
        return a * px + b * py + tx;
    }

    double y(double px, double py) {
        return c * px + d * py + ty;
    }

    Warp movedTo(double x, double y) {
        return new Warp(a, b, c, d, x, y);
    }

    /** First the other, then this. */
    Warp after(Warp first) {
        return new Warp(
                a * first.a + b * first.c,
                a * first.b + b * first.d,
                c * first.a + d * first.c,
                c * first.b + d * first.d,
                x(first.tx, first.ty),
                y(first.tx, first.ty));
    }

    double determinant() {
        return a * d - b * c;
    }

    /** The way back; the determinant must not be 0. */
    Warp inverse() {
        double det = determinant();
        double ia = d / det;
        double ib = -b / det;
        double ic = -c / det;
        double id = a / det;
        return new Warp(ia, ib, ic, id, -(ia * tx + ib * ty), -(ic * tx + id * ty));
    }

    /** The largest change of a coefficient, moves left out. */
    double shapeDistance(Warp other) {
        return Math.max(
                Math.max(Math.abs(a - other.a), Math.abs(b - other.b)),
                Math.max(Math.abs(c - other.c), Math.abs(d - other.d)));
    }

    /** How much larger it makes things, by area. */
    double scale() {
        return Math.sqrt(Math.max(0, determinant()));
    }

    /** How far it turns, in degrees clockwise as y goes down. */
    double degrees() {
        return Math.toDegrees(Math.atan2(c - b, a + d));
    }
}
