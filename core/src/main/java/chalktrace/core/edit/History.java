package chalktrace.core.edit;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Optional;
import java.util.Set;

/**
 * The present shot and the way back: undo is the earlier value. The oldest steps are dropped when what only they still
 * hold grows past a budget of bytes. Not safe for threads: it lives on one.
 */
public final class History {

    /** What a step costs besides the drawings that it replaced. */
    private static final long STEP_BYTES = 2_000;

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

    private static long replacedBytes(Shot before, Shot after) {
        Set<Drawing> kept = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Level level : after.levels()) {
            kept.addAll(level.drawings());
        }
        long bytes = 0;
        for (Level level : before.levels()) {
            for (Drawing drawing : level.drawings()) {
                bytes += kept.contains(drawing) ? 0 : drawing.bytes();
            }
        }
        return bytes;
    }
}
