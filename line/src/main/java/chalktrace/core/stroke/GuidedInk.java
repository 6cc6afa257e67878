package chalktrace.core.stroke;

import chalktrace.core.guide.Guide;
import chalktrace.core.guide.Rail;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;

/**
 * A free line that runs along a guide when it starts near one, or, where guides give a perspective, along the way that its
 * first pixels come closest to. Without either it is as free as any.
 */
public final class GuidedInk implements StrokeMaker {

    /** So far the pen has to go before its direction is one. */
    private static final double DECIDES_AFTER_PX = 10;

    private final Ink ink;
    private final List<Guide> guides;
    private final double reach;
    private PenSample first;
    private boolean decided;
    private boolean onRail;

    /**
     * @param ink a fresh one, which draws the line
     * @param reach how near a guide a line has to start, in shot pixels
     */
    public GuidedInk(Ink ink, List<Guide> guides, double reach) {
        this.ink = ink;
        this.guides = List.copyOf(guides);
        this.reach = reach;
    }

    @Override
    public void add(PenSample sample) {
        if (first == null) {
            first = sample;
            decide(Rail.at(guides, sample.x(), sample.y(), reach));
        } else if (!decided) {
            double dx = sample.x() - first.x();
            double dy = sample.y() - first.y();
            if (Math.hypot(dx, dy) >= DECIDES_AFTER_PX) {
                decide(Rail.towards(guides, first.x(), first.y(), dx, dy));
                decided = true;
            }
        }
        ink.add(sample);
    }

    private void decide(Optional<Rail> rail) {
        rail.ifPresent(found -> {
            ink.follow(found);
            decided = true;
            onRail = true;
        });
    }

    @Override
    public Stroke soFar() {
        return ink.soFar();
    }

    @Override
    public Stroke finish() {
        return ink.finish();
    }

    /** When a direction is found, the line so far swings onto it. */
    @Override
    public Optional<Rectangle2D> changed() {
        return onRail || !decided ? Optional.empty() : ink.changed();
    }
}
