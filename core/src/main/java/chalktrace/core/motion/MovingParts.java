package chalktrace.core.motion;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Follows what moves in a source when nobody has touched a point: the best spots of the places that change most, anew every few seconds. */
public final class MovingParts {

    /** Spots are looked for anew after so many pictures, and followed as far to both sides. */
    private static final int EACH = 48;

    private static final int SPOTS = 8;
    private static final int COLUMNS = 12;
    private static final int ROWS = 8;

    /** What changes less than this from picture to picture, in grey levels, is grain. */
    private static final double LEAST_CHANGE = 3;

    /** The change is measured over so many pictures. */
    private static final int APART = 3;

    private MovingParts() {}

    private record Cell(int column, int row, double change) {}

    /**
     * Where a picture can't be read, spots are looked for on the next that is due.
     *
     * @throws PictureUnavailableException when none of them can be read
     * @throws java.util.concurrent.CancellationException when the progress says so
     */
    public static List<MovingPoint> of(PictureSource source, Tracking.Progress progress)
            throws PictureUnavailableException {
        int count = source.times().count();
        List<MovingPoint> out = new ArrayList<>();
        boolean read = false;
        PictureUnavailableException unread = null;
        for (int seed = 0; seed + APART < count; seed += EACH) {
            int at = seed;
            List<Tracking.Start> starts;
            try {
                starts = starts(source, at);
                read = true;
            } catch (PictureUnavailableException e) {
                unread = e;
                continue;
            }
            int from = Math.max(0, seed - EACH);
            int to = Math.min(count, seed + EACH + 1);
            List<TrackPath> paths = Tracking.follow(
                    source, starts, from, to, (done, total) -> progress.at(Math.min(at + done / 2, count), count));
            for (TrackPath path : paths) {
                if (path.places().size() > Stillness.SHORTEST) {
                    out.add(MovingPoint.of("part " + (out.size() + 1), path));
                }
            }
        }
        if (!read && unread != null) {
            throw unread;
        }
        return out;
    }

    private static List<Tracking.Start> starts(PictureSource source, int picture) throws PictureUnavailableException {
        Luma now = Luma.of(source.picture(picture));
        Luma later = Luma.of(source.picture(picture + APART));
        List<Cell> cells = new ArrayList<>();
        double wide = (double) now.width() / COLUMNS;
        double high = (double) now.height() / ROWS;
        for (int row = 0; row < ROWS; row++) {
            for (int column = 0; column < COLUMNS; column++) {
                double change = change(now, later, column * wide, row * high, wide, high);
                if (change > LEAST_CHANGE) {
                    cells.add(new Cell(column, row, change));
                }
            }
        }
        cells.sort(Comparator.comparingDouble(Cell::change).reversed());
        int radius = PointTracker.usualRadius(now.height());
        SeenPlace places = new SeenPlace(source.picture(picture).size(), source.displaySize(), source.turnDegrees());
        List<Tracking.Start> out = new ArrayList<>();
        for (int i = 0; i < cells.size() && out.size() < SPOTS; i++) {
            Cell cell = cells.get(i);
            Spot.bestNear(
                            now,
                            (cell.column() + 0.5) * wide,
                            (cell.row() + 0.5) * high,
                            radius,
                            Math.min(wide, high) / 2)
                    .map(spot -> places.seen(spot.x(), spot.y()))
                    .ifPresent(seen -> out.add(new Tracking.Start(picture, seen.getX(), seen.getY(), 0)));
        }
        return out;
    }

    private static double change(Luma now, Luma later, double left, double top, double wide, double high) {
        double sum = 0;
        int count = 0;
        for (double y = top; y < top + high - 1; y += 4) {
            for (double x = left; x < left + wide - 1; x += 4) {
                sum += Math.abs(now.at(x, y) - later.at(x, y));
                count++;
            }
        }
        return count == 0 ? 0 : sum / count;
    }
}
