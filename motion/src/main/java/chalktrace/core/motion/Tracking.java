package chalktrace.core.motion;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.words.MotionWords;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;

/**
 * Follows points of a source from the pictures on which they were touched to both ends of a range, all of them in one pass each way. Pictures are read
 * forwards only, a stretch at a time, as video decodes them best.
 */
public final class Tracking {

    public static final String CUT = MotionWords.TEXTS.of("there-is-a-cut");
    public static final String UNREADABLE = MotionWords.TEXTS.of("the-picture-cant-be-read");
    public static final String OUTSIDE = MotionWords.TEXTS.of("it-lies-outside-the-picture");
    public static final String EVEN = MotionWords.TEXTS.of("there-is-nothing-to-follow-the");
    public static final String ALONG_EDGE = MotionWords.TEXTS.of("it-lies-along-one-edge-and");

    /** How many pictures are held while going back, within the memory given. */
    private static final int MOST_HELD = 64;

    private static final long HELD_BYTES = 160L << 20;

    /** What was covered for longer is not looked for any more. */
    private static final int MOST_HIDDEN = 48;

    /** So near a poor place a better one is looked for. */
    private static final double NEAR_RADII = 3;

    /** Is told how far the work is. */
    @FunctionalInterface
    public interface Progress {

        /** @return whether to go on */
        boolean at(int done, int total);
    }

    /** A point to be followed. @param radius of what is looked at around it, in px of the source as seen; 0 for the usual */
    public record Start(int picture, double x, double y, double radius) {}

    /** One on its way. */
    private final class Runner {
        private final int index;
        private PointTracker tracker;
        private boolean over;

        /** For how many pictures it has been looked for; 0 while it is followed. */
        private int hiddenFor;

        Runner(int index) {
            this.index = index;
        }

        void begin(Pyramid picture) {
            Start start = starts.get(index);
            Point2D at = seenPlace.stored(start.x(), start.y());
            double scale = seenScale(picture);
            int usual = PointTracker.usualRadius(picture.whole().height());
            int radius = start.radius() > 0 ? (int) Math.round(start.radius() / scale) : usual;
            try {
                tracker = new PointTracker(picture, at.getX(), at.getY(), Math.max(6, Math.min(4 * usual, radius)));
            } catch (IllegalArgumentException e) {
                lose(start.picture(), OUTSIDE);
                return;
            }
            Spot.Kind kind =
                    Spot.of(picture.whole(), at.getX(), at.getY(), usual).kind();
            if (kind != Spot.Kind.GOOD && start.radius() == 0) {
                lose(start.picture(), kind == Spot.Kind.FLAT ? EVEN : ALONG_EDGE);
            }
        }

        void lose(int picture, String reason) {
            over = true;
            TrackPath.Lost loss = new TrackPath.Lost(picture, reason);
            if (!lost.get(index).contains(loss)) {
                lost.get(index).add(loss);
            }
        }

        /** It may be covered, and is looked for from now on. */
        private void hide(int picture, PointTracker.Lost loss) {
            end(picture, loss.reason(), loss.doubtful());
            over = !loss.reason().equals(PointTracker.COVERED);
            hiddenFor = 1;
        }

        /** It ends at a picture; where its last places are in doubt, on the first of these. */
        void end(int picture, String reason, int doubtful) {
            if (!giveUp(doubtful)) {
                lose(picture, reason);
            }
        }

        /** No more pictures come. */
        void finish() {
            if (!over && hiddenFor == 0) {
                giveUp(tracker.doubtful());
            }
        }

        /** The pictures end here for it. */
        void breakOff(int picture, String reason) {
            if (hiddenFor > 0) {
                over = true;
            } else {
                end(picture, reason, tracker.doubtful());
            }
        }

        /** Gives up the last places that are in doubt. @return whether there were any */
        private boolean giveUp(int doubtful) {
            List<TrackPath.Place> found = places.get(index);
            List<TrackPath.Place> doubted = found.subList(found.size() - doubtful, found.size());
            if (doubted.isEmpty()) {
                return false;
            }
            lose(doubted.get(0).picture(), PointTracker.COVERED);
            doubted.clear();
            return true;
        }

        void next(int picture, Pyramid pyramid) {
            if (hiddenFor > 0) {
                Optional<PointTracker.Found> found = tracker.again(pyramid);
                found.ifPresent(place -> add(picture, place));
                hiddenFor = found.isPresent() ? 0 : hiddenFor + 1;
                over = hiddenFor > MOST_HIDDEN;
                return;
            }
            PointTracker.Step step = tracker.next(pyramid);
            if (step instanceof PointTracker.Lost loss) {
                hide(picture, loss);
            } else if (step instanceof PointTracker.Found found) {
                add(picture, found);
            }
        }

        private void add(int picture, PointTracker.Found found) {
            Point2D at = seenPlace.seen(found.x(), found.y());
            places.get(index)
                    .add(new TrackPath.Place(
                            picture,
                            rounded(at.getX()),
                            rounded(at.getY()),
                            rounded(found.scale()),
                            rounded(found.degrees()),
                            rounded(found.certainty()),
                            TrackPath.Origin.FOLLOWED));
        }
    }

    /** Finer than any camera sees. */
    private static double rounded(double value) {
        return Math.rint(value * 10_000) / 10_000;
    }

    private final PictureSource source;
    private final List<Start> starts;
    private final int from;
    private final int to;
    private final Progress progress;
    private final List<List<TrackPath.Place>> places = new ArrayList<>();
    private final List<List<TrackPath.Lost>> lost = new ArrayList<>();
    private SeenPlace seenPlace;
    private int done;

    private Tracking(PictureSource source, List<Start> starts, int from, int to, Progress progress) {
        this.source = source;
        this.starts = starts;
        this.from = from;
        this.to = to;
        this.progress = progress;
    }

    /**
     * The path of each point, its touched place among it; where it was lost is said with the reason.
     *
     * @param from the first picture that is looked at, @param to the first that is not
     * @throws IllegalArgumentException when a point's picture lies outside the range
     * @throws PictureUnavailableException when the picture on which a point was touched can't be read
     * @throws CancellationException when the progress says so
     */
    public static List<TrackPath> follow(PictureSource source, List<Start> starts, int from, int to, Progress progress)
            throws PictureUnavailableException {
        for (Start start : starts) {
            if (start.picture() < from
                    || start.picture() >= to
                    || to > source.times().count()
                    || from < 0) {
                throw new IllegalArgumentException(
                        "A point is touched on picture " + start.picture() + ", which is not among " + from + " to "
                                + (Math.min(to, source.times().count()) - 1) + ".");
            }
        }
        return new Tracking(source, List.copyOf(starts), from, to, progress).paths();
    }

    /**
     * A place near a poor one that can be followed better, in px of the source as seen; empty where there is none, or the given one is good.
     *
     * @throws PictureUnavailableException when its picture can't be read
     */
    public static Optional<Point2D> betterNear(PictureSource source, Start start) throws PictureUnavailableException {
        Picture picture = source.picture(start.picture());
        SeenPlace places = new SeenPlace(picture.size(), source.displaySize(), source.turnDegrees());
        Luma luma = Luma.of(picture);
        Point2D at = places.stored(start.x(), start.y());
        int radius = PointTracker.usualRadius(luma.height());
        if (Spot.of(luma, at.getX(), at.getY(), radius).kind() == Spot.Kind.GOOD) {
            return Optional.empty();
        }
        return Spot.bestNear(luma, at.getX(), at.getY(), radius, NEAR_RADII * radius)
                .map(spot -> places.seen(spot.x(), spot.y()));
    }

    private List<TrackPath> paths() throws PictureUnavailableException {
        if (starts.isEmpty()) {
            return List.of();
        }
        for (Start start : starts) {
            places.add(new ArrayList<>(List.of(TrackPath.Place.byHand(start.picture(), start.x(), start.y()))));
            lost.add(new ArrayList<>());
        }
        int first = starts.stream().mapToInt(Start::picture).min().orElseThrow();
        int last = starts.stream().mapToInt(Start::picture).max().orElseThrow();
        Picture any = source.picture(first);
        seenPlace = new SeenPlace(any.size(), source.displaySize(), source.turnDegrees());
        forwards(first).parallelStream().forEach(Runner::finish);
        backwards(last).parallelStream().forEach(Runner::finish);
        List<TrackPath> out = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            out.add(TrackPath.of(places.get(i), lost.get(i)));
        }
        return out;
    }

    private double seenScale(Pyramid picture) {
        Point2D a = seenPlace.seen(0, 0);
        Point2D b = seenPlace.seen(picture.whole().width(), picture.whole().height());
        return a.distance(b)
                / Math.hypot(picture.whole().width(), picture.whole().height());
    }

    private List<Runner> forwards(int first) throws PictureUnavailableException {
        List<Runner> runners = new ArrayList<>();
        Pyramid before = null;
        for (int n = first; n < to; n++) {
            goOn();
            Pyramid now = read(n);
            step(runners, n, before, now);
            before = now == null ? before : now;
            if (runners.size() == starts.size() && runners.stream().allMatch(runner -> runner.over)) {
                break;
            }
        }
        return runners;
    }

    /** By stretches, each read forwards and gone through backwards. */
    private List<Runner> backwards(int last) throws PictureUnavailableException {
        List<Runner> runners = new ArrayList<>();
        Pyramid before = null;
        long each = 2L * source.displaySize().width() * source.displaySize().height();
        int stretch = (int) Math.max(4, Math.min(MOST_HELD, HELD_BYTES / each));
        for (int end = last + 1; end > from; end -= stretch) {
            int start = Math.max(from, end - stretch);
            Map<Integer, Pyramid> held = new HashMap<>();
            for (int n = start; n < end; n++) {
                goOn();
                held.put(n, read(n));
            }
            for (int n = end - 1; n >= start; n--) {
                Pyramid now = held.remove(n);
                step(runners, n, before, now);
                before = now == null ? before : now;
                if (runners.size() == starts.size() && runners.stream().allMatch(runner -> runner.over)) {
                    return runners;
                }
            }
        }
        return runners;
    }

    private void step(List<Runner> runners, int n, Pyramid before, Pyramid now) {
        boolean cut = before != null && now != null && Cuts.isBetween(before, now);
        // Each has its own state; the pictures are only read.
        runners.parallelStream().filter(runner -> !runner.over).forEach(runner -> {
            if (now == null) {
                runner.breakOff(n, UNREADABLE);
            } else if (cut) {
                runner.breakOff(n, CUT);
            } else {
                runner.next(n, now);
            }
        });
        for (int i = 0; i < starts.size() && now != null; i++) {
            if (starts.get(i).picture() == n) {
                Runner runner = new Runner(i);
                runner.begin(now);
                runners.add(runner);
            }
        }
    }

    /** Null where it can't be read, unless a point was touched on it. */
    private Pyramid read(int n) throws PictureUnavailableException {
        try {
            return new Pyramid(Luma.of(source.picture(n)));
        } catch (PictureUnavailableException e) {
            if (starts.stream().anyMatch(start -> start.picture() == n)) {
                throw e;
            }
            return null;
        }
    }

    private void goOn() {
        if (!progress.at(Math.min(done, to - from), to - from)) {
            throw new CancellationException();
        }
        done++;
    }
}
