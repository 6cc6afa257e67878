package chalktrace.core.fill;

import java.util.Arrays;

/** A picture of yes and no, row after row. It is made and worked on within this package; outside it is only handed on. */
public final class Bitmap {

    private static final boolean[] NONE = new boolean[1 << 12];
    private static final boolean[] ALL = new boolean[1 << 12];

    static {
        Arrays.fill(ALL, true);
    }

    final int width;
    final int height;
    final boolean[] on;

    /** @throws IllegalArgumentException when the pixels are not as many as the size says */
    public Bitmap(int width, int height, boolean[] on) {
        if (on.length != width * height) {
            throw new IllegalArgumentException("A bitmap has a pixel for each place of its size.");
        }
        this.width = width;
        this.height = height;
        this.on = on;
    }

    Bitmap(int width, int height) {
        this(width, height, new boolean[width * height]);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Whether a pixel is set; outside none is. */
    public boolean at(int x, int y) {
        return x >= 0 && y >= 0 && x < width && y < height && on[y * width + x];
    }

    /** The first set place of a stretch, or its end. Many are looked at at a time. */
    int nextOn(int from, int end) {
        return next(NONE, from, end);
    }

    /** The first place of a stretch that is not set, or its end. */
    int nextOff(int from, int end) {
        return next(ALL, from, end);
    }

    private int next(boolean[] passed, int from, int end) {
        int at = from;
        while (at < end) {
            int count = Math.min(end - at, passed.length);
            int other = Arrays.mismatch(on, at, at + count, passed, 0, count);
            if (other >= 0) {
                return at + other;
            }
            at += count;
        }
        return end;
    }

    /** Takes pixels of a row that lie side by side. */
    @FunctionalInterface
    interface Run {

        /** @param end the column after the last */
        void take(int y, int start, int end);
    }

    /** Hands out, row by row, the set pixels that have one beside, above or below them that is not set or is no pixel. */
    void eachEdge(Run run) {
        for (int y = 0; y < height; y++) {
            int row = y * width;
            int last = row + width;
            for (int start = nextOn(row, last); start < last; ) {
                int end = nextOff(start, last);
                if (y == 0 || y == height - 1) {
                    run.take(y, start - row, end - row);
                } else {
                    eachEdge(run, y, start, end);
                }
                start = nextOn(end, last);
            }
        }
    }

    /** Of a stretch of set pixels within a row between others. */
    private void eachEdge(Run run, int y, int start, int end) {
        int row = y * width;
        int at = start;
        while (at < end) {
            int first = at;
            while (at < end && (at == start || at == end - 1 || !on[at - width] || !on[at + width])) {
                at++;
            }
            if (at > first) {
                run.take(y, first - row, at - row);
            }
            int above = nextOff(at - width, end - width) + width;
            int below = nextOff(at + width, end + width) - width;
            at = at == end ? end : Math.min(end - 1, Math.min(above, below));
        }
    }

    /** How many pixels are set. */
    public int count() {
        int count = 0;
        for (boolean pixel : on) {
            count += pixel ? 1 : 0;
        }
        return count;
    }

    Bitmap inverted() {
        boolean[] out = new boolean[on.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = !on[i];
        }
        return new Bitmap(width, height, out);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Bitmap bitmap && width == bitmap.width && Arrays.equals(on, bitmap.on);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(on);
    }
}
