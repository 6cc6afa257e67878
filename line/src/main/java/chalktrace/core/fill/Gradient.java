package chalktrace.core.fill;

import java.awt.geom.AffineTransform;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Colours that run into each other over a painted area, as in SVG 1.1, chapter 13.2. Each stop names a chalk, so that a colour that is
 * changed once changes here too. A linear one runs from 0 to 1 along x, a radial one from a focus to the circle of radius 1 about (0, 0);
 * {@code place} brings that into the drawing.
 *
 * @param stops at least one, their offsets rising
 * @param focusX of a radial gradient, within the circle
 * @param focusY of a radial gradient, within the circle
 * @param place six numbers of an affine map to shot pixels, in the order of {@link AffineTransform#getMatrix}
 */
public record Gradient(Kind kind, List<Stop> stops, Spread spread, double focusX, double focusY, List<Double> place) {

    public static final int MOST_STOPS = 64;

    /** How the colours run. */
    public enum Kind {
        LINEAR,
        RADIAL
    }

    /** What comes before the first stop and after the last. */
    public enum Spread {
        PAD,
        REFLECT,
        REPEAT
    }

    /** @param offset 0 to 1, @param chalk the id of the chalk whose colour and opacity it has */
    public record Stop(double offset, String chalk) {

        /** @throws IllegalArgumentException when the offset is out of bounds */
        public Stop {
            if (!(offset >= 0 && offset <= 1)) {
                throw new IllegalArgumentException("A stop of a gradient lies at 0 to 1.");
            }
        }
    }

    /** @throws IllegalArgumentException when there is no stop, there are too many, they do not rise, or a number is out of bounds */
    public Gradient {
        stops = List.copyOf(stops);
        place = List.copyOf(place);
        if (stops.isEmpty() || stops.size() > MOST_STOPS) {
            throw new IllegalArgumentException("A gradient has 1 to " + MOST_STOPS + " stops.");
        }
        for (int i = 1; i < stops.size(); i++) {
            if (stops.get(i).offset < stops.get(i - 1).offset) {
                throw new IllegalArgumentException("The stops of a gradient rise from 0 to 1.");
            }
        }
        if (place.size() != 6 || !place.stream().allMatch(Double::isFinite) || !(Math.hypot(focusX, focusY) <= 1)) {
            throw new IllegalArgumentException(
                    "A gradient has six finite numbers for its place, and a focus within its circle.");
        }
    }

    /** From the gradient's own plane to the drawing's. */
    public AffineTransform transform() {
        return new AffineTransform(place.stream().mapToDouble(value -> value).toArray());
    }

    /** The six numbers of a map. */
    public static List<Double> numbers(AffineTransform map) {
        double[] all = new double[6];
        map.getMatrix(all);
        return List.of(all[0], all[1], all[2], all[3], all[4], all[5]);
    }

    public Gradient transformed(AffineTransform change) {
        AffineTransform all = new AffineTransform(change);
        all.concatenate(transform());
        return new Gradient(kind, stops, spread, focusX, focusY, numbers(all));
    }

    /** @param other from the id of a chalk to that of another */
    public Gradient withChalks(UnaryOperator<String> other) {
        return new Gradient(
                kind,
                stops.stream()
                        .map(stop -> new Stop(stop.offset, other.apply(stop.chalk)))
                        .toList(),
                spread,
                focusX,
                focusY,
                place);
    }
}
