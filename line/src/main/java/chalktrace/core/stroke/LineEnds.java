package chalktrace.core.stroke;

import java.util.List;

/**
 * How a line ends, turns a corner and is broken, as SVG 2 defines it in chapter 13 (stroke-linecap, stroke-linejoin,
 * stroke-miterlimit, stroke-dasharray, stroke-dashoffset).
 *
 * @param miterLimit the longest a miter may be, in line widths; a longer one becomes a bevel
 * @param dashes lengths of dash and gap in turn, in shot pixels; none for an unbroken line
 * @param dashOffset how far into the dashes the line starts, in pixels
 */
public record LineEnds(Cap cap, Join join, double miterLimit, List<Double> dashes, double dashOffset) {

    /** As a round chalk draws. */
    public static final LineEnds ROUND = new LineEnds(Cap.ROUND, Join.ROUND, 4, List.of(), 0);

    private static final int MOST_DASHES = 64;
    private static final double LONGEST_PX = 1e6;

    /** What stands at the two ends of a line. */
    public enum Cap {
        ROUND,
        BUTT,
        SQUARE
    }

    /** What stands on the outside of a corner. */
    public enum Join {
        ROUND,
        MITER,
        BEVEL
    }

    /** @throws IllegalArgumentException when a number is out of bounds */
    public LineEnds {
        dashes = List.copyOf(dashes);
        boolean drawable = dashes.size() <= MOST_DASHES
                && dashes.size() % 2 == 0
                && dashes.stream().allMatch(length -> length >= 0 && length <= LONGEST_PX)
                && (dashes.isEmpty() || dashes.stream().mapToDouble(d -> d).sum() > 0);
        if (!drawable || !(miterLimit >= 1 && miterLimit <= 1000) || !(Math.abs(dashOffset) <= LONGEST_PX)) {
            throw new IllegalArgumentException("A line has a miter limit of 1 to 1000 and up to " + MOST_DASHES
                    + " dashes and gaps, as many of both.");
        }
    }

    /** With dashes as much longer or shorter. */
    LineEnds scaled(double share) {
        return dashes.isEmpty()
                ? this
                : new LineEnds(
                        cap,
                        join,
                        miterLimit,
                        dashes.stream()
                                .map(length -> Math.min(LONGEST_PX, length * share))
                                .toList(),
                        dashOffset * share);
    }
}
