package chalktrace.core.fill;

import java.util.ArrayDeque;
import java.util.Deque;

/** All pixels that can be reached from one, up, down, left and right, without touching what is set. Cost: linear in the region. */
final class Flood {

    private Flood() {}

    /** @param barrier where it does not go; a start on it gives an empty region */
    static Bitmap from(int startX, int startY, Bitmap barrier) {
        Bitmap region = new Bitmap(barrier.width, barrier.height);
        into(region, startX, startY, barrier);
        return region;
    }

    /** Adds what is reached from a pixel to a region. */
    static void into(Bitmap region, int startX, int startY, Bitmap barrier) {
        int w = barrier.width;
        Deque<Integer> starts = new ArrayDeque<>();
        starts.push(startY * w + startX);
        while (!starts.isEmpty()) {
            int start = starts.pop();
            if (barrier.on[start] || region.on[start]) {
                continue;
            }
            int row = start / w * w;
            int left = start;
            while (left > row && !barrier.on[left - 1] && !region.on[left - 1]) {
                left--;
            }
            int right = start;
            while (right < row + w - 1 && !barrier.on[right + 1] && !region.on[right + 1]) {
                right++;
            }
            for (int i = left; i <= right; i++) {
                region.on[i] = true;
            }
            pushRuns(starts, left - w, right - w, region, barrier);
            pushRuns(starts, left + w, right + w, region, barrier);
        }
    }

    /** One start for each run of free pixels in a stretch of a row. */
    private static void pushRuns(Deque<Integer> starts, int from, int to, Bitmap region, Bitmap barrier) {
        if (from < 0 || to >= region.on.length) {
            return;
        }
        boolean inRun = false;
        for (int i = from; i <= to; i++) {
            boolean free = !barrier.on[i] && !region.on[i];
            if (free && !inRun) {
                starts.push(i);
            }
            inRun = free;
        }
    }
}
