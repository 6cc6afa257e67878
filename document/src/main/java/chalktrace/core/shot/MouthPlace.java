package chalktrace.core.shot;

/**
 * Where the mouths are drawn on the picture.
 *
 * @param x of the mouth's middle, in shot pixels
 * @param y of the mouth's middle, in shot pixels
 * @param width of the mouth at rest, in shot pixels
 */
public record MouthPlace(double x, double y, double width, boolean visible) {

    public MouthPlace {
        if (!Double.isFinite(x) || !Double.isFinite(y) || !(width > 0 && width < 20_000)) {
            throw new IllegalArgumentException("A mouth's place has finite numbers and a width above 0.");
        }
    }
}
