package chalktrace.core.motion;

import chalktrace.core.words.MotionWords;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Follows a point of the picture, and stops where it can't be followed. From picture to picture it is moved by {@link Shift}, there and back again (Z. Kalal,
 * K. Mikolajczyk, J. Matas, "Forward-backward error", ICPR 2010); then it is set exactly by what was seen around it at first, so that nothing drifts. Where that
 * changes slowly, as on a thing that turns, the way back is looked at again and again, and what is kept is renewed; where it changes at once, the point is
 * covered, and lost. Pictures come in order, in either direction; not for several threads.
 */
public final class PointTracker {

    /** What came of one more picture. */
    public sealed interface Step {}

    /**
     * Where the point is.
     *
     * @param x in px, from the left picture edge's pixel middle, @param y down
     * @param scale of what lies around it, 1 at first
     * @param degrees turned clockwise since the first
     * @param certainty 0.1 to 1
     */
    public record Found(double x, double y, double scale, double degrees, double certainty) implements Step {}

    /**
     * It is not there any more.
     *
     * @param reason a sentence's end for the person, such as "it left the picture"
     * @param doubtful so many of the last places do not lead back to those before them: it was lost there already
     */
    public record Lost(String reason, int doubtful) implements Step {}

    /** A place that was found. @param blur along its way, in px, as far as it was met */
    private record Seen(Pyramid picture, double x, double y, double blur) {}

    public static final String LEFT = MotionWords.TEXTS.of("it-left-the-picture");
    public static final String COVERED = MotionWords.TEXTS.of("it-is-covered-turned-away-or");

    /** Below this likeness nothing is the same; and so far below the usual one. */
    private static final double LEAST = 0.45;

    private static final double DROP = 0.28;

    /** It may sink slowly, but not by more than this from the best that it was. */
    private static final double DROP_IN_ALL = 0.35;

    /** No picture is without all noise. */
    private static final double CLEANEST = 0.98;

    /** Its middle may differ so much, and so many times as much as usually, before something else lies over it. */
    private static final double MIDDLE_ERROR = 0.35;

    private static final double MIDDLE_TIMES = 2.5;
    private static final double UNKNOWN_MIDDLE = 0.1;
    private static final double SMALL_MIDDLE = 0.03;

    /** What looks less like the template than this is renewed, if it is the same as a picture ago. */
    private static final double RENEWED_BELOW = 0.86;

    private static final double RENEWED_ABOVE = 0.75;

    private static final double SAME = 0.95;

    /** So far there and back may differ, in px, before certainty sinks. */
    private static final double BACK_PX = 0.7;

    /** What leads back so far off, and looks so much less like the picture before, is something else. */
    private static final double ASTRAY_PX = 3;

    private static final double ASTRAY_DROP = 0.1;

    /** The exact fit may be so far from where the shift led, in radii; as far as a radius when it fits nearly as well as ever. */
    private static final double ASIDE = 0.25;

    private static final double AS_EVER = 0.05;

    /** What looks less like the template may be blurred more or less than that was, for these shares of the time between two pictures. */
    private static final double UNLIKE_BELOW = 0.9;

    /** If it looks so much like the picture before: what is being covered does not. */
    private static final double STILL_LIKE = 0.85;

    private static final double[] SHUTTERS = {0.5, 1};
    private static final double LEAST_SMEAR_PX = 2.5;
    private static final double SMEAR_GAIN = 0.01;

    /** What looks so much like it may be the point that was lost, and is it where the exact fit is as good as this. */
    private static final double AGAIN_LIKE = 0.7;

    private static final double AGAIN_FITS = 0.87;

    /** Of the way that it would have gone on, at which it is looked for. */
    private static final double[] AGAIN_SHARES = {1, 0.67, 0.33, 0, -0.33};

    /** What is less certain is no place. */
    private static final double LEAST_CERTAINTY = 0.1;

    private static final double SHAPE_A_STEP = 0.3;
    private static final double SMALLEST = 0.3;

    /** What looks so much like the picture before needs no other guess. */
    private static final double ALIKE = 0.9;

    /** And what looks so much like it no second one. */
    private static final double SURE = 0.97;

    /** Each renewal makes it so much less certain. */
    private static final double RENEWAL_COST = 0.97;

    /** Where it looks less like the template than this, the way back is looked at, at most after so many pictures. */
    private static final double CHANGED_BELOW = 0.92;

    private static final int CONFIRMED_EVERY = 5;

    /** So many of the last places are looked at again once it is lost, each by so many steps back. */
    private static final int CONFIRMED = 12;

    private static final int BACK_STEPS = 10;

    /** And may differ by so much, in radii. */
    private static final double BACK_RADII = 0.2;

    /** And by such a share of the blur, which hides where on its way a thing is. */
    private static final double BACK_BLURS = 0.25;

    /** The pictures kept for that take no more, nor fewer than so many of them. */
    private static final long KEPT_BYTES = 96L << 20;

    private static final int LEAST_KEPT = 4;

    private final int radius;
    private final boolean confirms;
    private final Shift shift;
    private final int keeps;
    private final Deque<Seen> seen = new ArrayDeque<>();
    private Template template;
    private Pyramid last;
    private Warp warp;
    private Warp before;
    /** How far it moved from the picture of the template to the next; null before that. */
    private Smear movedFirst;

    private double blur;

    /** How many pictures ago it was sure last, while it is lost. */
    private int hidden;

    private boolean renewed;
    private int unconfirmed;
    private double likeness = 1;
    private double usual = -1;
    private double usualMiddle = -1;
    private double usualLikeness = 0.9;
    private double best;
    private double trust = 1;
    private double scaleBefore = 1;
    private double degreesBefore;

    /**
     * @param x of the point, @param y of it, in px
     * @param radius of what is looked at around it, in px: 6 or more
     * @throws IllegalArgumentException when it lies outside the picture
     */
    public PointTracker(Pyramid first, double x, double y, int radius) {
        this(first, x, y, radius, true);
    }

    private PointTracker(Pyramid first, double x, double y, int radius, boolean confirms) {
        Luma picture = first.whole();
        if (!isWithin(picture, x, y)) {
            throw new IllegalArgumentException("The point lies outside the picture.");
        }
        this.radius = Math.max(6, radius);
        this.confirms = confirms;
        this.keeps = (int) Math.min(
                CONFIRMED + BACK_STEPS, Math.max(LEAST_KEPT, KEPT_BYTES / ((long) picture.width() * picture.height())));
        this.shift = new Shift(Math.min(this.radius, 12));
        this.last = first;
        this.warp = Warp.at(x, y);
        this.before = warp;
        this.template = new Template(picture, warp, this.radius);
        keep();
    }

    /** The radius that suits a picture of a height, in px. */
    public static int usualRadius(int height) {
        return Math.max(10, Math.min(20, height / 40));
    }

    private static boolean isWithin(Luma picture, double x, double y) {
        return x >= 0 && y >= 0 && x <= picture.width() - 1 && y <= picture.height() - 1;
    }

    /** Where the point is in the next picture. After it was lost, it has to be found {@link #again} first. */
    public Step next(Pyramid picture) {
        Step step = step(picture);
        if (step instanceof Lost loss && confirms) {
            int doubtful = doubtful();
            forgetLast(doubtful);
            // This picture is not among those that were kept.
            hidden++;
            return new Lost(loss.reason(), doubtful);
        }
        keep();
        // The place of this picture is kept by now, and not yet said: it is not among those that were found.
        int doubtful = confirms && (renewed || isDue()) ? doubtful() : 0;
        if (doubtful == 1 && movesFast()) {
            // One place alone may be blurred otherwise than the one before: the next tells.
            unconfirmed = CONFIRMED_EVERY;
        } else if (doubtful > 0) {
            forgetLast(doubtful);
            return new Lost(COVERED, doubtful - 1);
        }
        return step;
    }

    private void forgetLast(int doubtful) {
        for (int i = 0; i < doubtful; i++) {
            seen.removeLast();
        }
        hidden = doubtful;
    }

    /**
     * Looks for a point that was lost, as it comes out from behind what covered it: along the way on which it would have moved on. Only what looks as it did
     * when it was last sure, and leads back there, is it. Asked for each picture after the loss; once it is found it can be followed on.
     */
    public Optional<Found> again(Pyramid picture) {
        hidden++;
        Seen sure = seen.peekLast();
        if (sure == null) {
            return Optional.empty();
        }
        Seen earlier =
                seen.stream().skip(Math.max(0, seen.size() - 2)).findFirst().orElse(sure);
        double onX = sure.x() + hidden * (sure.x() - earlier.x());
        double onY = sure.y() + hidden * (sure.y() - earlier.y());
        for (double share : AGAIN_SHARES) {
            Optional<Found> found =
                    again(picture, sure, sure.x() + share * (onX - sure.x()), sure.y() + share * (onY - sure.y()));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private Optional<Found> again(Pyramid picture, Seen sure, double guessX, double guessY) {
        Luma whole = picture.whole();
        if (!isWithin(whole, guessX, guessY)) {
            return Optional.empty();
        }
        Shift.Found moved = shift.follow(sure.picture(), picture, sure.x(), sure.y(), guessX, guessY);
        if (moved.likeness() < AGAIN_LIKE || !isWithin(whole, moved.x(), moved.y())) {
            return Optional.empty();
        }
        Shift.Found back = shift.follow(picture, sure.picture(), moved.x(), moved.y(), sure.x(), sure.y());
        Warp guess = warp.movedTo(moved.x(), moved.y());
        Template.Fit fit = template.fit(whole, Smear.NONE, guess, 2 * (1 - CLEANEST));
        boolean isIt = Math.hypot(back.x() - sure.x(), back.y() - sure.y()) < BACK_PX
                && fit.whole() > Math.max(AGAIN_FITS, best - 2 * AS_EVER)
                && fit.middleError() < 2 * UNKNOWN_MIDDLE
                && fit.warp().shapeDistance(warp) < SHAPE_A_STEP
                && Math.hypot(fit.warp().tx() - moved.x(), fit.warp().ty() - moved.y()) < ASIDE * radius;
        if (!isIt || !isWithin(whole, fit.warp().tx(), fit.warp().ty())) {
            return Optional.empty();
        }
        seen.clear();
        warp = fit.warp();
        before = warp;
        last = picture;
        blur = 0;
        unconfirmed = 0;
        keep();
        return Optional.of(new Found(
                warp.tx(),
                warp.ty(),
                scaleBefore * warp.scale(),
                degreesBefore + warp.degrees(),
                Math.min(1, fit.whole() * trust)));
    }

    /** Whether the look has changed, and the way back was not looked at for so long that soon it will not reach to where it was sure. */
    private boolean isDue() {
        unconfirmed++;
        if (unconfirmed < CONFIRMED_EVERY || likeness >= CHANGED_BELOW) {
            return false;
        }
        unconfirmed = 0;
        return true;
    }

    /**
     * How many of the last places do not lead back to those before them, when what is seen on the last is followed anew. A point that slides onto something
     * else looks sure for a while; from there the way back is another.
     */
    public int doubtful() {
        List<Seen> places = List.copyOf(seen);
        int end = places.size() - 1;
        while (end > 0 && !leadsBack(places.subList(Math.max(0, end - BACK_STEPS), end + 1))) {
            end--;
        }
        return places.size() - 1 - end;
    }

    /** Whether it is not lost at once, and stays near the places for as long as it is followed. */
    private boolean leadsBack(List<Seen> places) {
        Seen from = places.get(places.size() - 1);
        PointTracker back = new PointTracker(from.picture(), from.x(), from.y(), radius, false);
        for (int i = places.size() - 2; i >= 0; i--) {
            Seen to = places.get(i);
            if (!(back.step(to.picture()) instanceof Found found)) {
                return i < places.size() - 2;
            }
            double most = BACK_RADII * radius + BACK_BLURS * Math.max(from.blur(), to.blur());
            if (Math.hypot(found.x() - to.x(), found.y() - to.y()) > most) {
                return false;
            }
        }
        return true;
    }

    private void keep() {
        if (confirms) {
            seen.add(new Seen(last, warp.tx(), warp.ty(), blur));
            if (seen.size() > keeps) {
                seen.remove();
            }
        }
    }

    private Step step(Pyramid picture) {
        renewed = false;
        Luma whole = picture.whole();
        Shift.Found moved = moved(picture);
        if (!isWithin(whole, moved.x(), moved.y())) {
            return new Lost(LEFT, 0);
        }
        Shift.Found back = shift.follow(picture, last, moved.x(), moved.y(), warp.tx(), warp.ty());
        double backPx = Math.hypot(back.x() - warp.tx(), back.y() - warp.ty());
        Warp guess = warp.movedTo(moved.x(), moved.y());
        Fitted fitted = fitted(whole, moved, guess, new Look(template, Smear.NONE, 0));
        if (fitted.fit.whole() < UNLIKE_BELOW && moved.likeness() > STILL_LIKE) {
            fitted = smeared(whole, moved, guess, fitted);
        }
        Template.Fit fit = fitted.fit;
        blur = fitted.look.blur;
        boolean astray = backPx > ASTRAY_PX && moved.likeness() < usualLikeness - ASTRAY_DROP;
        if (astray || !isNear(fit, moved) || isFarBelow(fit)) {
            return new Lost(COVERED, 0);
        }
        if (!isWithin(whole, fit.warp().tx(), fit.warp().ty())) {
            return new Lost(LEFT, 0);
        }
        boolean fitsAsEver = isAsEver(fit);
        before = warp;
        warp = fit.warp();
        fitted.look.template.learn(whole, fitted.look.smear, warp);
        movedFirst = movedFirst == null ? new Smear(warp.tx() - before.tx(), warp.ty() - before.ty()) : movedFirst;
        best = Math.max(best, usual);
        likeness = fit.whole();
        usual = usual < 0 ? fit.whole() : usual + 0.2 * (fit.whole() - usual);
        usualMiddle = usualMiddle < 0 ? fit.middleError() : usualMiddle + 0.2 * (fit.middleError() - usualMiddle);
        if (fit.whole() < RENEWED_BELOW
                && fit.whole() > RENEWED_ABOVE
                && moved.likeness() > SAME
                && backPx < BACK_PX
                && fit.middleError() < Math.max(1.5 * usualMiddle, SMALL_MIDDLE)) {
            scaleBefore *= warp.scale();
            degreesBefore += warp.degrees();
            warp = Warp.at(warp.tx(), warp.ty());
            // Which of its pixels lie on the thing is learned anew too: those that changed may show it best now.
            template = new Template(whole, warp, radius);
            movedFirst = new Smear(warp.tx() - before.tx(), warp.ty() - before.ty());
            renewed = true;
            trust *= RENEWAL_COST;
            usual = -1;
            usualMiddle = -1;
        }
        usualLikeness += 0.2 * (moved.likeness() - usualLikeness);
        last = picture;
        double certainty = Math.max(0, fit.whole()) * trust * (backPx < BACK_PX ? 1 : BACK_PX / backPx);
        if (certainty < LEAST_CERTAINTY) {
            if (!fitsAsEver || !movesFast()) {
                return new Lost(COVERED, 0);
            }
            // Only the way back went astray, as it does where a blur changes: the way back is looked at again after the
            // next picture.
            certainty = LEAST_CERTAINTY;
            unconfirmed = CONFIRMED_EVERY;
        }
        return new Found(
                warp.tx(),
                warp.ty(),
                scaleBefore * warp.scale(),
                degreesBefore + warp.degrees(),
                Math.min(1, certainty));
    }

    /** How the template and the picture are looked at. @param smear of the picture @param blur by which they differ, in px */
    private record Look(Template template, Smear smear, double blur) {}

    private record Fitted(Template.Fit fit, Look look) {}

    private Fitted fitted(Luma whole, Shift.Found moved, Warp guess, Look look) {
        double noise = 2 * (1 - Math.max(LEAST, Math.min(CLEANEST, usual)));
        Template.Fit fit = look.template.fit(whole, look.smear, guess, noise);
        if (!isNear(fit, moved) || isFarBelow(fit)) {
            // A blur, or little to go by, leads the shape astray.
            fit = look.template.moved(whole, look.smear, guess);
        }
        return new Fitted(fit, look);
    }

    /**
     * What moves is blurred along its way, now more and now less than the template was. The template is blurred as the picture is by now, or the picture as that one
     * was: what looks more alike.
     */
    private Fitted smeared(Luma whole, Shift.Found moved, Warp guess, Fitted plain) {
        double stepX = moved.x() - warp.tx();
        double stepY = moved.y() - warp.ty();
        Smear now =
                new Smear(stepX + (stepX - warp.tx() + before.tx()) / 2, stepY + (stepY - warp.ty() + before.ty()) / 2);
        Smear then = movedFirst == null ? now : movedFirst;
        Fitted best = plain;
        for (double open : SHUTTERS) {
            if (open * now.length() > LEAST_SMEAR_PX) {
                Template blurred = template.smeared(now.times(open).before(guess));
                best = better(
                        best, fitted(whole, moved, guess, new Look(blurred, Smear.NONE, open * now.length())), moved);
            }
            if (open * then.length() > LEAST_SMEAR_PX) {
                best = better(
                        best,
                        fitted(whole, moved, guess, new Look(template, then.times(open), open * then.length())),
                        moved);
            }
        }
        return best;
    }

    private Fitted better(Fitted a, Fitted b, Shift.Found moved) {
        boolean fits = isNear(b.fit, moved) && !isFarBelow(b.fit);
        boolean didFit = isNear(a.fit, moved) && !isFarBelow(a.fit);
        return fits && (!didFit || b.fit.whole() > a.fit.whole() + SMEAR_GAIN) ? b : a;
    }

    /** Whether the exact fit is a small step from where the shift led, or fits so well that the shift was led astray, as along an edge. */
    private boolean isNear(Template.Fit fit, Shift.Found moved) {
        double aside = Math.hypot(fit.warp().tx() - moved.x(), fit.warp().ty() - moved.y());
        return fit.warp().shapeDistance(warp) < SHAPE_A_STEP
                && fit.warp().scale() > SMALLEST
                && fit.warp().scale() < 1 / SMALLEST
                && aside < (isAsEver(fit) ? radius : ASIDE * radius);
    }

    /** Fast enough for a shutter that is open for half the time to blur it. */
    private boolean movesFast() {
        return Math.hypot(warp.tx() - before.tx(), warp.ty() - before.ty()) > 2 * LEAST_SMEAR_PX;
    }

    private boolean isAsEver(Template.Fit fit) {
        return fit.whole() > usual - AS_EVER;
    }

    private boolean isFarBelow(Template.Fit fit) {
        return fit.whole() < Math.max(LEAST, Math.max(usual - DROP, best - DROP_IN_ALL))
                || fit.middleError() > MIDDLE_ERROR + MIDDLE_TIMES * (usualMiddle < 0 ? UNKNOWN_MIDDLE : usualMiddle);
    }

    /** From where it would be if it moved on as it did, and from where it was: what looks more alike. */
    private Shift.Found moved(Pyramid picture) {
        double onX = 2 * warp.tx() - before.tx();
        double onY = 2 * warp.ty() - before.ty();
        Shift.Found best = null;
        for (int levels = picture.levels(); levels > 0 && (best == null || best.likeness() < ALIKE); levels--) {
            Shift.Found better = shift.follow(last, picture, warp.tx(), warp.ty(), onX, onY, levels);
            if (better.likeness() < SURE) {
                Shift.Found still = shift.follow(last, picture, warp.tx(), warp.ty(), warp.tx(), warp.ty(), levels);
                better = better.likeness() >= still.likeness() ? better : still;
            }
            best = best == null || better.likeness() > best.likeness() ? better : best;
        }
        return best;
    }
}
