package chalktrace.core.edit.selection;

import chalktrace.core.words.EditWords;
import java.awt.geom.AffineTransform;
import java.util.Map;
import java.util.TreeMap;

/**
 * A change of place, size, turn and opacity that is keyed on some frames, with eased moves between. Before its first key it
 * is as at that key, after its last as at that.
 */
public final class SpanMove {

    /** @param right in shot pixels, @param down in shot pixels, @param scale 1 for none, @param degrees clockwise, @param opacity 0 to 1 */
    public record Key(double right, double down, double scale, double degrees, double opacity) {

        public static final Key NONE = new Key(0, 0, 1, 0, 1);

        /** @throws IllegalArgumentException when a number is not finite or out of bounds */
        public Key {
            if (!Double.isFinite(right + down + degrees)
                    || !(scale > 0 && scale <= 100)
                    || !(opacity >= 0 && opacity <= 1)) {
                throw new IllegalArgumentException(EditWords.TEXTS.of("a-move-has-finite-numbers-a"));
            }
        }
    }

    private final TreeMap<Integer, Key> keys;
    private final Ease ease;

    /** @throws IllegalArgumentException when there is no key */
    public SpanMove(Map<Integer, Key> keys, Ease ease) {
        if (keys.isEmpty()) {
            throw new IllegalArgumentException(EditWords.TEXTS.of("a-move-has-at-least-one"));
        }
        this.keys = new TreeMap<>(keys);
        this.ease = ease;
    }

    public static SpanMove constant(Key key) {
        return new SpanMove(Map.of(0, key), Ease.EVEN);
    }

    /** The change on a frame. Sizes go by equal ratios, so that growing and shrinking look even. */
    public Key at(int frame) {
        Map.Entry<Integer, Key> before = keys.floorEntry(frame);
        Map.Entry<Integer, Key> after = keys.ceilingEntry(frame);
        if (before == null || after == null || before.getKey().equals(after.getKey())) {
            return (before == null ? after : before).getValue();
        }
        double share = ease.at((frame - before.getKey()) / (double) (after.getKey() - before.getKey()));
        Key a = before.getValue();
        Key b = after.getValue();
        return new Key(
                a.right + share * (b.right - a.right),
                a.down + share * (b.down - a.down),
                a.scale * Math.pow(b.scale / a.scale, share),
                a.degrees + share * (b.degrees - a.degrees),
                a.opacity + share * (b.opacity - a.opacity));
    }

    /** The change of places on a frame, scaled and turned about a point, then moved. */
    public AffineTransform transformAt(int frame, double aboutX, double aboutY) {
        Key key = at(frame);
        AffineTransform out = AffineTransform.getTranslateInstance(key.right + aboutX, key.down + aboutY);
        out.rotate(Math.toRadians(key.degrees));
        out.scale(key.scale, key.scale);
        out.translate(-aboutX, -aboutY);
        return out;
    }
}
