package chalktrace.core.fill;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Path2D;
import java.util.BitSet;
import java.util.SplittableRandom;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Beside the plainest way of saying the same. */
class BitmapTest {

    /** So many pixels are looked at at a time. */
    private static final int LOOKED_AT = 4_096;

    /** Dots, lines, areas with holes, all or nothing; once in a while wider than what is looked at at a time. */
    private static Bitmap any(SplittableRandom random) {
        int width = random.nextInt(20) == 0 ? 5_000 : random.nextInt(1, 90);
        int height = random.nextInt(1, 40);
        boolean[] on = new boolean[width * height];
        double share = random.nextDouble();
        int kind = random.nextInt(4);
        for (int i = 0; i < on.length; i++) {
            on[i] = switch (kind) {
                case 0 -> random.nextDouble() < share;
                case 1 -> random.nextDouble() < 0.005;
                case 2 -> random.nextDouble() > 0.005;
                default -> share < 0.5;
            };
        }
        for (int lines = random.nextInt(4); lines > 0; lines--) {
            int y = random.nextInt(height);
            for (int x = random.nextInt(width); x < width; x++) {
                on[y * width + x] = kind != 2;
            }
        }
        if (width > LOOKED_AT) {
            for (int y = 0; y < height; y++) {
                on[y * width + LOOKED_AT + random.nextInt(-1, 2)] ^= kind > 0;
            }
        }
        return new Bitmap(width, height, on);
    }

    @Property(tries = 400, edgeCases = EdgeCasesMode.NONE)
    void edgesAreTheSetPixelsBesideOthers(@ForAll long seed) {
        Bitmap bitmap = any(new SplittableRandom(seed));
        BitSet edges = new BitSet();
        bitmap.eachEdge((y, start, end) -> {
            assertThat(start).isLessThan(end);
            for (int x = start; x < end; x++) {
                assertThat(edges.get(y * bitmap.width + x)).isFalse();
                edges.set(y * bitmap.width + x);
            }
        });
        BitSet plain = new BitSet();
        for (int y = 0; y < bitmap.height; y++) {
            for (int x = 0; x < bitmap.width; x++) {
                boolean inside =
                        bitmap.at(x - 1, y) && bitmap.at(x + 1, y) && bitmap.at(x, y - 1) && bitmap.at(x, y + 1);
                plain.set(y * bitmap.width + x, bitmap.at(x, y) && !inside);
            }
        }
        assertThat(edges).isEqualTo(plain);
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void growingTakesAllWithinTheRadiusAndNothingElse(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Bitmap bitmap = any(random);
        double radius = random.nextDouble(7);
        // The distance of each pixel by a transform that the growing does not use.
        float[] squares = DistanceTransform.squares(bitmap);
        Bitmap grown = Dilation.by(bitmap, radius);
        double reach = radius < 1 ? 0 : radius;
        for (int i = 0; i < squares.length; i++) {
            assertThat(grown.on[i])
                    .as("%d of %d x %d, %.3f px, %.2f", i, bitmap.width, bitmap.height, radius, squares[i])
                    .isEqualTo(squares[i] <= reach * reach);
        }
    }

    @Property(tries = 100, edgeCases = EdgeCasesMode.NONE)
    void whatTheFollowedEdgesEncloseIsWhatIsSet(@ForAll long seed) {
        Bitmap bitmap = any(new SplittableRandom(seed));
        // Larger, so that thinning takes nothing of a pixel but its corners.
        int times = 8;
        int seen = Math.min(60, bitmap.width);
        Bitmap large = new Bitmap(seen * times, bitmap.height * times);
        for (int i = 0; i < large.on.length; i++) {
            large.on[i] = bitmap.at(i % large.width / times, i / large.width / times);
        }
        Path2D enclosed = ContourTracer.trace(large, times, 0, 0, 0).path();
        for (int y = 0; y < bitmap.height; y++) {
            for (int x = 0; x < seen; x++) {
                assertThat(enclosed.contains(x + 0.5, y + 0.5)).isEqualTo(bitmap.at(x, y));
            }
        }
    }

    @Test
    void whatTouchesAtACornerHasAnEdgeOfItsOwn() {
        Bitmap bitmap = new Bitmap(6, 12);
        for (int y = 0; y < 12; y++) {
            // A block, and a bar from its lower right corner on.
            for (int x = y < 3 ? 0 : 3; x < (y < 3 ? 3 : 4); x++) {
                bitmap.on[y * 6 + x] = true;
            }
        }
        assertThat(ContourTracer.trace(bitmap, 1, 0, 0, 0).rings()).isEqualTo(2);
    }
}
