package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.time.Conform;

/**
 * Moving reference, or one picture, under or over the drawings.
 *
 * @param file its absolute path, with {@code /} between the parts; a shot file writes it relative to itself
 * @param placement on the picture; the untouched placement fits it into the shot's size
 * @param look how it is lightened and tinted
 * @param mirrored whether left and right are exchanged
 * @param over whether it lies over the drawings
 * @param note where it is from and what it may be used for
 */
public record Footage(
        String id,
        String name,
        String file,
        Conform conform,
        Placement placement,
        Look look,
        boolean visible,
        boolean locked,
        boolean mirrored,
        boolean over,
        String note) {

    /**
     * How footage is made quiet, so that lines show over it.
     *
     * @param lighten 0 (as it is) to 1 (white)
     * @param tint 0 (own colours) to 1 (only shades of {@code color})
     * @param saturation 0 (grey) to 1 (own colours)
     */
    public record Look(double lighten, double tint, Rgb color, double saturation) {

        public static final Look AS_IS = new Look(0, 0, new Rgb(0x7F, 0xA8, 0xC9), 1);

        public Look {
            if (!(lighten >= 0 && lighten <= 1) || !(tint >= 0 && tint <= 1) || !(saturation >= 0 && saturation <= 1)) {
                throw new IllegalArgumentException("Lighten, tint and saturation are 0 to 1.");
            }
        }

        public Look withLighten(double amount) {
            return new Look(amount, tint, color, saturation);
        }

        public Look withTint(double amount) {
            return new Look(lighten, amount, color, saturation);
        }

        public Look withSaturation(double amount) {
            return new Look(lighten, tint, color, amount);
        }
    }

    /** Under the drawings, not mirrored, without a note, shown and locked: as footage is taken in. */
    public static Footage of(String id, String name, String file, Conform conform) {
        return new Footage(id, name, file, conform, Placement.AS_IS, Look.AS_IS, true, true, false, false, "");
    }

    public Footage withPlacement(Placement newPlacement) {
        return new Footage(id, name, file, conform, newPlacement, look, visible, locked, mirrored, over, note);
    }

    public Footage withLook(Look newLook) {
        return new Footage(id, name, file, conform, placement, newLook, visible, locked, mirrored, over, note);
    }

    public Footage withVisible(boolean shown) {
        return new Footage(id, name, file, conform, placement, look, shown, locked, mirrored, over, note);
    }

    public Footage withLocked(boolean lock) {
        return new Footage(id, name, file, conform, placement, look, visible, lock, mirrored, over, note);
    }

    public Footage withFile(String newFile) {
        return new Footage(id, name, newFile, conform, placement, look, visible, locked, mirrored, over, note);
    }

    public Footage withMirrored(boolean mirror) {
        return new Footage(id, name, file, conform, placement, look, visible, locked, mirror, over, note);
    }

    public Footage withOver(boolean overDrawings) {
        return new Footage(id, name, file, conform, placement, look, visible, locked, mirrored, overDrawings, note);
    }

    public Footage withNote(String newNote) {
        return new Footage(id, name, file, conform, placement, look, visible, locked, mirrored, over, newNote);
    }
}
