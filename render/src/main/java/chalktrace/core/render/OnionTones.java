package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import chalktrace.core.picture.Srgb;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.IntStream;

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

    /** Right on a spot that is this dark, or this light, it is lost whatever lies around that. */
    private static final double LOST_ON_SPOT = 1.5;

    /** A line keeps its way over the whole picture where it stands out by so much at least. */
    private static final double KEPT = 2.4;

    /** Where so few places speak for one way, earlier drawings go dark and later ones light. */
    private static final double ABOUT_EVEN = 0.05;

    /** Lines are not made darker than that, where there is another way: colours can't be told apart there. */
    private static final double DARKEST = 1.2;

    private static final double GLARE = 0.05;
    private static final int LEVELS = 256;
    private static final int KEPT_TONES = 32;

    private final Rgb color;
    private final double contrast;
    private final boolean later;
    private final int[] darker = new int[LEVELS];
    private final int[] lighter = new int[LEVELS];
    private final boolean[] standsOutDark = new boolean[LEVELS];
    private final boolean[] standsOutLight = new boolean[LEVELS];
    private final boolean[] keepsDark = new boolean[LEVELS];
    private final boolean[] keepsLight = new boolean[LEVELS];
    private final boolean[] lostDark = new boolean[LEVELS];
    private final boolean[] lostLight = new boolean[LEVELS];
    private final boolean[] lostDarkOnSpot = new boolean[LEVELS];
    private final boolean[] lostLightOnSpot = new boolean[LEVELS];

    /** What tones are made of. */
    private record Asked(Rgb color, double contrast, boolean later) {}

    /** Those of the last few settings: each scene asks for the same ones, and making them costs hundreds of powers. */
    private static final Map<Asked, OnionTones> MADE = new LinkedHashMap<>(2 * KEPT_TONES, 0.75f, true) {

        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, OnionTones> eldest) {
            return size() > KEPT_TONES;
        }
    };

    /**
     * On any thread.
     *
     * @param contrast that is wanted, 1 or more
     * @param later whether for a drawing after the present one
     */
    static OnionTones of(Rgb color, double contrast, boolean later) {
        synchronized (MADE) {
            return MADE.computeIfAbsent(
                    new Asked(color, contrast, later), asked -> new OnionTones(color, contrast, later));
        }
    }

    private OnionTones(Rgb color, double contrast, boolean later) {
        this.color = color;
        this.contrast = contrast;
        this.later = later;
        double needed = Math.min(ENOUGH, contrast);
        double kept = Math.min(KEPT, contrast);
        double lost = Math.min(LOST, contrast);
        for (int i = 0; i < LEVELS; i++) {
            double ground = i / (LEVELS - 1.0) * i / (LEVELS - 1.0);
            darker[i] = tone((ground + GLARE) / contrast - GLARE);
            lighter[i] = tone((ground + GLARE) * contrast - GLARE);
            double byLight = (1 + GLARE) / (ground + GLARE);
            double byDark = (ground + GLARE) / GLARE;
            standsOutLight[i] = byLight >= needed;
            standsOutDark[i] = byDark >= needed * DARKEST;
            keepsDark[i] = byDark >= kept;
            keepsLight[i] = byLight >= kept;
            lostDark[i] = byDark < lost && byDark <= byLight;
            lostLight[i] = byLight < lost && byLight < byDark;
            lostDarkOnSpot[i] = byDark < Math.min(LOST_ON_SPOT, lost) && byDark <= byLight;
            lostLightOnSpot[i] = byLight < Math.min(LOST_ON_SPOT, lost) && byLight < byDark;
        }
    }

    /** Which way lines go that lie on ground of these lightnesses. */
    boolean goesDark(IntStream grounds) {
        int[] roots = grounds.toArray();
        long dark = IntStream.of(roots).filter(root -> standsOutDark[root]).count();
        long light = IntStream.of(roots).filter(root -> standsOutLight[root]).count();
        return Math.abs(dark - light) <= roots.length * ABOUT_EVEN ? !later : dark > light;
    }

    /**
     * Whether a line goes dark, by how light it is right under it, near it and all around. It goes one way all over the picture, and the other only where it would
     * be hard to see, in a spot only where it would be lost: a line that flickers is hard to read.
     */
    boolean isDark(int under, int near, int around, boolean goesDark) {
        boolean wantedDark = goesDark ? keepsDark[around] : !keepsLight[around];
        return wantedDark ? !lostDark[near] && !lostDarkOnSpot[under] : lostLight[near] || lostLightOnSpot[under];
    }

    /** The opaque word of a line, seen against what is right under it and against what is beside it. */
    int over(int under, int near, boolean dark) {
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
