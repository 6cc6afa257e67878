package chalktrace.app.board.pen;

import chalktrace.core.work.Workers;
import java.awt.geom.Line2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;

/**
 * Where the pointer went between two events of the toolkit. The toolkit passes on about one move for each that was handled,
 * so that a quick hand would lose its corners while the window is busy. The pointer is therefore read beside it, for as long
 * as it moves. Places are those of the screen.
 *
 * <p>Events whose place the pointer was not at, as made-up ones are, are left to themselves until the next press.
 */
final class PointerTrail {

    private static final long EVERY_NANOS = 2_000_000;
    private static final long REST_NANOS = 1_000_000_000;

    /** An event that is later than this is taken for one of another press. */
    private static final long LATE_NANOS = 1_000_000_000;

    /** How far off the trail an event may lie: it may be a pixel older than the place that was read. */
    private static final double SLACK_PX = 3;

    /** How far at most a corner between two readings can lead off the line between them. */
    private static final double CORNER_PX = 40;

    /** Of what was given, as much as an event can be late: half a second. */
    private static final int GIVEN_KEPT = 256;

    /** Of what was not asked for: eight seconds. */
    private static final int PENDING_KEPT = 4096;

    /**
     * Where the pointer was.
     *
     * @param down whether the first button was
     * @param nanos of {@link System#nanoTime()}
     */
    record Spot(double x, double y, boolean down, long nanos) {}

    /** Reads the pointer. */
    interface Reader {

        /** Where it is now; empty if that can't be known. */
        Optional<Spot> read();
    }

    private final Reader reader;
    private final Deque<Spot> given = new ArrayDeque<>();
    private final Deque<Spot> pending = new ArrayDeque<>();
    private Thread reading;
    private boolean trusted;

    PointerTrail(Reader reader) {
        this.reader = reader;
    }

    /** The pointer moves: it is read until it has rested for a second. */
    synchronized void wake() {
        if (reading == null) {
            reading = Workers.loop("read the pointer", this::readWhileItMoves);
        }
    }

    /** The button went down at a place: when that was, in nanoseconds. */
    synchronized long begin(double x, double y) {
        note();
        // What the button did before, it did elsewhere in the window.
        while (!pending.isEmpty() && !goesDownBy(x, y)) {
            give();
        }
        trusted = !pending.isEmpty();
        return trusted ? pending.element().nanos() : System.nanoTime();
    }

    /**
     * Where the pointer went with its button down, in order, up to now or to when the button came up.
     *
     * @param x where an event says that it was since it was asked for last; y as x
     * @return empty if the pointer was not there: then the event's place is all that is known
     */
    synchronized Optional<List<Spot>> through(double x, double y) {
        note();
        trusted = trusted && goesBy(x, y);
        if (!trusted) {
            return Optional.empty();
        }
        List<Spot> all = new ArrayList<>();
        while (!pending.isEmpty() && pending.peek().down()) {
            all.add(give());
        }
        return Optional.of(all);
    }

    /** Reads the pointer once. */
    synchronized void note() {
        reader.read().ifPresent(now -> {
            Spot last = last();
            if (last == null || last.x() != now.x() || last.y() != now.y() || last.down() != now.down()) {
                pending.add(now);
            }
            if (pending.size() > PENDING_KEPT) {
                give();
            }
        });
    }

    private Spot last() {
        return pending.isEmpty() ? given.peekLast() : pending.peekLast();
    }

    private Spot give() {
        Spot first = pending.remove();
        given.add(first);
        if (given.size() > GIVEN_KEPT) {
            given.remove();
        }
        return first;
    }

    /** Whether the first that is pending shows the button gone down at a place. */
    private boolean goesDownBy(double x, double y) {
        Spot first = pending.element();
        Spot before = given.isEmpty() ? first : given.getLast();
        return first.down()
                && (before == first || !before.down())
                && System.nanoTime() - first.nanos() < LATE_NANOS
                && goesBy(before, first, x, y);
    }

    private void readWhileItMoves() {
        long moved = System.nanoTime();
        Spot seen = null;
        try {
            while (System.nanoTime() - moved < REST_NANOS) {
                Spot now = noted();
                if (now != seen) {
                    moved = System.nanoTime();
                    seen = now;
                }
                LockSupport.parkNanos(EVERY_NANOS);
            }
        } finally {
            rests();
        }
    }

    private synchronized Spot noted() {
        note();
        return last();
    }

    private synchronized void rests() {
        reading = null;
    }

    /** Whether the trail passes a place, by what is known of it. */
    private boolean goesBy(double x, double y) {
        List<Spot> all = new ArrayList<>(given);
        all.addAll(pending);
        for (int i = 0; i < all.size(); i++) {
            if (goesBy(all.get(Math.max(0, i - 1)), all.get(i), x, y)) {
                return true;
            }
        }
        return false;
    }

    /** Whether the pointer passed a place, as near as can be told between two readings. */
    private static boolean goesBy(Spot from, Spot to, double x, double y) {
        double length = Math.hypot(to.x() - from.x(), to.y() - from.y());
        return Line2D.ptSegDist(from.x(), from.y(), to.x(), to.y(), x, y)
                <= Math.max(SLACK_PX, Math.min(length / 2, CORNER_PX));
    }
}
