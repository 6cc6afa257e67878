package chalktrace.app.footage;

import chalktrace.app.kernel.Jobs;
import chalktrace.app.words.Words;
import chalktrace.core.motion.Luma;
import chalktrace.core.motion.PointTracker;
import chalktrace.core.motion.Pyramid;
import chalktrace.core.motion.Spot;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnreadableException;
import chalktrace.media.export.ShotSources;
import java.awt.geom.Point2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CancellationException;

/** A patch of the footage followed from one frame to both ends of the shot. */
public final class FootageTrack {

    /** Pictures are tracked this wide: finer than that costs time and finds nothing more. */
    private static final int WIDTH = 640;

    /**
     * @param way what the placement of each frame of the range has to do to what lies on the patch at the first frame
     * @param lost the frames, one to each end at most, from which on the patch was not found any more
     */
    public record Followed(List<Placement> way, List<Integer> lost) {}

    private final Shot shot;
    private final ShotSources sources;
    private final FrameComposer composer = new FrameComposer(new RasterCache(0), Rgb.WHITE);
    private final double scale;
    private final int height;

    private FootageTrack(Shot shot, ShotSources sources) {
        this.shot = shot;
        this.sources = sources;
        scale = Math.min(1, WIDTH / (double) shot.setup().size().width());
        height = (int) Math.max(1, Math.round(scale * shot.setup().size().height()));
    }

    /**
     * @param range the frames that are wanted, with that frame among them
     * @param middle of the patch at the frame, in pixels of the shot, @param radius half of its side
     * @throws UnreadableException when a file of the footage can't be read
     * @throws CancellationException when the job was cancelled
     */
    public static Followed follow(Shot shot, int from, FrameRange range, Point2D middle, double radius, Jobs.Job job)
            throws UnreadableException {
        Shot bare = shot.withLevels(List.of()).withMouths(List.of()).withSounds(List.of());
        try (ShotSources sources = ShotSources.open(bare, true)) {
            return new FootageTrack(bare, sources).follow(from, range, middle, radius, job);
        }
    }

    private Followed follow(int from, FrameRange range, Point2D middle, double radius, Jobs.Job job) {
        int frames = shot.setup().length();
        Placement[] way = new Placement[frames];
        List<Integer> lost = new ArrayList<>();
        // Sources are read forwards: what lies before the first frame is kept small and gone through backwards.
        Deque<Luma> before = new ArrayDeque<>();
        for (int frame = range.start(); frame < from; frame++) {
            goOn(job, frame, frames);
            before.push(luma(frame));
        }
        Luma first = luma(from);
        way[from] = Placement.AS_IS;
        PointTracker on = tracker(first, middle, radius);
        for (int frame = from + 1; frame < range.end(); frame++) {
            goOn(job, frame, frames);
            way[frame] = placed(on.next(new Pyramid(luma(frame))), middle, way[frame - 1], frame, lost);
            if (!lost.isEmpty()) {
                Arrays.fill(way, frame, range.end(), way[frame - 1]);
                break;
            }
        }
        PointTracker back = tracker(first, middle, radius);
        int lostBefore = lost.size();
        for (int frame = from - 1; frame >= range.start(); frame--) {
            way[frame] = lost.size() > lostBefore
                    ? way[frame + 1]
                    : placed(back.next(new Pyramid(before.pop())), middle, way[frame + 1], frame, lost);
        }
        return new Followed(List.of(Arrays.copyOfRange(way, range.start(), range.end())), lost);
    }

    /** @throws IllegalArgumentException when there is nothing that could be followed */
    private PointTracker tracker(Luma first, Point2D middle, double radius) {
        double x = middle.getX() * scale;
        double y = middle.getY() * scale;
        int px = (int) Math.round(radius * scale);
        if (Spot.of(first, x, y, Math.max(6, px)).kind() == Spot.Kind.FLAT) {
            throw new IllegalArgumentException(Words.GATHER.of("there-is-nothing-to-follow"));
        }
        return new PointTracker(new Pyramid(first), x, y, px);
    }

    private Placement placed(
            PointTracker.Step step, Point2D middle, Placement otherwise, int frame, List<Integer> lost) {
        if (!(step instanceof PointTracker.Found place)) {
            lost.add(frame);
            return otherwise;
        }
        return Placement.taking(
                middle.getX(),
                middle.getY(),
                place.x() / scale,
                place.y() / scale,
                place.scale(),
                place.degrees(),
                shot.setup().size().width() / 2.0,
                shot.setup().size().height() / 2.0);
    }

    private Luma luma(int frame) {
        int width = (int) Math.max(1, Math.round(scale * shot.setup().size().width()));
        int[] pixels = new int[width * height];
        composer.compose(
                Scenes.of(shot, frame, SceneOptions.export(true), sources),
                new Viewpoint(scale, 0, 0, 0, width, height),
                PixelTile.whole(pixels, width, height));
        return Luma.of(pixels, width, height);
    }

    private static void goOn(Jobs.Job job, int done, int total) {
        if (!job.at(done, total)) {
            throw new CancellationException();
        }
    }
}
