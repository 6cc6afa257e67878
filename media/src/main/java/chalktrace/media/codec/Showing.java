package chalktrace.media.codec;

import chalktrace.core.time.PictureTimes;
import java.util.Arrays;
import java.util.function.IntPredicate;

/** Which of a stream's pictures is seen when: each once, or, where a list of edits says so, some of them more often. */
final class Showing {

    private final int[] pictures;
    private final int[][] turns;
    private final PictureTimes times;
    private final long firstSeen;

    /**
     * @param pictures for each turn the stream's picture that is seen then
     * @param stored how many pictures the stream has
     * @param firstSeen when the first is seen, in the stream's unit
     */
    Showing(int[] pictures, int stored, PictureTimes times, long firstSeen) {
        this.pictures = pictures;
        this.times = times;
        this.firstSeen = firstSeen;
        turns = new int[stored][0];
        for (int n = 0; n < pictures.length; n++) {
            int[] before = turns[pictures[n]];
            turns[pictures[n]] = Arrays.copyOf(before, before.length + 1);
            turns[pictures[n]][before.length] = n;
        }
    }

    int count() {
        return pictures.length;
    }

    PictureTimes times() {
        return times;
    }

    long firstSeen() {
        return firstSeen;
    }

    /** The stream's picture that is seen in turn n. */
    int picture(int n) {
        return pictures[n];
    }

    /** In which turns a picture of the stream is seen. */
    int[] turns(int picture) {
        return turns[picture];
    }

    /** Whether a picture of the stream is seen in a turn that is wanted. */
    boolean isWanted(int picture, IntPredicate wanted) {
        return Arrays.stream(turns[picture]).anyMatch(wanted);
    }
}
