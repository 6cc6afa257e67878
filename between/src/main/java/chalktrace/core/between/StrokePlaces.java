package chalktrace.core.between;

import java.util.ArrayList;
import java.util.List;

/**
 * Where the strokes of a draft lie. Each has its own shape and turn by then; what lies between it and the strokes that it is attached
 * to goes from what it is in the first drawing to what it is in the second, turning as they do. These wishes are met as well as they
 * can be (least squares, touching strokes first), and ends that touch in both drawings are brought together. Cost: cubic in the number of strokes, once.
 */
final class StrokePlaces {

    /** Beside attachments, a stroke's own way counts this little: it decides where strokes lie that nothing is attached to. */
    private static final double OWN_WAY = 1e-4;

    /** The weakest hold between two strokes that are closest to each other. */
    private static final double WEAKEST = 0.01;

    private static final double FADES = 0.1;

    /** Ends that are this close in both drawings, in shares of their size, meet in the draft. */
    private static final double MEETS = 0.006;

    private static final int MEETING_ROUNDS = 6;

    /** @param gap how long it is in either drawing, its direction in the first, and its turn */
    private record Wish(int stroke, int at, int other, int there, double weight, boolean meets, double[] gap) {}

    private final List<Polyline> from;
    private final List<Polyline> to;
    private final List<Wish> wishes = new ArrayList<>();
    private final double[][] factor;

    /** Of each stroke whether its start, and its end, meet others. */
    private final boolean[][] held;

    /**
     * @param turns of each stroke from the first drawing to the second, in radians
     * @param links of each stroke
     * @param size of the larger drawing, in pixels
     */
    StrokePlaces(
            List<Polyline> from, List<Polyline> to, double[] turns, List<List<Attachments.Link>> links, double size) {
        this.from = from;
        this.to = to;
        for (int i = 0; i < from.size(); i++) {
            for (Attachments.Link link : links.get(i)) {
                wishes.add(wish(i, link, turns, size));
            }
        }
        factor = factored();
        held = new boolean[from.size()][2];
        for (Wish wish : wishes) {
            if (wish.meets) {
                held[wish.stroke][wish.at == 0 ? 0 : 1] = true;
                if (wish.there == 0 || wish.there == from.get(wish.other).count() - 1) {
                    held[wish.other][wish.there == 0 ? 0 : 1] = true;
                }
            }
        }
    }

    private Wish wish(int i, Attachments.Link link, double[] turns, double size) {
        int k = link.other();
        double ax = from.get(k).x()[link.there()] - from.get(i).x()[link.at()];
        double ay = from.get(k).y()[link.there()] - from.get(i).y()[link.at()];
        double bx = to.get(k).x()[link.there()] - to.get(i).x()[link.at()];
        double by = to.get(k).y()[link.there()] - to.get(i).y()[link.at()];
        double lengthA = Math.hypot(ax, ay);
        double lengthB = Math.hypot(bx, by);
        double turn = (turns[i] + turns[k]) / 2;
        if (lengthA > 1e-6 && lengthB > 1e-6) {
            double own = Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
            turn += Math.IEEEremainder(own - turn, 2 * Math.PI);
        }
        double angle = lengthA > 1e-6 ? Math.atan2(ay, ax) : Math.atan2(by, bx) - turn;
        double weight = link.weight() * Math.exp(-lengthB / (FADES * size));
        int last = from.get(i).count() - 1;
        boolean meets = Math.max(lengthA, lengthB) < Math.max(1, MEETS * size) && (link.at() == 0 || link.at() == last);
        return new Wish(i, link.at(), k, link.there(), Math.max(WEAKEST, weight), meets, new double[] {
            lengthA, lengthB, angle, turn
        });
    }

    private static double gapX(Wish wish, double share) {
        double length = wish.gap[0] + share * (wish.gap[1] - wish.gap[0]);
        return length * Math.cos(wish.gap[2] + share * wish.gap[3]);
    }

    private static double gapY(Wish wish, double share) {
        double length = wish.gap[0] + share * (wish.gap[1] - wish.gap[0]);
        return length * Math.sin(wish.gap[2] + share * wish.gap[3]);
    }

    /**
     * Moves the strokes of a draft to their places.
     *
     * @param lines each with its shape and turn by then; they are moved
     * @param whole the movement of the drawing as a whole
     */
    void settle(List<Polyline> lines, Similarity whole, double share) {
        int n = lines.size();
        double[] wantX = new double[n];
        double[] wantY = new double[n];
        Similarity now = whole.at(share);
        Similarity back = whole.inverse();
        for (int i = 0; i < n; i++) {
            double ownX = to.get(i).middleX();
            double ownY = to.get(i).middleY();
            double restX = from.get(i).middleX() * (1 - share) + share * back.x(ownX, ownY);
            double restY = from.get(i).middleY() * (1 - share) + share * back.y(ownX, ownY);
            wantX[i] = OWN_WAY * (now.x(restX, restY) - lines.get(i).middleX());
            wantY[i] = OWN_WAY * (now.y(restX, restY) - lines.get(i).middleY());
        }
        for (Wish wish : wishes) {
            // Moving the one by d and the other by e: (there + e) - (at + d) should be the gap.
            double offX = gapX(wish, share)
                    - lines.get(wish.other).x()[wish.there]
                    + lines.get(wish.stroke).x()[wish.at];
            double offY = gapY(wish, share)
                    - lines.get(wish.other).y()[wish.there]
                    + lines.get(wish.stroke).y()[wish.at];
            wantX[wish.other] += wish.weight * offX;
            wantY[wish.other] += wish.weight * offY;
            wantX[wish.stroke] -= wish.weight * offX;
            wantY[wish.stroke] -= wish.weight * offY;
        }
        solve(wantX);
        solve(wantY);
        for (int i = 0; i < n; i++) {
            lines.set(i, lines.get(i).moved(new Similarity(1, 0, wantX[i], wantY[i])));
        }
        meet(lines, share);
    }

    /** Brings ends that met together again: each is led half of what is missing, and takes its stroke along. */
    private void meet(List<Polyline> lines, double share) {
        for (int round = 0; round < MEETING_ROUNDS; round++) {
            for (Wish wish : wishes) {
                if (wish.meets) {
                    Polyline line = lines.get(wish.stroke);
                    Polyline other = lines.get(wish.other);
                    double missingX = other.x()[wish.there] - line.x()[wish.at] - gapX(wish, share);
                    double missingY = other.y()[wish.there] - line.y()[wish.at] - gapY(wish, share);
                    boolean endToEnd = wish.there == 0 || wish.there == other.count() - 1;
                    double part = endToEnd ? 0.5 : 1;
                    lead(wish.stroke, line, wish.at == 0, part * missingX, part * missingY);
                    if (endToEnd) {
                        lead(wish.other, other, wish.there == 0, -part * missingX, -part * missingY);
                    }
                }
            }
        }
    }

    /** A stroke whose other end is free goes as a whole, so that it keeps its length. */
    private void lead(int stroke, Polyline line, boolean start, double dx, double dy) {
        line.leadEnd(start, dx, dy);
        if (!held[stroke][start ? 1 : 0]) {
            line.leadEnd(!start, dx, dy);
        }
    }

    /** The factor of Cholesky of the matrix of all wishes: as many rows as strokes, symmetric and positive. */
    private double[][] factored() {
        int n = from.size();
        double[][] m = new double[n][n];
        for (int i = 0; i < n; i++) {
            m[i][i] = OWN_WAY;
        }
        for (Wish wish : wishes) {
            m[wish.stroke][wish.stroke] += wish.weight;
            m[wish.other][wish.other] += wish.weight;
            m[wish.stroke][wish.other] -= wish.weight;
            m[wish.other][wish.stroke] -= wish.weight;
        }
        for (int j = 0; j < n; j++) {
            for (int k = 0; k < j; k++) {
                m[j][j] -= m[j][k] * m[j][k];
            }
            m[j][j] = Math.sqrt(Math.max(1e-12, m[j][j]));
            for (int i = j + 1; i < n; i++) {
                double sum = m[i][j];
                for (int k = 0; k < j; k++) {
                    sum -= m[i][k] * m[j][k];
                }
                m[i][j] = sum / m[j][j];
            }
        }
        return m;
    }

    private void solve(double[] right) {
        int n = right.length;
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < i; k++) {
                right[i] -= factor[i][k] * right[k];
            }
            right[i] /= factor[i][i];
        }
        for (int i = n - 1; i >= 0; i--) {
            for (int k = i + 1; k < n; k++) {
                right[i] -= factor[k][i] * right[k];
            }
            right[i] /= factor[i][i];
        }
    }
}
