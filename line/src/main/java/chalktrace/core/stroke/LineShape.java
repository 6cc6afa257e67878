package chalktrace.core.stroke;

/**
 * How pressure, direction and the ends of a line become its thickness.
 *
 * @param width in shot pixels at full pressure
 * @param thinnest the share of the width at a touch, 0 to 1; 1 for a line that pressure does not change
 * @param taperPx over how many pixels each end runs to a point; 0 for round ends
 * @param tip of the chalk
 * @param faintest the share of the opacity at a touch, 0 to 1; 1 for a line that pressure does not fade
 * @param answer how much of the pen's pressure counts
 * @param ends how it ends and turns corners
 */
public record LineShape(
        double width, double thinnest, double taperPx, Tip tip, double faintest, PressureCurve answer, LineEnds ends) {

    public static final double WIDEST = 400;

    /** A quarter of the width at a touch. */
    public static final double USUAL_THINNEST = 0.25;

    private static final double SHOWN_PX = 0.5;
    private static final double FINEST_PRESSURE = 0.01;
    private static final double COARSEST_PRESSURE = 0.1;
    private static final double FLAT_THINNEST = 0.3;
    private static final double FLAT_ANGLE = Math.toRadians(45);

    /** What the chalk touches the paper with. */
    public enum Tip {
        ROUND,
        /** A nib held at 45 degrees: thin along it, broad across. */
        FLAT,
        /** Round, with the grain of the paper showing through. */
        DRY
    }

    /** @throws IllegalArgumentException when a number is out of bounds */
    public LineShape {
        if (!(width > 0 && width <= WIDEST)
                || !(thinnest >= 0 && thinnest <= 1)
                || !(faintest >= 0 && faintest <= 1)
                || !(taperPx >= 0 && taperPx <= 1000)) {
            throw new IllegalArgumentException("A line is above 0 and up to " + (int) WIDEST
                    + " pixels wide, its thinnest and faintest are shares of 0 to 1 and its taper 0 to 1000 pixels.");
        }
    }

    /** With round ends and corners. */
    public LineShape(double width, double thinnest, double taperPx, Tip tip, double faintest, PressureCurve answer) {
        this(width, thinnest, taperPx, tip, faintest, answer, LineEnds.ROUND);
    }

    /** Of one opacity, with an even answer to pressure. */
    public LineShape(double width, double thinnest, double taperPx, Tip tip) {
        this(width, thinnest, taperPx, tip, 1, PressureCurve.EVEN);
    }

    /** With round ends and the usual answer to pressure. */
    public static LineShape round(double width) {
        return new LineShape(width, USUAL_THINNEST, 0, Tip.ROUND);
    }

    public LineShape withWidth(double newWidth) {
        return new LineShape(newWidth, thinnest, taperPx, tip, faintest, answer, ends);
    }

    /** Of a drawing that is scaled: width, taper and dashes along with it, within bounds. */
    public LineShape scaled(double share) {
        return withWidth(Math.max(0.01, Math.min(WIDEST, width * share)))
                .withTaper(Math.min(1000, taperPx * share))
                .withEnds(ends.scaled(share));
    }

    public LineShape withThinnest(double share) {
        return new LineShape(width, share, taperPx, tip, faintest, answer, ends);
    }

    public LineShape withTaper(double px) {
        return new LineShape(width, thinnest, px, tip, faintest, answer, ends);
    }

    public LineShape withTip(Tip newTip) {
        return new LineShape(width, thinnest, taperPx, newTip, faintest, answer, ends);
    }

    public LineShape withFaintest(double share) {
        return new LineShape(width, thinnest, taperPx, tip, share, answer, ends);
    }

    public LineShape withAnswer(PressureCurve newAnswer) {
        return new LineShape(width, thinnest, taperPx, tip, faintest, newAnswer, ends);
    }

    public LineShape withEnds(LineEnds newEnds) {
        return new LineShape(width, thinnest, taperPx, tip, faintest, answer, newEnds);
    }

    /**
     * The change of pressure that is just seen: half a pixel of width, or a thirty-second part of the opacity. A line that pressure does not change
     * still keeps some of it, as it may be given another chalk.
     */
    public double pressureShown() {
        double most = 0;
        double steps = 20;
        for (int i = 0; i < steps; i++) {
            double rise = (answer.at((i + 1) / steps) - answer.at(i / steps)) * steps;
            double width = rise * this.width * (1 - thinnest) / SHOWN_PX;
            double opacity = rise * (1 - faintest) * StrokeOutline.BANDS;
            most = Math.max(most, Math.max(width, opacity));
        }
        return Math.max(FINEST_PRESSURE, Math.min(COARSEST_PRESSURE, 1 / Math.max(1e-9, most)));
    }

    /** Half the line's width in pixels, away from its ends. */
    public double radius(double pressure) {
        return width / 2 * (thinnest + (1 - thinnest) * answer.at(pressure));
    }

    /** The share of the chalk's opacity at a pressure. */
    public double opacity(double pressure) {
        return faintest == 1 ? 1 : faintest + (1 - faintest) * answer.at(pressure);
    }

    /** Half the width where the line runs in a direction, given in radians. */
    double radius(double pressure, double direction) {
        double round = radius(pressure);
        return tip == Tip.FLAT
                ? round * (FLAT_THINNEST + (1 - FLAT_THINNEST) * Math.abs(Math.sin(direction - FLAT_ANGLE)))
                : round;
    }

    /** The share of the width that is left so far from an end, in pixels. */
    double taper(double fromEnd) {
        return fromEnd >= taperPx ? 1 : Math.sqrt(Math.max(0, fromEnd / taperPx));
    }
}
