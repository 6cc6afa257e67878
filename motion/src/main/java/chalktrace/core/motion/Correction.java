package chalktrace.core.motion;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Puts a followed point right on one picture and follows it anew from there, up to the places next to it that were set by hand: between two of those it is
 * followed from both, and the one gives way to the other.
 */
public final class Correction {

    private final PictureSource source;
    private final Tracking.Progress progress;
    private final double radius;

    private Correction(PictureSource source, double radius, Tracking.Progress progress) {
        this.source = source;
        this.radius = radius;
        this.progress = progress;
    }

    /**
     * The path anew, from the same places that were set by hand, with a patch of another size.
     *
     * @param radius of what is looked at, in px; 0 for the usual
     */
    public static TrackPath anew(PictureSource source, TrackPath path, double radius, Tracking.Progress progress)
            throws PictureUnavailableException {
        TrackPath out = TrackPath.NONE;
        for (TrackPath.Place hand : path.byHand()) {
            out = of(source, out, hand, radius, progress);
        }
        return out;
    }

    /**
     * The path with the place and all that follows from it.
     *
     * @param radius of what is looked at, in px; 0 for the usual
     * @throws PictureUnavailableException when the picture of the place can't be read
     * @throws java.util.concurrent.CancellationException when the progress says so
     */
    public static TrackPath of(
            PictureSource source, TrackPath path, TrackPath.Place hand, double radius, Tracking.Progress progress)
            throws PictureUnavailableException {
        return new Correction(source, radius, progress).corrected(path, hand);
    }

    private TrackPath corrected(TrackPath path, TrackPath.Place hand) throws PictureUnavailableException {
        Optional<TrackPath.Place> before = path.byHand().stream()
                .filter(place -> place.picture() < hand.picture())
                .reduce((a, b) -> b);
        Optional<TrackPath.Place> after = path.byHand().stream()
                .filter(place -> place.picture() > hand.picture())
                .findFirst();
        int from = before.map(TrackPath.Place::picture).orElse(0);
        int to = after.map(place -> place.picture() + 1).orElse(source.times().count());
        TrackPath anew = follow(hand, from, to);
        TrackPath out = path.with(anew, from, to);
        if (before.isPresent()) {
            TrackPath other = follow(before.get(), from, hand.picture() + 1);
            out = out.with(blended(before.get(), other, hand, anew), from, hand.picture() + 1);
        }
        if (after.isPresent()) {
            TrackPath other = follow(after.get(), hand.picture(), to);
            out = out.with(blended(hand, anew, after.get(), other), hand.picture(), to);
        }
        return out;
    }

    private TrackPath follow(TrackPath.Place place, int from, int to) throws PictureUnavailableException {
        Tracking.Start start = new Tracking.Start(place.picture(), place.x(), place.y(), radius);
        return Tracking.follow(source, List.of(start), from, to, progress).get(0);
    }

    /** From one place set by hand to the next, by what was followed from each. */
    private static TrackPath blended(
            TrackPath.Place first, TrackPath fromFirst, TrackPath.Place last, TrackPath fromLast) {
        List<TrackPath.Place> out = new ArrayList<>(List.of(first, last));
        List<TrackPath.Lost> lost = new ArrayList<>();
        for (int n = first.picture() + 1; n < last.picture(); n++) {
            Optional<TrackPath.Place> a = fromFirst.at(n);
            Optional<TrackPath.Place> b = fromLast.at(n);
            double share = (double) (n - first.picture()) / (last.picture() - first.picture());
            if (a.isPresent() && b.isPresent()) {
                out.add(a.get()
                        .at(
                                a.get().x() + share * (b.get().x() - a.get().x()),
                                a.get().y() + share * (b.get().y() - a.get().y())));
            } else {
                a.or(() -> b).ifPresent(out::add);
            }
        }
        // Only what neither of the two found is lost.
        fromFirst.lost().stream()
                .filter(loss -> loss.picture() > first.picture() && loss.picture() < last.picture())
                .filter(loss -> fromLast.at(loss.picture()).isEmpty())
                .forEach(lost::add);
        return TrackPath.of(out, lost);
    }
}
