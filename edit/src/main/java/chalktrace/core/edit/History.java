package chalktrace.core.edit;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/**
 * The present shot and the way back: undo is the earlier value. The oldest steps are dropped when what only they still
 * hold grows past a budget of bytes. Not safe for threads: it lives on one.
 */
public final class History {

    /** What a step costs besides the drawings that it replaced. */
    private static final long STEP_BYTES = 2_000;

    /** A run of exposures and its place in a list. */
    private static final long RUN_BYTES = 48;

    private record Step(String name, Shot shot, long bytes) {}

    private final long budget;
    private final Deque<Step> undo = new ArrayDeque<>();
    private final Deque<Step> redo = new ArrayDeque<>();
    private long undoBytes;
    private Shot present;

    /** @param budget for the replaced drawings of all steps, in bytes */
    public History(Shot start, long budget) {
        this.present = start;
        this.budget = budget;
    }

    public Shot present() {
        return present;
    }

    /** Applies an edit; one that changes nothing leaves no step. */
    public void apply(Edit edit) {
        Shot next = edit.change().apply(present);
        if (next == present || next.equals(present)) {
            return;
        }
        remember(new Step(edit.name(), present, STEP_BYTES + replacedBytes(present, next)));
        redo.clear();
        present = next;
    }

    public boolean undo() {
        if (undo.isEmpty()) {
            return false;
        }
        Step step = undo.pop();
        undoBytes -= step.bytes;
        redo.push(new Step(step.name, present, step.bytes));
        present = step.shot;
        return true;
    }

    public boolean redo() {
        if (redo.isEmpty()) {
            return false;
        }
        Step step = redo.pop();
        remember(new Step(step.name, present, step.bytes));
        present = step.shot;
        return true;
    }

    /** What undo would take back. */
    public Optional<String> undoName() {
        return Optional.ofNullable(undo.peek()).map(Step::name);
    }

    /** What redo would do again. */
    public Optional<String> redoName() {
        return Optional.ofNullable(redo.peek()).map(Step::name);
    }

    /** Whether the present shot is this very value, or came from it by steps that can be undone. */
    public boolean hasBeen(Shot earlier) {
        return present == earlier || undo.stream().anyMatch(step -> step.shot == earlier);
    }

    /** The step that redo would do again, to tell it from another; null for none. */
    public Object redoable() {
        return redo.peek();
    }

    private void remember(Step step) {
        undo.push(step);
        undoBytes += step.bytes;
        while (undoBytes > budget && undo.size() > 1) {
            undoBytes -= undo.removeLast().bytes;
        }
    }

    /** What only the earlier shot holds: lists that were copied, and drawings as far as they are not made of the same items. */
    private static long replacedBytes(Shot before, Shot after) {
        long bytes = 0;
        for (Level level : before.levels()) {
            Level now = after.level(level.id()).orElse(null);
            if (now == level) {
                continue;
            }
            if (now == null || now.exposures() != level.exposures()) {
                bytes += RUN_BYTES * level.exposures().runs().size();
            }
            if (now == null || now.drawings() != level.drawings()) {
                bytes += 8L * level.drawings().size();
                for (Drawing drawing : level.drawings()) {
                    Drawing other =
                            now == null ? null : now.drawing(drawing.number()).orElse(null);
                    bytes += other == drawing ? 0 : other == null ? drawing.bytes() : drawing.bytesBeside(other);
                }
            }
        }
        return bytes;
    }
}
