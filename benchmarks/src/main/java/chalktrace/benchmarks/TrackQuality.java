package chalktrace.benchmarks;

import static org.bytedeco.opencv.global.opencv_video.calcOpticalFlowPyrLK;

import chalktrace.core.motion.Luma;
import chalktrace.core.motion.PointTracker;
import chalktrace.core.motion.Pyramid;
import chalktrace.core.motion.Spot;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.testing.MovingClip;
import chalktrace.demo.scene.Performance;
import chalktrace.demo.scene.SurfacePoints;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.FloatBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import org.bytedeco.javacpp.indexer.FloatIndexer;
import org.bytedeco.opencv.global.opencv_core;
import org.bytedeco.opencv.opencv_core.Mat;

/**
 * How far followed points are off, on clips whose movement is known, beside OpenCV's own tracker (pyramidal Lucas and Kanade with its usual settings, from picture to
 * picture) on the same points: {@code TrackQuality [SEEDS]}. The last kind is the demo's clip, rendered from a known camera and known bodies. A false frame is one that is more than 5 px off, or covered, and not said to be lost.
 */
public final class TrackQuality {

    private static final int FRAMES = 60;
    private static final int POINTS = 8;
    private static final double FALSE_PX = 5;
    private static final int FALSE_FRAMES = 5;
    private static final Path FILM = Path.of("app/src/main/resources/chalktrace/app/demo/kettle-clip.mp4");
    private static final int FILM_FRAMES = 40;
    private static final int FILM_POINTS = 40;

    /** Where a point is on a frame; null once it is lost. */
    private interface Follower {
        double[] at(int frame);
    }

    private static final class Tally {
        private final List<Double> errors = new ArrayList<>();
        private int points;
        private int falseFrames;
        private int falsePaths;
        private int covered;
        private int late;
        private int early;

        void print(String kind) {
            QualityTable.print(kind, errors);
            System.out.printf(
                    Locale.ROOT,
                    "%28s points %d   false frames %d   false paths %d   lost too late %d of %d covered   lost for nothing %d%n",
                    "",
                    points,
                    falseFrames,
                    falsePaths,
                    late,
                    covered,
                    early);
        }
    }

    private TrackQuality() {}

    public static void main(String[] arguments) {
        int seeds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 10;
        for (String kind : List.of("slow", "fast", "blurred", "covered")) {
            Tally ours = new Tally();
            Tally theirs = new Tally();
            for (long seed = 1; seed <= seeds; seed++) {
                MovingClip clip = new MovingClip(
                        seed,
                        FRAMES,
                        kind.equals("slow") ? 6 : 20,
                        kind.equals("blurred"),
                        kind.equals("covered") ? 25 : -1);
                run(clip, seed, ours, theirs);
            }
            ours.print(kind);
            theirs.print(kind + ", OpenCV");
        }
        film();
    }

    /** Places of the clip that are good to follow, wherever a random touch lands on a body. */
    private static void film() {
        Tally ours = new Tally();
        Tally theirs = new Tally();
        try (Reference clip = References.open(FILM)) {
            for (int first = 0; first + FILM_FRAMES < clip.times().count(); first += FILM_FRAMES) {
                film(clip, first, ours, theirs);
            }
        } catch (UnreadableException | PictureUnavailableException e) {
            throw new IllegalStateException(e);
        }
        ours.print("film");
        theirs.print("film, OpenCV");
    }

    private static void film(Reference clip, int first, Tally ours, Tally theirs) throws PictureUnavailableException {
        List<Pyramid> pyramids = new ArrayList<>();
        List<Mat> mats = new ArrayList<>();
        for (int frame = first; frame < first + FILM_FRAMES; frame++) {
            Luma luma = Luma.of(clip.picture(frame));
            pyramids.add(new Pyramid(luma));
            mats.add(mat(luma));
        }
        Luma start = pyramids.get(0).whole();
        int radius = PointTracker.usualRadius(start.height());
        SurfacePoints points = new SurfacePoints(new Performance(frame -> 0), (double) start.width() / start.height());
        Random random = new Random(first);
        for (int p = 0; p < FILM_POINTS; ) {
            double x = random.nextDouble();
            double y = random.nextDouble();
            boolean good = Spot.of(start, x * start.width(), y * start.height(), radius)
                            .kind()
                    == Spot.Kind.GOOD;
            Optional<List<double[]>> path = good ? points.path(x, y, first, FILM_FRAMES) : Optional.empty();
            if (path.isPresent()) {
                double[] at = {x * start.width() - 0.5, y * start.height() - 0.5};
                judge(path.get(), start, ours, ours(pyramids, at));
                judge(path.get(), start, theirs, theirs(mats, at));
                p++;
            }
        }
        mats.forEach(Mat::close);
    }

    private static void judge(List<double[]> path, Luma size, Tally tally, Follower follower) {
        tally.points++;
        int wrong = 0;
        for (int frame = 1; frame < path.size(); frame++) {
            double[] found = follower.at(frame);
            if (found == null) {
                tally.early++;
                break;
            }
            double[] truth = path.get(frame);
            double error =
                    Math.hypot(found[0] + 0.5 - truth[0] * size.width(), found[1] + 0.5 - truth[1] * size.height());
            tally.errors.add(error);
            wrong += error > FALSE_PX ? 1 : 0;
        }
        tally.falseFrames += wrong;
        tally.falsePaths += wrong > FALSE_FRAMES ? 1 : 0;
    }

    static Mat mat(Luma luma) {
        Mat mat = new Mat(luma.height(), luma.width(), opencv_core.CV_8UC1);
        mat.data().put(luma.values());
        return mat;
    }

    private static void run(MovingClip clip, long seed, Tally ours, Tally theirs) {
        List<Pyramid> pyramids = new ArrayList<>();
        List<Mat> mats = new ArrayList<>();
        for (int frame = 0; frame < FRAMES; frame++) {
            Luma luma = clip.picture(frame);
            pyramids.add(new Pyramid(luma));
            mats.add(mat(luma));
        }
        Random random = new Random(seed);
        for (int p = 0; p < POINTS; p++) {
            double angle = 2 * Math.PI * random.nextDouble();
            double far = 0.8 * clip.size() * Math.sqrt(random.nextDouble());
            double u = far * Math.cos(angle);
            double v = far * Math.sin(angle);
            double[] start = clip.truth(u, v, 0);
            judge(clip, u, v, ours, ours(pyramids, start));
            judge(clip, u, v, theirs, theirs(mats, start));
        }
        mats.forEach(Mat::close);
    }

    private static Follower ours(List<Pyramid> pictures, double[] start) {
        PointTracker tracker = new PointTracker(
                pictures.get(0),
                start[0],
                start[1],
                PointTracker.usualRadius(pictures.get(0).whole().height()));
        List<double[]> places = new ArrayList<>(List.of(start));
        int doubtful = -1;
        while (doubtful < 0 && places.size() < pictures.size()) {
            PointTracker.Step step = tracker.next(pictures.get(places.size()));
            if (step instanceof PointTracker.Found found) {
                places.add(new double[] {found.x(), found.y()});
            } else if (step instanceof PointTracker.Lost lost) {
                doubtful = lost.doubtful();
            }
        }
        int end = places.size() - (doubtful < 0 ? tracker.doubtful() : doubtful);
        return frame -> frame < end ? places.get(frame) : null;
    }

    private static Follower theirs(List<Mat> pictures, double[] start) {
        double[] at = start.clone();
        return frame -> {
            try (Mat from = point(at);
                    Mat to = new Mat();
                    Mat status = new Mat();
                    Mat error = new Mat()) {
                calcOpticalFlowPyrLK(pictures.get(frame - 1), pictures.get(frame), from, to, status, error);
                if (status.data().get(0) == 0) {
                    return null;
                }
                try (FloatIndexer found = to.createIndexer()) {
                    at[0] = found.get(0, 0, 0);
                    at[1] = found.get(0, 0, 1);
                }
                return at.clone();
            }
        };
    }

    private static Mat point(double[] at) {
        Mat out = new Mat(1, 1, opencv_core.CV_32FC2);
        FloatBuffer values = out.createBuffer();
        values.put(0, (float) at[0]).put(1, (float) at[1]);
        return out;
    }

    private static void judge(MovingClip clip, double u, double v, Tally tally, Follower follower) {
        tally.points++;
        int covered = -1;
        int wrong = 0;
        int lost = -1;
        for (int frame = 1; frame < FRAMES && lost < 0; frame++) {
            covered = covered < 0 && clip.covers(u, v, frame) ? frame : covered;
            double[] found = follower.at(frame);
            if (found == null) {
                lost = frame;
                break;
            }
            double[] truth = clip.truth(u, v, frame);
            double error = Math.hypot(found[0] - truth[0], found[1] - truth[1]);
            if (covered < 0) {
                tally.errors.add(error);
            }
            wrong += covered >= 0 || error > FALSE_PX ? 1 : 0;
        }
        tally.falseFrames += wrong;
        tally.falsePaths += wrong > FALSE_FRAMES ? 1 : 0;
        tally.covered += covered >= 0 ? 1 : 0;
        tally.late += covered >= 0 && (lost < 0 || lost > covered + 2) ? 1 : 0;
        boolean soon =
                lost >= 0 && (clip.covers(u, v, lost) || clip.covers(u, v, lost + 1) || clip.covers(u, v, lost + 2));
        tally.early += lost >= 0 && covered < 0 && !soon ? 1 : 0;
    }
}
