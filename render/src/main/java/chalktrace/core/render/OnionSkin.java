package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Which neighbours of the present drawing show through, and how.
 *
 * @param levels whose neighbours show, by their ids
 * @param before how many earlier ones
 * @param after how many later ones
 * @param step what is counted
 * @param strength how much the nearest stands out, 0 to 1
 * @param falloff the share of its strength that the next one has, 0 to 1
 * @param mix from 0 (only the earlier) over 0.5 (both alike) to 1 (only the later)
 * @param outlines whether only their middle lines show, thin
 * @param earlier the colour of earlier ones
 * @param later the colour of later ones
 * @param kept frames that show through wherever one is, to compare with
 * @param laidEarlier how the nearest earlier one is moved and turned for the time of looking
 * @param laidLater as {@code laidEarlier}, of the nearest later one
 */
public record OnionSkin(
        Set<String> levels,
        int before,
        int after,
        Step step,
        double strength,
        double falloff,
        double mix,
        boolean outlines,
        Rgb earlier,
        Rgb later,
        Set<Integer> kept,
        Placement laidEarlier,
        Placement laidLater) {

    public static final int MOST = 8;

    public static final Rgb TEAL = new Rgb(0x2F, 0xA1, 0x98);
    /** With more blue than a plum has, so that those who see fewer colours tell it from teal at the same lightness. */
    public static final Rgb PLUM = new Rgb(0xB0, 0x4F, 0xD8);

    private static final double USUAL_STRENGTH = 0.6;
    private static final double USUAL_FALLOFF = 0.55;

    /** What is counted. */
    public enum Step {
        /** Other drawings, however long they are held. */
        DRAWINGS,
        /** Frames; those that show the same drawing add nothing. */
        FRAMES,
        /** Frames that are marked as keys. */
        KEYS
    }

    public OnionSkin {
        levels = Set.copyOf(levels);
        kept = Set.copyOf(kept);
        before = Math.max(0, Math.min(MOST, before));
        after = Math.max(0, Math.min(MOST, after));
    }

    /** One drawing before and one after of a level. */
    public static OnionSkin usual(String level) {
        return new OnionSkin(
                Set.of(level),
                1,
                1,
                Step.DRAWINGS,
                USUAL_STRENGTH,
                USUAL_FALLOFF,
                0.5,
                false,
                TEAL,
                PLUM,
                Set.of(),
                Placement.AS_IS,
                Placement.AS_IS);
    }

    /** A showing that shines through. */
    record Neighbour(Exposure run, boolean later, double opacity, Placement laid) {}

    /** The showings of a level that shine through at a frame, farthest first. */
    List<Neighbour> neighbours(Shot shot, Level level, int frame) {
        List<Neighbour> all = new ArrayList<>();
        add(runs(shot, level, frame, -1, before), false, all);
        add(runs(shot, level, frame, 1, after), true, all);
        int here = level.exposures().at(frame).map(Exposure::drawing).orElse(Exposure.BLANK);
        for (int keptFrame : new TreeSet<>(kept)) {
            level.exposures()
                    .at(keptFrame)
                    .filter(run -> !run.isBlank() && run.drawing() != here)
                    .ifPresent(run -> all.add(new Neighbour(run, keptFrame > frame, strength, Placement.AS_IS)));
        }
        return all;
    }

    private void add(List<Exposure> nearestFirst, boolean isLater, List<Neighbour> all) {
        double side = Math.min(1, 2 * (isLater ? mix : 1 - mix));
        for (int i = nearestFirst.size() - 1; i >= 0; i--) {
            double opacity = strength * side * Math.pow(falloff, i);
            Placement laid = i > 0 ? Placement.AS_IS : isLater ? laidLater : laidEarlier;
            if (opacity > 0) {
                all.add(new Neighbour(nearestFirst.get(i), isLater, opacity, laid));
            }
        }
    }

    /** The nearest showings in a direction, nearest first, each of another drawing than the one before it. */
    private List<Exposure> runs(Shot shot, Level level, int frame, int direction, int count) {
        List<Exposure> found = new ArrayList<>();
        int here = level.exposures().at(frame).map(Exposure::drawing).orElse(Exposure.BLANK);
        int seen = 0;
        int before = here;
        for (int f = frame + direction; f >= 0 && f < shot.setup().length() && seen < count; f += direction) {
            int at = f;
            if (step == Step.KEYS
                    && shot.markAt(f)
                            .filter(mark -> mark.kind() == Mark.Kind.KEY)
                            .isEmpty()) {
                continue;
            }
            Optional<Exposure> run = level.exposures().at(f).filter(r -> !r.isBlank());
            boolean other = run.isPresent()
                    && run.get().drawing() != before
                    && run.get().drawing() != here;
            if (other) {
                found.add(run.get());
                before = run.get().drawing();
            }
            seen += step == Step.FRAMES || other ? 1 : 0;
            if (step == Step.DRAWINGS && run.isPresent()) {
                // On to the end of this showing.
                f = direction > 0
                        ? Math.max(at, run.get().last())
                        : Math.min(at, run.get().start());
            }
        }
        return found;
    }

    /** How a neighbour shows through. @param lines it, as it is placed and laid */
    OnionLayer.Neighbour shown(Neighbour neighbour, DrawingLayer lines) {
        return OnionLayer.Neighbour.of(
                lines, neighbour.later() ? later : earlier, neighbour.later(), neighbour.opacity());
    }

    /** How the lines of an earlier or later drawing are laid out; their colour comes from what lies under them. */
    InkLook look(boolean isLater) {
        InkLook.Pattern pattern = isLater ? InkLook.Pattern.BROKEN : InkLook.Pattern.SOLID;
        return new InkLook(Optional.of(isLater ? later : earlier), pattern, outlines);
    }

    /**
     * The move by which the nearest neighbour's middle comes upon the middle of the present drawing; empty where one of the
     * two is not there or has no strokes.
     */
    public Optional<Placement> middleUponMiddle(Shot shot, String levelId, int frame, boolean isLater) {
        Level level = shot.level(levelId).orElse(null);
        if (level == null) {
            return Optional.empty();
        }
        Optional<Exposure> other =
                runs(shot, level, frame, isLater ? 1 : -1, 1).stream().findFirst();
        Optional<double[]> here = level.exposures().at(frame).flatMap(run -> middle(shot, level, run));
        Optional<double[]> there = other.flatMap(run -> middle(shot, level, run));
        return here.flatMap(
                h -> there.map(t -> Placement.AS_IS.withPosition(Math.rint(h[0] - t[0]), Math.rint(h[1] - t[1]))));
    }

    private static Optional<double[]> middle(Shot shot, Level level, Exposure run) {
        AffineTransform placing = run.placement()
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
        return level.drawing(run.drawing()).stream()
                .flatMap(drawing -> drawing.strokes().stream())
                .map(StrokeSelection::bounds)
                .reduce(Rectangle2D::createUnion)
                .map(box -> {
                    double[] middle = {box.getCenterX(), box.getCenterY()};
                    placing.transform(middle, 0, middle, 0, 1);
                    return middle;
                });
    }

    public OnionSkin withLevels(Set<String> some) {
        return new OnionSkin(
                some,
                before,
                after,
                step,
                strength,
                falloff,
                mix,
                outlines,
                earlier,
                later,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withCounts(int newBefore, int newAfter) {
        return new OnionSkin(
                levels,
                newBefore,
                newAfter,
                step,
                strength,
                falloff,
                mix,
                outlines,
                earlier,
                later,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withStep(Step newStep) {
        return new OnionSkin(
                levels,
                before,
                after,
                newStep,
                strength,
                falloff,
                mix,
                outlines,
                earlier,
                later,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withFading(double newStrength, double newFalloff, double newMix) {
        return new OnionSkin(
                levels,
                before,
                after,
                step,
                newStrength,
                newFalloff,
                newMix,
                outlines,
                earlier,
                later,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withOutlines(boolean only) {
        return new OnionSkin(
                levels,
                before,
                after,
                step,
                strength,
                falloff,
                mix,
                only,
                earlier,
                later,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withColors(Rgb newEarlier, Rgb newLater) {
        return new OnionSkin(
                levels,
                before,
                after,
                step,
                strength,
                falloff,
                mix,
                outlines,
                newEarlier,
                newLater,
                kept,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withKept(Set<Integer> frames) {
        return new OnionSkin(
                levels,
                before,
                after,
                step,
                strength,
                falloff,
                mix,
                outlines,
                earlier,
                later,
                frames,
                laidEarlier,
                laidLater);
    }

    public OnionSkin withLaid(Placement newEarlier, Placement newLater) {
        return new OnionSkin(
                levels,
                before,
                after,
                step,
                strength,
                falloff,
                mix,
                outlines,
                earlier,
                later,
                kept,
                newEarlier,
                newLater);
    }
}
