package chalktrace.core.fill;

import java.awt.geom.AffineTransform;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * A painted area of a drawing.
 *
 * @param chalk the id of the chalk whose colour it has; with a gradient that of its first stop
 * @param area in shot pixels
 * @param gradient whose colours it has instead; empty for an area of one colour
 */
public record Fill(String chalk, Contours area, Optional<Gradient> gradient) {

    private static final long GRADIENT_BYTES = 400;

    /** Of one colour. */
    public Fill(String chalk, Contours area) {
        this(chalk, area, Optional.empty());
    }

    /** With the colours of a gradient. */
    public static Fill of(Contours area, Gradient gradient) {
        return new Fill(gradient.stops().get(0).chalk(), area, Optional.of(gradient));
    }

    public Fill withArea(Contours other) {
        return new Fill(chalk, other, gradient);
    }

    /** Of one chalk alone. */
    public Fill withChalk(String one) {
        return new Fill(one, area);
    }

    /** @param other from the id of a chalk to that of another */
    public Fill withChalks(UnaryOperator<String> other) {
        return new Fill(other.apply(chalk), area, gradient.map(colours -> colours.withChalks(other)));
    }

    public Fill transformed(AffineTransform change) {
        return new Fill(chalk, area.transformed(change), gradient.map(colours -> colours.transformed(change)));
    }

    /** The ids of all chalks that it shows. */
    public Stream<String> chalks() {
        return Stream.concat(
                        Stream.of(chalk),
                        gradient.stream()
                                .flatMap(colours -> colours.stops().stream())
                                .map(Gradient.Stop::chalk))
                .distinct();
    }

    /** About how much memory it takes. */
    public long bytes() {
        return 32 + area.bytes() + (gradient.isPresent() ? GRADIENT_BYTES : 0);
    }
}
