package chalktrace.core.motion;

import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntFunction;

/** A point over frames: where it is on each, as far as that is known. Immutable. */
public final class MovingPoint {

    /** Of third differences of white noise: the square root of 1 + 9 + 9 + 1. */
    private static final double THIRD_DIFFERENCE = Math.sqrt(20);

    /** The median of the absolute values of a normal distribution. */
    private static final double NORMAL_MEDIAN = 0.6745;

    private final String name;
    private final int firstFrame;
    private final double[] x;
    private final double[] y;

    /** Frames from the first to the last, both known throughout. */
    record Stretch(int first, int last) {

        int frames() {
            return last - first + 1;
        }
    }

    /** @param x in px, one a frame from the first on; NaN where it is not known @param y likewise, down */
    public MovingPoint(String name, int firstFrame, double[] x, double[] y) {
        if (x.length != y.length || x.length == 0) {
            throw new IllegalArgumentException("A point has an x and a y for each of its frames, one at least.");
        }
        this.name = name;
        this.firstFrame = firstFrame;
        this.x = x.clone();
        this.y = y.clone();
        for (int i = 0; i < x.length; i++) {
            if (!Double.isFinite(x[i]) || !Double.isFinite(y[i])) {
                this.x[i] = Double.NaN;
                this.y[i] = Double.NaN;
            }
        }
    }

    /** From the first frame to the last on which it is known, of those from 0 on; empty when it is known on none. */
    public static Optional<MovingPoint> over(int frames, String name, IntFunction<Optional<Point2D>> at) {
        double[] x = new double[frames];
        double[] y = new double[frames];
        int first = -1;
        int last = -1;
        for (int frame = 0; frame < frames; frame++) {
            Optional<Point2D> place = at.apply(frame);
            x[frame] = place.map(Point2D::getX).orElse(Double.NaN);
            y[frame] = place.map(Point2D::getY).orElse(Double.NaN);
            if (place.isPresent()) {
                first = first < 0 ? frame : first;
                last = frame;
            }
        }
        return first < 0
                ? Optional.empty()
                : Optional.of(new MovingPoint(
                        name, first, Arrays.copyOfRange(x, first, last + 1), Arrays.copyOfRange(y, first, last + 1)));
    }

    /** A followed path, each picture as a frame. */
    public static MovingPoint of(String name, TrackPath path) {
        int first = path.firstPicture();
        double[] x = new double[path.lastPicture() - first + 1];
        double[] y = new double[x.length];
        Arrays.fill(x, Double.NaN);
        Arrays.fill(y, Double.NaN);
        for (TrackPath.Place place : path.places()) {
            x[place.picture() - first] = place.x();
            y[place.picture() - first] = place.y();
        }
        return new MovingPoint(name, first, x, y);
    }

    public String name() {
        return name;
    }

    public int firstFrame() {
        return firstFrame;
    }

    public int lastFrame() {
        return firstFrame + x.length - 1;
    }

    public boolean knows(int frame) {
        return frame >= firstFrame && frame <= lastFrame() && !Double.isNaN(x[frame - firstFrame]);
    }

    /** In px; NaN where it is not known. */
    public double x(int frame) {
        return knows(frame) ? x[frame - firstFrame] : Double.NaN;
    }

    public double y(int frame) {
        return knows(frame) ? y[frame - firstFrame] : Double.NaN;
    }

    /** How far it moves from the frame before, in px; none where either is not known. */
    public OptionalDouble spacing(int frame) {
        return knows(frame) && knows(frame - 1)
                ? OptionalDouble.of(distance(frame - 1, frame))
                : OptionalDouble.empty();
    }

    double distance(int a, int b) {
        return Math.hypot(x(b) - x(a), y(b) - y(a));
    }

    /** How long its way is between two frames, in px, unknown parts left out. */
    public double length(int from, int to) {
        double sum = 0;
        for (int frame = from + 1; frame <= to; frame++) {
            sum += spacing(frame).orElse(0);
        }
        return sum;
    }

    public double length() {
        return length(firstFrame, lastFrame());
    }

    /** Where it is known without a gap. */
    List<Stretch> stretches() {
        List<Stretch> out = new ArrayList<>();
        int start = Integer.MIN_VALUE;
        for (int frame = firstFrame; frame <= lastFrame() + 1; frame++) {
            if (knows(frame) && start == Integer.MIN_VALUE) {
                start = frame;
            } else if (!knows(frame) && start != Integer.MIN_VALUE) {
                out.add(new Stretch(start, frame - 1));
                start = Integer.MIN_VALUE;
            }
        }
        return out;
    }

    /** Smoothed over each stretch, by Savitzky and Golay with a parabola. @param half so many frames to each side */
    public MovingPoint smoothed(int half) {
        double[] smoothX = x.clone();
        double[] smoothY = y.clone();
        for (Stretch stretch : stretches()) {
            int from = stretch.first() - firstFrame;
            int to = stretch.last() - firstFrame + 1;
            double[] partX = SavitzkyGolay.smoothed(Arrays.copyOfRange(x, from, to), half, 2);
            double[] partY = SavitzkyGolay.smoothed(Arrays.copyOfRange(y, from, to), half, 2);
            System.arraycopy(partX, 0, smoothX, from, partX.length);
            System.arraycopy(partY, 0, smoothY, from, partY.length);
        }
        return new MovingPoint(name, firstFrame, smoothX, smoothY);
    }

    /** The usual error of its places in px, from how much their third differences scatter: movement is smoother than that. */
    double noise() {
        List<Double> found = new ArrayList<>();
        for (double[] values : List.of(x, y)) {
            for (int i = 3; i < values.length; i++) {
                double third = values[i] - 3 * values[i - 1] + 3 * values[i - 2] - values[i - 3];
                if (!Double.isNaN(third)) {
                    found.add(Math.abs(third));
                }
            }
        }
        if (found.isEmpty()) {
            return 0;
        }
        found.sort(null);
        // Fast turns scatter too: the lower third of them is noise alone.
        double third = found.get(found.size() / 3);
        return third / (NORMAL_MEDIAN * 0.64) / THIRD_DIFFERENCE;
    }

    /** The diagonal of the box that holds it between two frames, in px. */
    double extent(int from, int to) {
        double lowX = Double.MAX_VALUE;
        double highX = -Double.MAX_VALUE;
        double lowY = Double.MAX_VALUE;
        double highY = -Double.MAX_VALUE;
        for (int frame = from; frame <= to; frame++) {
            if (knows(frame)) {
                lowX = Math.min(lowX, x(frame));
                highX = Math.max(highX, x(frame));
                lowY = Math.min(lowY, y(frame));
                highY = Math.max(highY, y(frame));
            }
        }
        return highX < lowX ? 0 : Math.hypot(highX - lowX, highY - lowY);
    }
}
