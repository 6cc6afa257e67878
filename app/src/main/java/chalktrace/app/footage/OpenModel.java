package chalktrace.app.footage;

import chalktrace.app.words.Words;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.space.Figure;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.work.Workers;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;

/**
 * An opened model, whose pictures are drawn as they are asked for, on a thread of its own: the newest first, then those that the next steps will
 * want. What takes long is first drawn coarse, so that the camera can be turned by hand. Equal pictures are drawn once, whichever frame and use they
 * are of.
 */
final class OpenModel implements OpenSource {

    private static final long CACHE_BYTES = 200L << 20;
    private static final int AHEAD = 16;
    private static final int BEHIND = 8;

    /** What takes longer than this is first drawn so many times smaller. */
    private static final double SLOW_MILLIS = 12;

    private static final int COARSE = 2;

    private static final Logger LOG = Logger.getLogger(OpenModel.class.getName());

    /** A use and a frame that somebody looks at. */
    private record Wanted(Footage clip, Figure figure, int frame, int direction, ShotSetup setup) {}

    /** A picture to be drawn; of a use and a frame that is looked at, or ahead. */
    private record Task(StagedPicture picture, Wanted wanted, boolean lookedAt) {}

    private record Drawn(int frame, Picture picture) {}

    private final Reference reference;
    private final Function<Footage, Figure> figures;
    private final Supplier<ShotSetup> setup;
    private final Runnable arrived;
    private final FrameCache cache = new FrameCache(CACHE_BYTES);
    private final ExecutorService thread = Workers.one("model");
    private final Map<String, Wanted> latest = new HashMap<>();

    /** What was drawn last of a use, whole or coarse, while it was looked at: it stands in while the camera is moved on. */
    private final Map<String, Drawn> lastDrawn = new HashMap<>();

    /** What could not be drawn is not tried again and again. */
    private final Set<StagedPicture> failed = new HashSet<>();

    private boolean running;
    private boolean closed;
    private volatile double millis = 2 * SLOW_MILLIS;

    /**
     * @param figures the model of each use, with the animation that it borrows
     * @param arrived told on the FX thread of each picture that comes
     */
    OpenModel(Reference reference, Function<Footage, Figure> figures, Supplier<ShotSetup> setup, Runnable arrived) {
        this.reference = reference;
        this.figures = figures;
        this.setup = setup;
        this.arrived = arrived;
    }

    @Override
    public Reference reference() {
        return reference;
    }

    @Override
    public boolean hasProxy() {
        return false;
    }

    @Override
    public void use(Proxy made, FrameCache with) {
        throw new IllegalStateException("a model has no proxy");
    }

    @Override
    public PictureSize displaySize(Footage clip) {
        return setup.get().size();
    }

    @Override
    public Optional<Found> find(Footage clip, int n, boolean atRest, boolean inPlay) {
        ShotSetup now = setup.get();
        Figure figure = figures.apply(clip);
        Optional<StagedPicture> picture = clip.staged(figure, n, now);
        if (picture.isEmpty()) {
            return Optional.empty();
        }
        want(clip, figure, n, now);
        return cache.get(picture.get(), 0)
                .map(whole -> new Found(whole, Origin.SOURCE, ""))
                .or(() -> cache.get(coarse(picture.get()), 0)
                        .or(() -> standIn(clip, n))
                        .map(coarse -> new Found(coarse, Origin.PROXY, "")))
                .or(() -> inPlaceOfFailed(clip, picture.get()));
    }

    @Override
    public Optional<Picture> atHand(Footage clip, int n, boolean running) {
        return clip.staged(figures.apply(clip), n, setup.get()).flatMap(picture -> cache.get(picture, 0));
    }

    private synchronized Optional<Found> inPlaceOfFailed(Footage clip, StagedPicture picture) {
        return Optional.ofNullable(failed.contains(picture) ? lastDrawn.get(clip.id()) : null)
                .map(drawn -> new Found(drawn.picture(), Origin.NEIGHBOUR, Words.GATHER.of("this-view-of-the-model")));
    }

    private synchronized Optional<Picture> standIn(Footage clip, int frame) {
        return Optional.ofNullable(lastDrawn.get(clip.id()))
                .filter(drawn -> drawn.frame() == frame)
                .map(Drawn::picture);
    }

    private synchronized void want(Footage clip, Figure figure, int frame, ShotSetup now) {
        Wanted before = latest.get(clip.id());
        if (before != null
                && before.frame() == frame
                && before.clip() == clip
                && before.figure() == figure
                && before.setup() == now) {
            return;
        }
        int direction = before == null || before.frame() <= frame ? 1 : -1;
        latest.put(clip.id(), new Wanted(clip, figure, frame, direction, now));
        if (!running && !closed) {
            running = true;
            thread.execute(this::work);
        }
    }

    private void work() {
        while (true) {
            Optional<Task> next;
            synchronized (this) {
                next = closed ? Optional.empty() : next();
                running = next.isPresent();
            }
            if (next.isEmpty()) {
                return;
            }
            draw(next.get());
        }
    }

    /** First what is looked at, coarse if it must be, then whole; then what lies ahead and behind. */
    private Optional<Task> next() {
        for (Wanted wanted : latest.values()) {
            StagedPicture seen = at(wanted, 0);
            StagedPicture coarse = coarse(seen);
            if (millis > SLOW_MILLIS && isMissing(seen) && isMissing(coarse)) {
                return Optional.of(new Task(coarse, wanted, true));
            }
        }
        for (int k = 0; k <= AHEAD; k++) {
            for (Wanted wanted : latest.values()) {
                int fitting = fitting(wanted.setup().size());
                if (k <= 2 * fitting && isMissing(at(wanted, k))) {
                    return Optional.of(new Task(at(wanted, k), wanted, k == 0));
                }
                if (k <= Math.min(BEHIND, fitting) && isMissing(at(wanted, -k))) {
                    return Optional.of(new Task(at(wanted, -k), wanted, false));
                }
            }
        }
        return Optional.empty();
    }

    /** How many pictures behind each use find room in the cache, with twice as many ahead. */
    private int fitting(PictureSize size) {
        long each = 16L * size.width() * size.height() / 3;
        return (int) (CACHE_BYTES / each / 4 / latest.size());
    }

    private boolean isMissing(StagedPicture picture) {
        return !failed.contains(picture) && cache.get(picture, 0).isEmpty();
    }

    private StagedPicture at(Wanted wanted, int ahead) {
        int frame = wanted.setup().clamp(wanted.frame() + ahead * wanted.direction());
        return wanted.clip().staged(wanted.figure(), frame, wanted.setup()).orElseThrow();
    }

    private static StagedPicture coarse(StagedPicture picture) {
        return picture.smaller(COARSE);
    }

    private void draw(Task task) {
        StagedPicture picture = task.picture();
        try {
            long start = System.nanoTime();
            Picture drawn = picture.draw();
            if (picture.size().equals(task.wanted().setup().size())) {
                // Half of what was known before: one slow picture, as the first is, does not make all coarse.
                millis = (millis + (System.nanoTime() - start) / 1e6) / 2;
            }
            cache.put(picture, 0, drawn);
            if (task.lookedAt()) {
                synchronized (this) {
                    lastDrawn.put(
                            task.wanted().clip().id(), new Drawn(task.wanted().frame(), drawn));
                }
            }
        } catch (RuntimeException | Error e) {
            LOG.log(Level.WARNING, "a picture of a model", e);
            synchronized (this) {
                failed.add(picture);
            }
        }
        Platform.runLater(arrived);
    }

    @Override
    public CompletableFuture<Void> end() {
        synchronized (this) {
            closed = true;
        }
        return Workers.finish(thread).thenRun(reference::close);
    }
}
