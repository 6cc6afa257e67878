package chalktrace.core.space;

import java.util.Arrays;

/**
 * How one property of a node changes over time.
 */
public final class Channel {

    private final int node;
    private final Property property;
    private final Way way;
    private final float[] seconds;
    private final float[] values;

    /** What of a node changes. */
    public enum Property {
        MOVE,
        TURN,
        SCALE,
        MORPHS
    }

    /** How it goes from key to key: glTF 2.0, appendix C. */
    public enum Way {
        STEP,
        LINEAR,
        CUBIC_SPLINE
    }

    /**
     * @param seconds rising times of k keys
     * @param values k times the property's width: 3 for moves and scales, 4 for turns, one a morph; with {@link
     *     Way#CUBIC_SPLINE} three times as many: tangent in, value, tangent out
     * @throws IllegalArgumentException when times do not rise, or values are missing
     */
    public Channel(int node, Property property, Way way, float[] seconds, float[] values) {
        int per = way == Way.CUBIC_SPLINE ? 3 : 1;
        if (seconds.length == 0 || values.length == 0 || values.length % (seconds.length * per) != 0) {
            throw new IllegalArgumentException("has " + values.length + " values for " + seconds.length + " keys");
        }
        for (int i = 1; i < seconds.length; i++) {
            if (!(seconds[i] > seconds[i - 1])) {
                throw new IllegalArgumentException("has keys whose times do not rise");
            }
        }
        this.node = node;
        this.property = property;
        this.way = way;
        this.seconds = seconds;
        this.values = values;
    }

    public int node() {
        return node;
    }

    public Property property() {
        return property;
    }

    public Way way() {
        return way;
    }

    public float[] seconds() {
        return seconds;
    }

    public float[] values() {
        return values;
    }

    /** The same of another node. */
    Channel of(int other) {
        return new Channel(other, property, way, seconds, values);
    }

    /** How many numbers the property has. */
    public int width() {
        return values.length / seconds.length / (way == Way.CUBIC_SPLINE ? 3 : 1);
    }

    /** The property at a time; before the first key that of the first, after the last that of the last. */
    public double[] at(double time) {
        int after = Arrays.binarySearch(seconds, (float) time);
        after = after >= 0 ? after : -after - 1;
        if (after == 0 || time <= seconds[0]) {
            return key(0);
        }
        if (after == seconds.length) {
            return key(seconds.length - 1);
        }
        if (seconds[after] <= time) {
            return key(after);
        }
        double span = seconds[after] - seconds[after - 1];
        double share = Math.max(0, (time - seconds[after - 1]) / span);
        return switch (way) {
            case STEP -> key(after - 1);
            case LINEAR -> property == Property.TURN ? turned(after, share) : straight(after, share);
            case CUBIC_SPLINE -> spline(after, share, span);
        };
    }

    private double[] key(int k) {
        return part(way == Way.CUBIC_SPLINE ? 3 * k + 1 : k);
    }

    private double[] part(int index) {
        double[] out = new double[width()];
        for (int i = 0; i < out.length; i++) {
            out[i] = values[index * out.length + i];
        }
        return out;
    }

    private double[] straight(int after, double share) {
        double[] a = key(after - 1);
        double[] b = key(after);
        for (int i = 0; i < a.length; i++) {
            a[i] += (b[i] - a[i]) * share;
        }
        return a;
    }

    private double[] turned(int after, double share) {
        Quaternion q = quaternion(key(after - 1)).towards(quaternion(key(after)), share);
        return new double[] {q.x(), q.y(), q.z(), q.w()};
    }

    /** Cubic Hermite spline: glTF 2.0, appendix C.5. */
    private double[] spline(int after, double t, double span) {
        double[] from = part(3 * after - 2);
        double[] out = part(3 * after - 1);
        double[] in = part(3 * after);
        double[] to = part(3 * after + 1);
        double t2 = t * t;
        double t3 = t2 * t;
        for (int i = 0; i < from.length; i++) {
            from[i] = (2 * t3 - 3 * t2 + 1) * from[i]
                    + span * (t3 - 2 * t2 + t) * out[i]
                    + (-2 * t3 + 3 * t2) * to[i]
                    + span * (t3 - t2) * in[i];
        }
        return from;
    }

    static Quaternion quaternion(double[] v) {
        return new Quaternion(v[0], v[1], v[2], v[3]).unit();
    }
}
