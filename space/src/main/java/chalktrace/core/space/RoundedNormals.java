package chalktrace.core.space;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Normals for triangles that have none: sides that meet at less than 40 degrees are rounded into each other, others stay sharp. Each side counts
 * by its angle at the corner (Thuermer and Wuethrich, "Computing vertex normals from polygonal facets", 1998).
 */
public final class RoundedNormals {

    private static final double ROUND_COSINE = Math.cos(Math.toRadians(40));

    /** The tip of a cone of more sides than this stays sharp. */
    private static final int MOST_AROUND = 1000;

    private RoundedNormals() {}

    /**
     * @param corners three numbers a corner, three corners a triangle
     * @return three numbers a corner, of length 1; of length 0 where a triangle has no area
     */
    public static float[] of(float[] corners) {
        int count = corners.length / 3;
        Point3[] sides = new Point3[count / 3];
        for (int t = 0; t < sides.length; t++) {
            Point3 a = corner(corners, 3 * t);
            sides[t] = corner(corners, 3 * t + 1)
                    .minus(a)
                    .cross(corner(corners, 3 * t + 2).minus(a))
                    .unit();
        }
        Map<Point3, List<Integer>> meeting = new HashMap<>();
        for (int c = 0; c < count; c++) {
            meeting.computeIfAbsent(corner(corners, c), place -> new ArrayList<>())
                    .add(c);
        }
        float[] out = new float[corners.length];
        for (int c = 0; c < count; c++) {
            Point3 own = sides[c / 3];
            Point3 sum = Point3.ZERO;
            List<Integer> around = meeting.get(corner(corners, c));
            for (int other : around.size() > MOST_AROUND ? List.of(c) : around) {
                Point3 side = sides[other / 3];
                if (own.dot(side) >= ROUND_COSINE) {
                    sum = sum.plus(side.times(angle(corners, other)));
                }
            }
            Point3 normal = sum.unit();
            out[3 * c] = (float) normal.x();
            out[3 * c + 1] = (float) normal.y();
            out[3 * c + 2] = (float) normal.z();
        }
        return out;
    }

    private static double angle(float[] corners, int c) {
        Point3 at = corner(corners, c);
        Point3 a = corner(corners, c - c % 3 + (c + 1) % 3).minus(at).unit();
        Point3 b = corner(corners, c - c % 3 + (c + 2) % 3).minus(at).unit();
        return Math.acos(Math.max(-1, Math.min(1, a.dot(b))));
    }

    /** 0 and -0 are one place. */
    private static Point3 corner(float[] corners, int c) {
        return new Point3(corners[3 * c] + 0.0, corners[3 * c + 1] + 0.0, corners[3 * c + 2] + 0.0);
    }
}
