package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.picture.Srgb;

/**
 * The tones of one colour that stand out from what lies under them, as a contrast after WCAG 2.2 says: darker ones and lighter ones. Where both
 * would do, earlier drawings go dark and later ones light, which also tells them apart for the colour-blind. Lightness is given as in
 * {@link GroundLight}.
 */
final class OnionTones {

    /** A way of standing out that gives this much is good enough. */
    private static final double ENOUGH = 3.3;

    /** At less contrast a line is lost. */
    private static final double LOST = 2;

    /** Lines are not made darker than that, where there is another way: colours can't be told apart there. */
    private static final double DARKEST = 1.2;

    private static final double GLARE = 0.05;
    private static final int LEVELS = 256;

    private final Rgb color;
    private final double contrast;
    private final boolean later;
    private final int[] darker = new int[LEVELS];
    private final int[] lighter = new int[LEVELS];
    private final boolean[] goesDark = new boolean[LEVELS];
    private final boolean[] lostDark = new boolean[LEVELS];
    private final boolean[] lostLight = new boolean[LEVELS];

    /** @param contrast that is wanted, 1 or more @param later whether for a drawing after the present one */
    OnionTones(Rgb color, double contrast, boolean later) {
        this.color = color;
        this.contrast = contrast;
        this.later = later;
        double needed = Math.min(ENOUGH, contrast);
        double lost = Math.min(LOST, contrast);
        for (int i = 0; i < LEVELS; i++) {
            double ground = i / (LEVELS - 1.0) * i / (LEVELS - 1.0);
            darker[i] = tone((ground + GLARE) / contrast - GLARE);
            lighter[i] = tone((ground + GLARE) * contrast - GLARE);
            double byLight = (1 + GLARE) / (ground + GLARE);
            double byDark = (ground + GLARE) / GLARE;
            boolean canLighten = byLight >= needed;
            boolean canDarken = byDark >= needed * DARKEST;
            goesDark[i] = canLighten == canDarken ? canDarken ? !later : ground > 0.18 : canDarken;
            lostDark[i] = byDark < lost && byDark <= byLight;
            lostLight[i] = byLight < lost && byLight < byDark;
        }
    }

    /**
     * The opaque word of a line, by how light it is under it, near it and all around. In a spot of other ground than around it a line changes
     * over only where it would be lost else: a line that flickers is hard to read.
     */
    int over(int under, int near, int around) {
        boolean dark = goesDark[around] ? !lostDark[near] : lostLight[near];
        // Seen against the spot itself and against what is right beside it.
        return dark ? darker[Math.min(under, near)] : lighter[Math.max(under, near)];
    }

    /** The colour at a luminance: mixed with black below its own, with white above. */
    private int tone(double luminance) {
        double wanted = Math.max(0, Math.min(1, luminance));
        double own = Math.max(1e-4, color.luminance());
        int word = 0xFF;
        for (int part : new int[] {color.red(), color.green(), color.blue()}) {
            double linear = Srgb.light(part / 255.0);
            double mixed = wanted <= own
                    ? linear * wanted / own
                    : linear + (1 - linear) * (wanted - own) / Math.max(1e-6, 1 - own);
            word = word << 8 | (int) Math.round(255 * Srgb.part(Math.max(0, Math.min(1, mixed))));
        }
        return word;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof OnionTones tones
                && tones.color.equals(color)
                && tones.contrast == contrast
                && tones.later == later;
    }

    @Override
    public int hashCode() {
        return 31 * color.hashCode() + Double.hashCode(contrast);
    }
}
