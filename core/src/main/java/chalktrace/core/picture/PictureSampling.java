package chalktrace.core.picture;

/**
 * Where the columns of a row of output lie in a picture: column i at {@code first + i x step} samples, where 0 is the
 * middle of the first sample. Reused from row to row; it also holds the rows' scratch memory, so one serves one thread.
 */
public final class PictureSampling {

    final double first;
    final double step;
    final int[] luma;
    final int[] blue;
    final int[] red;
    private final int[] positions;
    private int[] chromaPositions;

    public PictureSampling(double first, double step, int count) {
        this.first = first;
        this.step = step;
        this.luma = new int[count];
        this.blue = new int[count];
        this.red = new int[count];
        this.positions = fixed(first, step, count);
    }

    /** Whether each column is exactly one sample, side by side. */
    boolean isOneToOne() {
        return step == 1 && first == Math.rint(first);
    }

    int[] positions() {
        return positions;
    }

    /** The positions in a plane that has one sample for {@code 1 << shift} of the picture's. */
    int[] chromaPositions(int shift) {
        if (shift == 0) {
            return positions;
        }
        if (chromaPositions == null) {
            chromaPositions = fixed(toChroma(first, shift), step / (1 << shift), positions.length);
        }
        return chromaPositions;
    }

    /** A position in the plane of chroma, whose samples lie in the middle of the luma samples that they serve. */
    static double toChroma(double position, int shift) {
        return (position + 0.5) / (1 << shift) - 0.5;
    }

    static int fixed(double position) {
        return (int) Math.floor(position * 256 + 0.5);
    }

    private static int[] fixed(double first, double step, int count) {
        int[] out = new int[count];
        for (int i = 0; i < count; i++) {
            out[i] = fixed(first + i * step);
        }
        return out;
    }
}
