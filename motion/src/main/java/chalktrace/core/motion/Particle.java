package chalktrace.core.motion;

import java.awt.geom.Point2D;
import java.util.Arrays;

/** A place that goes along with the pictures, and how it has moved beside the camera. In few bytes: a long clip has many of them. */
final class Particle {

    /** Where it is seen, x and y, and where a camera that stands still would see it, x and y. */
    private static final int EACH = 4;

    private int firstPicture;
    private float[] places;
    private int length = EACH;

    /** @param x in px of the stored picture, @param y down */
    Particle(int firstPicture, double x, double y) {
        this.firstPicture = firstPicture;
        this.places = new float[16 * EACH];
        put((float) x, (float) y, (float) x, (float) y, 0);
    }

    private void put(float x, float y, float steadyX, float steadyY, int at) {
        places[at] = x;
        places[at + 1] = y;
        places[at + 2] = steadyX;
        places[at + 3] = steadyY;
    }

    double x() {
        return places[length - EACH];
    }

    double y() {
        return places[length - EACH + 1];
    }

    int steps() {
        return length / EACH - 1;
    }

    /** On to its place in the next picture. @param groundX where it would be had it stood still on the ground, @param groundY likewise */
    void moveTo(double toX, double toY, double groundX, double groundY) {
        if (length == places.length) {
            places = Arrays.copyOf(places, 2 * length);
        }
        double steadyX = places[length - 2] + toX - groundX;
        double steadyY = places[length - 1] + toY - groundY;
        put((float) toX, (float) toY, (float) steadyX, (float) steadyY, length);
        length += EACH;
    }

    /** Keeps its last steps only. */
    void forgetAllBut(int steps) {
        int gone = Math.max(0, steps() - steps);
        places = Arrays.copyOfRange(places, gone * EACH, length);
        length -= gone * EACH;
        firstPicture += gone;
    }

    /** Whether it has come farther than this from where it began, beside the camera, in px. */
    boolean hasMoved(double px) {
        for (int at = 0; at < length; at += EACH) {
            if (Math.hypot(places[at + 2] - places[2], places[at + 3] - places[3]) > px) {
                return true;
            }
        }
        return false;
    }

    /** The diagonal of the box that its way beside the camera fills, in px. */
    double reach() {
        float lowX = Float.MAX_VALUE;
        float highX = -Float.MAX_VALUE;
        float lowY = Float.MAX_VALUE;
        float highY = -Float.MAX_VALUE;
        for (int at = 2; at < length; at += EACH) {
            lowX = Math.min(lowX, places[at]);
            highX = Math.max(highX, places[at]);
            lowY = Math.min(lowY, places[at + 1]);
            highY = Math.max(highY, places[at + 1]);
        }
        return Math.hypot(highX - lowX, highY - lowY);
    }

    /** In px of the source as seen. */
    MovingPoint seen(SeenPlace on) {
        return path(on, 0);
    }

    /** As a camera that stands still would see it. */
    MovingPoint steady(SeenPlace on) {
        return path(on, 2);
    }

    private MovingPoint path(SeenPlace on, int offset) {
        double[] x = new double[steps() + 1];
        double[] y = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            Point2D at = on.seen(places[i * EACH + offset], places[i * EACH + offset + 1]);
            x[i] = at.getX();
            y[i] = at.getY();
        }
        return new MovingPoint("", firstPicture, x, y);
    }
}
