package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.time.Conform;

/**
 * Moving reference, or one picture, under the drawings.
 *
 * @param file its absolute path, with {@code /} between the parts; a shot file writes it relative to itself
 * @param placement on the picture; the untouched placement fits it into the shot's size
 * @param look how it is lightened and tinted
 */
public record Footage(
        String id,
        String name,
        String file,
        Conform conform,
        Placement placement,
        Look look,
        boolean visible,
        boolean locked) {

    /**
     * How footage is made quiet, so that lines show over it.
     *
     * @param lighten 0 (as it is) to 1 (white)
     * @param tint 0 (own colours) to 1 (only shades of {@code color})
     */
    public record Look(double lighten, double tint, Rgb color) {

        public static final Look AS_IS = new Look(0, 0, new Rgb(0x7F, 0xA8, 0xC9));

        public Look {
            if (!(lighten >= 0 && lighten <= 1) || !(tint >= 0 && tint <= 1)) {
                throw new IllegalArgumentException("Lighten and tint are 0 to 1.");
            }
        }

        public Look withLighten(double amount) {
            return new Look(amount, tint, color);
        }

        public Look withTint(double amount) {
            return new Look(lighten, amount, color);
        }
    }

    public Footage withConform(Conform newConform) {
        return new Footage(id, name, file, newConform, placement, look, visible, locked);
    }

    public Footage withPlacement(Placement newPlacement) {
        return new Footage(id, name, file, conform, newPlacement, look, visible, locked);
    }

    public Footage withLook(Look newLook) {
        return new Footage(id, name, file, conform, placement, newLook, visible, locked);
    }

    public Footage withVisible(boolean shown) {
        return new Footage(id, name, file, conform, placement, look, shown, locked);
    }

    public Footage withLocked(boolean lock) {
        return new Footage(id, name, file, conform, placement, look, visible, lock);
    }

    public Footage withFile(String newFile) {
        return new Footage(id, name, newFile, conform, placement, look, visible, locked);
    }
}
