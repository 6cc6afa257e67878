package chalktrace.core.motion;

import java.util.Arrays;

/**
 * How far particles seem to go where nothing moves: each step of theirs adds the flow's noise, so that a place that stands still wanders, like a random walk, as far as
 * the root of its steps. What most of a clip's particles do says how far that is in it, be it for grain, compression, flicker or a camera in the hand.
 */
final class WanderFloor {

    /** Of shorter ways it says nothing. */
    private static final int SHORTEST = 12;

    /** Of so many particles in a hundred that go least, the farthest still stands still: even where much moves. */
    private static final double SHARE = 0.3;

    /** So many times as far as that is a movement. */
    private static final double TIMES = 8;

    private float[] wandered = new float[1024];
    private int count;

    /** Takes in what a particle did; from any thread. */
    synchronized void meet(Particle particle) {
        if (particle.steps() < SHORTEST) {
            return;
        }
        if (count == wandered.length) {
            wandered = Arrays.copyOf(wandered, 2 * count);
        }
        wandered[count++] = (float) (particle.reach() / Math.sqrt(particle.steps()));
    }

    /** What goes no farther than this times the root of its steps may stand still, in px; 0 where nothing was met. */
    double aStep() {
        float[] sorted = Arrays.copyOf(wandered, count);
        Arrays.sort(sorted);
        return count == 0 ? 0 : TIMES * sorted[(int) (SHARE * (count - 1))];
    }
}
