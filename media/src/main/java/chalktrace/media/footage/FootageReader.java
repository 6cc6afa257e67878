package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.work.Workers;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Reads the pictures of one source ahead of the artist, on a thread of its own: the picture that is asked for last
 * comes first, then those that the next steps in the same direction will want. What is decoded is kept in the cache.
 */
public final class FootageReader implements AutoCloseable {

    /** Hears of pictures, on the reader's thread. */
    public interface Listener {
        void arrived(int n);

        void missing(int n, String why);

        /** A picture has come, but may look wrong. */
        default void doubtful(int n, String why) {}
    }

    /** How many pictures are kept ready on either side of the present one (two seconds at 24). */
    public static final int AHEAD = 48;

    /** After so many steps back in a row more is kept ready behind and less ahead: each look further back decodes all from a key on. */
    private static final int BACKWARDS = 3;

    private static final int FAR_BEHIND = 2 * AHEAD;
    private static final int SHORT_AHEAD = 6;
    private static final double FULL_ENOUGH = 0.5;

    private static final Logger LOG = Logger.getLogger(FootageReader.class.getName());

    private final PictureSource source;
    private final FrameCache cache;
    private final Listener listener;
    private final ExecutorService thread;

    /** Pictures that could not be read are not tried again and again. */
    private final Set<Integer> unreadable = new HashSet<>();

    private int wanted = -1;
    private int direction = 1;
    private int stepsBack;
    private boolean running;

    /** The latest picture, by whose size the room for others is known. */
    private Picture like;

    public FootageReader(PictureSource source, FrameCache cache, Listener listener) {
        this.source = source;
        this.cache = cache;
        this.listener = listener;
        cache.share(1);
        this.thread = Workers.one("footage");
    }

    public PictureSource source() {
        return source;
    }

    /** The picture, if it is at hand. */
    public Optional<Picture> atHand(int n) {
        return cache.get(source, n);
    }

    /** Asks for a picture and, after it, for its neighbours; a newer call takes the place of an older one. */
    public synchronized void want(int n) {
        if (n == wanted) {
            return;
        }
        direction = n < wanted ? -1 : 1;
        stepsBack = direction > 0 ? 0 : stepsBack + 1;
        wanted = n;
        if (!running) {
            running = true;
            thread.execute(this::work);
        }
    }

    private void work() {
        while (true) {
            int aim;
            int next;
            synchronized (this) {
                aim = wanted;
                next = nextMissing(aim);
                if (next < 0 || Thread.currentThread().isInterrupted()) {
                    running = false;
                    return;
                }
            }
            read(next, aim);
        }
    }

    private void read(int n, int aim) {
        if (isGoingBack()) {
            // What was stepped through was used last, and would stay longer than what is still to come.
            cache.forgetAfter(source, aim + SHORT_AHEAD);
        }
        try {
            Picture picture = source.picture(n, other -> isNear(other, aim) && !cache.has(source, other), this::keep);
            keep(n, picture);
        } catch (PictureUnavailableException e) {
            synchronized (this) {
                unreadable.add(n);
            }
            listener.missing(n, e.getMessage());
        } catch (RuntimeException | Error e) {
            // Whatever a file makes of its decoder, the next picture is still asked for.
            LOG.log(Level.WARNING, "picture " + n + " of " + source, e);
            synchronized (this) {
                unreadable.add(n);
            }
            listener.missing(n, "Picture " + n + " (counted from 0) can't be shown: " + e + ".");
        }
    }

    private void keep(int n, Picture picture) {
        cache.put(source, n, picture);
        source.doubt(n).ifPresent(why -> listener.doubtful(n, why));
        synchronized (this) {
            like = picture;
        }
        listener.arrived(n);
    }

    /** The nearest picture in the order of need that is not at hand; -1 when all are. */
    private int nextMissing(int aim) {
        int onwards = reach(direction);
        for (int i = 0; i <= onwards; i++) {
            if (isMissing(aim + direction * i)) {
                // One look far back for many pictures, and not one for each.
                boolean canWait = isGoingBack() && i > FULL_ENOUGH * onwards;
                return canWait ? -1 : aim + direction * i;
            }
        }
        // Steps back are as likely as steps on.
        int backwards = reach(-direction);
        for (int i = 1; i <= backwards; i++) {
            int behind = aim - direction * i;
            if (isMissing(behind)) {
                return direction > 0 ? firstOfGap(behind, aim - backwards) : behind;
            }
        }
        return -1;
    }

    /** A gap behind is read from its far end, as decoding runs forwards: one pass fills it. */
    private int firstOfGap(int from, int lowest) {
        int first = from;
        while (first - 1 >= Math.max(0, lowest) && isMissing(first - 1)) {
            first--;
        }
        return first;
    }

    private boolean isMissing(int n) {
        return source.has(n) && !unreadable.contains(n) && !cache.has(source, n);
    }

    private synchronized boolean isNear(int n, int aim) {
        return Math.abs(n - aim) <= reach(n < aim ? -1 : 1);
    }

    private synchronized boolean isGoingBack() {
        return stepsBack >= BACKWARDS;
    }

    /** How many are kept ready before the present one, or after it. @param side -1 or 1 */
    private int reach(int side) {
        // Those that share the cache come and go.
        int room = like == null ? 4 * AHEAD : cache.room(like);
        if (!isGoingBack()) {
            return Math.max(1, Math.min(AHEAD, room / 2 - 2));
        }
        return Math.max(1, side > 0 ? Math.min(SHORT_AHEAD, room / 8) : Math.min(FAR_BEHIND, room - 2 * SHORT_AHEAD));
    }

    /**
     * Reads nothing more; the source itself stays open.
     *
     * @return done when the picture that is being read has been read: only then may the source be closed
     */
    public CompletableFuture<Void> end() {
        return Workers.stop(thread).thenRun(() -> {
            cache.forget(source);
            cache.share(-1);
        });
    }

    /** As {@link #end}, and waits for it; not on the window's thread. */
    @Override
    public void close() {
        end().join();
    }
}
