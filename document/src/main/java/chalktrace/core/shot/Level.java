package chalktrace.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One sheet of the stack of drawings.
 *
 * @param opacity 0 to 1, of the whole level
 * @param drawings in rising order of their numbers
 */
public record Level(
        String id,
        String name,
        boolean visible,
        boolean locked,
        double opacity,
        LevelStyle style,
        List<Drawing> drawings,
        Exposures exposures)
        implements FrameBound<Level> {

    /** @throws IllegalArgumentException when a number is used twice or an exposure names a drawing that is missing */
    public Level {
        drawings = List.copyOf(drawings);
        for (int i = 1; i < drawings.size(); i++) {
            if (drawings.get(i).number() <= drawings.get(i - 1).number()) {
                throw new IllegalArgumentException("The drawings of level \"" + name + "\" are not in rising order.");
            }
        }
        for (Exposure run : exposures.runs()) {
            if (!run.isBlank() && find(drawings, run.drawing()).isEmpty()) {
                throw new IllegalArgumentException("Level \"" + name + "\" shows drawing " + run.drawing()
                        + " at frame " + run.start() + " (from 0), but has no such drawing.");
            }
        }
        if (!(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("The opacity of level \"" + name + "\" must be 0 to 1.");
        }
    }

    public static Level empty(String id, String name) {
        return new Level(id, name, true, false, 1, LevelStyle.ROUGH, List.of(), Exposures.NONE);
    }

    public Optional<Drawing> drawing(int number) {
        return find(drawings, number);
    }

    /** The drawing that shows on a frame. */
    public Optional<Drawing> drawingAt(int frame) {
        return exposures.at(frame).flatMap(run -> drawing(run.drawing()));
    }

    public int nextNumber() {
        return drawings.isEmpty() ? 1 : drawings.get(drawings.size() - 1).number() + 1;
    }

    /** With a drawing added, or put in place of the one with its number. */
    public Level with(Drawing drawing) {
        List<Drawing> out = new ArrayList<>(drawings);
        out.removeIf(d -> d.number() == drawing.number());
        out.add(drawing);
        out.sort(Comparator.comparingInt(Drawing::number));
        return new Level(id, name, visible, locked, opacity, style, out, exposures);
    }

    /** Without a drawing. @throws IllegalArgumentException when it shows somewhere */
    public Level without(int number) {
        return new Level(
                id,
                name,
                visible,
                locked,
                opacity,
                style,
                drawings.stream().filter(drawing -> drawing.number() != number).toList(),
                exposures);
    }

    @Override
    public Optional<Level> moved(FrameChange change) {
        return Optional.of(
                change.reach().covers(Optional.of(id))
                        ? with(exposures.moved(change).orElse(Exposures.NONE))
                        : this);
    }

    public Level with(Exposures newExposures) {
        return new Level(id, name, visible, locked, opacity, style, drawings, newExposures);
    }

    /** Without what it shows and its drawings. */
    public Level bare() {
        return new Level(id, name, visible, locked, opacity, style, List.of(), Exposures.NONE);
    }

    public Level withName(String newName) {
        return new Level(id, newName, visible, locked, opacity, style, drawings, exposures);
    }

    public Level withVisible(boolean shown) {
        return new Level(id, name, shown, locked, opacity, style, drawings, exposures);
    }

    public Level withLocked(boolean lock) {
        return new Level(id, name, visible, lock, opacity, style, drawings, exposures);
    }

    public Level withOpacity(double newOpacity) {
        return new Level(id, name, visible, locked, newOpacity, style, drawings, exposures);
    }

    public Level withStyle(LevelStyle newStyle) {
        return new Level(id, name, visible, locked, opacity, newStyle, drawings, exposures);
    }

    /** With one drawing, the first that shows or there is, over all frames of a shot; without a drawing as it is. */
    Level heldFor(int frames) {
        if (drawings.isEmpty()) {
            return this;
        }
        Exposure first = exposures.runs().stream()
                .filter(run -> !run.isBlank())
                .findFirst()
                .orElse(Exposure.of(0, frames, drawings.get(0).number()));
        Exposures whole = Exposures.of(new Exposure(0, frames, first.drawing(), first.placement()));
        return whole.equals(exposures) ? this : with(whole);
    }

    private static Optional<Drawing> find(List<Drawing> drawings, int number) {
        // They are in rising order.
        int low = 0;
        int high = drawings.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int there = drawings.get(middle).number();
            if (there == number) {
                return Optional.of(drawings.get(middle));
            }
            if (there < number) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return Optional.empty();
    }
}
