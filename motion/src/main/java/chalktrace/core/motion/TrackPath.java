package chalktrace.core.motion;

import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/**
 * Where a point is in each picture of its source in which it was found. Immutable; equal to another with the same places.
 */
public final class TrackPath {

    /** How a place came to be known. */
    public enum Origin {
        /** Touched or dragged there by the artist. */
        HAND,
        FOLLOWED,
        /** Between two places on either side, across pictures in which nothing was found. */
        GUESSED
    }

    /**
     * @param picture of the source, from 0
     * @param x in px of the source as it is seen, @param y down
     * @param scale of what lies around it, 1 where it was touched
     * @param degrees that it has turned since, clockwise
     * @param certainty 0 to 1
     */
    public record Place(
            int picture, double x, double y, double scale, double degrees, double certainty, Origin origin) {

        public Place {
            if (picture < 0
                    || !Double.isFinite(x)
                    || !Double.isFinite(y)
                    || !Double.isFinite(degrees)
                    || !(scale > 0 && scale < 1e6)
                    || !(certainty >= 0 && certainty <= 1)) {
                throw new IllegalArgumentException("A place of a path is finite, its certainty 0 to 1.");
            }
        }

        public static Place byHand(int picture, double x, double y) {
            return new Place(picture, x, y, 1, 0, 1, Origin.HAND);
        }

        /** Elsewhere, the rest as it is. */
        public Place at(double otherX, double otherY) {
            return new Place(picture, otherX, otherY, scale, degrees, certainty, origin);
        }

        private Place between(Place after, int at) {
            Place there = towards(after, (double) (at - picture) / (after.picture - picture));
            return new Place(at, there.x, there.y, there.scale, there.degrees, 0, Origin.GUESSED);
        }

        /** Part of the way to another place, on the same picture. */
        private Place towards(Place after, double share) {
            return new Place(
                    picture,
                    x + share * (after.x - x),
                    y + share * (after.y - y),
                    scale + share * (after.scale - scale),
                    degrees + share * (after.degrees - degrees),
                    certainty,
                    origin);
        }

        private Place on(int otherPicture, double otherX, double otherY) {
            return new Place(otherPicture, otherX, otherY, scale, degrees, certainty, origin);
        }

        public double distance(Place other) {
            return Math.hypot(x - other.x, y - other.y);
        }
    }

    /** From a picture on nothing was found. @param reason such as {@link PointTracker#LEFT} */
    public record Lost(int picture, String reason) {}

    /** In seconds. */
    private static final double SAME_MOMENT = 1e-6;

    public static final TrackPath NONE = new TrackPath(new TreeMap<>(), List.of());

    private final NavigableMap<Integer, Place> places;
    private final List<Lost> lost;

    private TrackPath(NavigableMap<Integer, Place> places, List<Lost> lost) {
        this.places = places;
        this.lost = lost.stream().sorted(Comparator.comparingInt(Lost::picture)).toList();
    }

    /** A movement whose frames are pictures, each place where it is known as sure as is said. */
    static TrackPath of(MovingPoint point, double certainty) {
        List<Place> places = new ArrayList<>();
        for (int picture = point.firstFrame(); picture <= point.lastFrame(); picture++) {
            if (point.knows(picture)) {
                places.add(new Place(picture, point.x(picture), point.y(picture), 1, 0, certainty, Origin.FOLLOWED));
            }
        }
        return of(places, List.of());
    }

    /** @param places of two on one picture the later one counts */
    public static TrackPath of(Collection<Place> places, List<Lost> lost) {
        TreeMap<Integer, Place> sorted = new TreeMap<>();
        places.forEach(place -> sorted.put(place.picture(), place));
        return new TrackPath(sorted, lost);
    }

    public boolean isEmpty() {
        return places.isEmpty();
    }

    /** In rising order of the pictures. */
    public List<Place> places() {
        return List.copyOf(places.values());
    }

    public List<Lost> lost() {
        return lost;
    }

    /** The picture on which a lost point was found again, beyond the loss as it was followed; empty where it was not. */
    public Optional<Integer> foundAgain(Lost loss) {
        int picture = loss.picture();
        if (places.containsKey(picture)) {
            return Optional.empty();
        }
        return places.containsKey(picture - 1)
                ? Optional.ofNullable(places.higherKey(picture))
                : places.containsKey(picture + 1) ? Optional.ofNullable(places.lowerKey(picture)) : Optional.empty();
    }

    public Optional<Place> at(int picture) {
        return Optional.ofNullable(places.get(picture));
    }

    public int firstPicture() {
        return places.firstKey();
    }

    public int lastPicture() {
        return places.lastKey();
    }

    public List<Place> byHand() {
        return places.values().stream()
                .filter(place -> place.origin() == Origin.HAND)
                .toList();
    }

    /** With a place, in the stead of the one of its picture if there is one. */
    public TrackPath with(Place place) {
        TreeMap<Integer, Place> out = new TreeMap<>(places);
        out.put(place.picture(), place);
        return new TrackPath(out, lost);
    }

    /** With what another has for its pictures, and what it lost. @param from the first picture that is taken @param to the first that is not */
    public TrackPath with(TrackPath other, int from, int to) {
        TreeMap<Integer, Place> out = new TreeMap<>(places);
        out.subMap(from, to).clear();
        other.places.subMap(from, true, to, false).forEach(out::put);
        List<Lost> all = new ArrayList<>(lost.stream()
                .filter(l -> l.picture() < from || l.picture() >= to)
                .toList());
        other.lost.stream().filter(l -> l.picture() >= from && l.picture() < to).forEach(all::add);
        return new TrackPath(out, all);
    }

    public TrackPath mapped(UnaryOperator<Place> change) {
        return of(places.values().stream().map(change).toList(), lost);
    }

    /** With what is missing between two found places put evenly between them, as a guess. @param most pictures that a gap may be long */
    public TrackPath bridged(int most) {
        TreeMap<Integer, Place> out = new TreeMap<>(places);
        Place before = null;
        for (Place place : places.values()) {
            if (before != null
                    && place.picture() - before.picture() > 1
                    && place.picture() - before.picture() <= most + 1) {
                for (int n = before.picture() + 1; n < place.picture(); n++) {
                    out.put(n, before.between(place, n));
                }
            }
            before = place;
        }
        return new TrackPath(out, lost);
    }

    /**
     * The same path on another source that shows the same moments, both from their first picture on: where it is as each picture of that starts,
     * evenly between the places before and after, where both are known and next to each other.
     *
     * @param times of the own source @param other of the other one
     * @param scaleX from px of the own source to px of the other @param scaleY likewise
     */
    public TrackPath onto(PictureTimes times, PictureTimes other, double scaleX, double scaleY) {
        List<Place> out = new ArrayList<>();
        for (int n = 0; n < other.count(); n++) {
            int picture = n;
            double at = other.seconds(n);
            int own = times.lastBefore(at);
            Optional<Place> here = at >= times.endSeconds(times.count() - 1) - SAME_MOMENT ? Optional.empty() : at(own);
            double length = times.endSeconds(own) - times.seconds(own);
            double share = length <= 0 ? 0 : Math.max(0, Math.min(1, (at - times.seconds(own)) / length));
            here.map(place ->
                            at(own + 1).map(next -> place.towards(next, share)).orElse(place))
                    .map(place -> place.on(picture, place.x * scaleX, place.y * scaleY))
                    .ifPresent(out::add);
        }
        return of(
                out,
                lost.stream()
                        .filter(loss -> loss.picture() < times.count())
                        .map(loss -> new Lost(other.nearest(times.seconds(loss.picture())), loss.reason()))
                        .toList());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof TrackPath path && places.equals(path.places) && lost.equals(path.lost);
    }

    @Override
    public int hashCode() {
        return Objects.hash(places, lost);
    }

    @Override
    public String toString() {
        return "TrackPath" + places.values() + lost;
    }
}
