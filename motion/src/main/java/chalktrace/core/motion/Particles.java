package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Particles all over the pictures, one in each cell of a grid where there is something to be seen. Pictures come in order. */
final class Particles {

    /** So many cells lie along the longer side. */
    private static final int CELLS = 26;

    /** Where less of what is around was seen, a particle would only go along with others. */
    private static final double SURE = 0.7;

    /** What moves by more than this, in the smallest parts of the flow, is followed back, and has to come out so near where it was, and to look so much alike. */
    private static final double MOVES = 0.5;

    private static final double BACK = 1;

    private static final double ALIKE = 0.85;

    private static final int RADIUS = 7;

    /** In pictures with a shorter side nothing is to be seen. */
    private static final int SMALLEST_SIDE = 24;

    /** What comes no farther than this, in the smallest parts of the flow, rests; of a long rest only the end is kept. */
    private static final double RESTS = 2;

    private static final int LONG = 240;
    private static final int END = 48;

    private final Shift shift = new Shift(RADIUS);
    private final List<Particle> ended = new ArrayList<>();
    private List<Particle> living = new ArrayList<>();
    private final WanderFloor floor = new WanderFloor();
    private double grain = 1;

    /** Those that have moved; none goes on after this. */
    List<Particle> ended() {
        endAll();
        return ended;
    }

    double grain() {
        return grain;
    }

    void endAll() {
        end(living);
        living = new ArrayList<>();
    }

    private void end(List<Particle> some) {
        for (Particle particle : some) {
            floor.meet(particle);
            if (particle.hasMoved(RESTS * grain)) {
                ended.add(particle);
            }
        }
    }

    /** How far what stands still seems to go. */
    WanderFloor floor() {
        return floor;
    }

    /** On by a picture. @param n the number of the second one */
    void move(int n, Pyramid before, Pyramid now) {
        if (!isSame(before.whole(), now.whole()) || Cuts.isBetween(before, now)) {
            endAll();
            return;
        }
        Flow flow = Flow.between(before, now);
        grain = flow.grain();
        int width = before.whole().width();
        int height = before.whole().height();
        seed(n - 1, flow, width, height);
        Warp camera = CameraMotion.of(flow, width, height);
        Map<Boolean, List<Particle>> goesOn = living.parallelStream()
                .collect(Collectors.partitioningBy(particle -> moves(particle, flow, camera, before, now)));
        end(goesOn.get(false));
        living = new ArrayList<>(goesOn.get(true));
    }

    /** Whether both are of one size, and large enough. */
    private static boolean isSame(Luma before, Luma now) {
        return before.width() == now.width()
                && before.height() == now.height()
                && Math.min(now.width(), now.height()) >= SMALLEST_SIDE;
    }

    /** @return whether it is still there */
    private boolean moves(Particle particle, Flow flow, Warp camera, Pyramid before, Pyramid now) {
        double x = particle.x();
        double y = particle.y();
        double toX = x + flow.right(x, y);
        double toY = y + flow.down(x, y);
        Luma whole = now.whole();
        if (toX < 0 || toY < 0 || toX > whole.width() - 1 || toY > whole.height() - 1) {
            return false;
        }
        double groundX = camera.x(x, y);
        double groundY = camera.y(x, y);
        if (Math.hypot(toX - groundX, toY - groundY) > MOVES * flow.grain()) {
            Shift.Found back = shift.follow(now, before, toX, toY, x, y, 1 + flow.level());
            if (back.likeness() < ALIKE || Math.hypot(back.x() - x, back.y() - y) > BACK * flow.grain()) {
                return false;
            }
        }
        particle.moveTo(toX, toY, groundX, groundY);
        if (particle.steps() > LONG && !particle.hasMoved(RESTS * flow.grain())) {
            floor.meet(particle);
            particle.forgetAllBut(END);
        }
        return true;
    }

    private void seed(int picture, Flow flow, int width, int height) {
        double cell = (double) Math.max(width, height) / CELLS;
        int columns = (int) Math.ceil(width / cell);
        int rows = (int) Math.ceil(height / cell);
        boolean[] taken = new boolean[columns * rows];
        for (Particle particle : living) {
            taken[(int) (particle.y() / cell) * columns + (int) (particle.x() / cell)] = true;
        }
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double x = (column + 0.5) * cell;
                double y = (row + 0.5) * cell;
                boolean inside = x < width - 1 && y < height - 1;
                if (!taken[row * columns + column] && inside && flow.sure(x, y) > SURE) {
                    living.add(new Particle(picture, x, y));
                }
            }
        }
    }
}
