package chalktrace.core.time;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * What a conform makes of a source.
 *
 * @param rows for each shot frame of it, in order
 * @param seconds that it lasts in the shot
 * @param repeated pictures that more than one frame shows, in order
 * @param dropped pictures between the first and the last taken that no frame shows, in order
 */
public record ConformReport(List<Row> rows, double seconds, List<Integer> repeated, List<Integer> dropped) {

    /** A shot frame, the picture that it shows, and when that picture starts in the source. */
    public record Row(int frame, int picture, double pictureSeconds) {}

    public ConformReport {
        rows = List.copyOf(rows);
        repeated = List.copyOf(repeated);
        dropped = List.copyOf(dropped);
    }

    /** Cost: one look-up a frame. */
    public static ConformReport of(Conform conform, FrameRate rate, PictureTimes times) {
        List<Row> rows = new ArrayList<>();
        List<Integer> repeated = new ArrayList<>();
        List<Integer> dropped = new ArrayList<>();
        int frames = conform.frames(rate, times);
        int before = conform.firstPicture() - 1;
        for (int f = conform.startFrame(); f < conform.startFrame() + frames; f++) {
            OptionalInt picture = conform.pictureAt(f, rate, times);
            if (picture.isEmpty()) {
                continue;
            }
            int n = picture.getAsInt();
            rows.add(new Row(f, n, times.seconds(n)));
            if (n == before && (repeated.isEmpty() || repeated.get(repeated.size() - 1) != n)) {
                repeated.add(n);
            }
            for (int skipped = before + 1; skipped < n; skipped++) {
                dropped.add(skipped);
            }
            before = Math.max(before, n);
        }
        for (int skipped = before + 1; skipped < Math.min(conform.endPicture(), times.count()); skipped++) {
            dropped.add(skipped);
        }
        return new ConformReport(rows, rate.seconds(frames), repeated, dropped);
    }
}
