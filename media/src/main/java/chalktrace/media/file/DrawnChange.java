package chalktrace.media.file;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * How a drawing came of the one before it: of its items, from back to front, some were replaced by others. It costs what changed and not
 * the drawing.
 *
 * @param step which change it is since the drawing was written whole, from 1
 * @param before how many items there were
 * @param from which is the first to go
 * @param removed how many go
 */
record DrawnChange(int step, int before, int from, int removed, List<DrawingItem> added) {

    static DrawnChange between(Drawing before, Drawing after, int step) {
        List<DrawingItem> was = before.items();
        List<DrawingItem> is = after.items();
        int most = Math.min(was.size(), is.size());
        int from = 0;
        while (from < most && isSame(was.get(from), is.get(from))) {
            from++;
        }
        int same = 0;
        while (same < most - from && isSame(was.get(was.size() - 1 - same), is.get(is.size() - 1 - same))) {
            same++;
        }
        return new DrawnChange(
                step, was.size(), from, was.size() - same - from, List.copyOf(is.subList(from, is.size() - same)));
    }

    /** Items that were not changed are the same objects, or hold the same ones. */
    private static boolean isSame(DrawingItem one, DrawingItem other) {
        return one == other || one.getClass() == other.getClass() && content(one) == content(other);
    }

    private static Object content(DrawingItem item) {
        if (item instanceof DrawingItem.Line) {
            return ((DrawingItem.Line) item).stroke();
        }
        if (item instanceof DrawingItem.Paint) {
            return ((DrawingItem.Paint) item).fill();
        }
        return ((DrawingItem.Picture) item).picture();
    }

    /** Four big-endian numbers, and the SVG of what is added. */
    byte[] write(PictureSize size, Function<String, Chalk> chalks) {
        byte[] svg = added.isEmpty() ? new byte[0] : DrawingSvg.write(Drawing.of(1, added), size, chalks);
        return ByteBuffer.allocate(4 * Integer.BYTES + svg.length)
                .putInt(step)
                .putInt(before)
                .putInt(from)
                .putInt(removed)
                .put(svg)
                .array();
    }

    /** @throws DrawingSvg.BrokenDrawing when it is none */
    static DrawnChange read(byte[] bytes) throws DrawingSvg.BrokenDrawing {
        try {
            ByteBuffer in = ByteBuffer.wrap(bytes);
            int step = in.getInt();
            int before = in.getInt();
            int from = in.getInt();
            int removed = in.getInt();
            byte[] svg = new byte[in.remaining()];
            in.get(svg);
            return new DrawnChange(
                    step,
                    before,
                    from,
                    removed,
                    svg.length == 0 ? List.of() : DrawingSvg.read(1, svg).items());
        } catch (BufferUnderflowException e) {
            throw new DrawingSvg.BrokenDrawing("has a change that is cut short", e);
        }
    }

    /** @throws DrawingSvg.BrokenDrawing when it is a change of another drawing */
    Drawing applied(Drawing to) throws DrawingSvg.BrokenDrawing {
        List<DrawingItem> items = new ArrayList<>(to.items());
        if (before != items.size() || from < 0 || removed < 0 || (long) from + removed > before) {
            throw new DrawingSvg.BrokenDrawing("has a change that does not fit", null);
        }
        List<DrawingItem> gone = items.subList(from, from + removed);
        gone.clear();
        gone.addAll(added);
        return to.withItems(items);
    }
}
