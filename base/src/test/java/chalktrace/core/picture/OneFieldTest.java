package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class OneFieldTest {

    private static final int SIZE = 64;

    /** A white disc on black that has moved eight pixels to the right when the odd rows are taken: it has a comb. */
    private static Picture combed() {
        byte[] luma = new byte[SIZE * SIZE];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                luma[y * SIZE + x] = (byte) (Math.hypot(x - (y % 2 == 0 ? 28 : 36), y - 32) < 16 ? 255 : 0);
            }
        }
        byte[] grey = new byte[SIZE * SIZE / 4];
        Arrays.fill(grey, (byte) 128);
        Plane chroma = new Plane(SIZE / 2, SIZE / 2, grey);
        return new YuvPicture(new Plane(SIZE, SIZE, luma), chroma, chroma, YuvMatrix.BT709, true);
    }

    /** How often two rows that follow each other differ in a pixel. */
    private static int jumps(Picture picture) {
        int jumps = 0;
        for (int y = 1; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                jumps += (picture.argbAt(x, y) & 255) > 127 != (picture.argbAt(x, y - 1) & 255) > 127 ? 1 : 0;
            }
        }
        return jumps;
    }

    @Test
    void ofTwoMomentsOnlyTheFirstIsLeftAndItsEdgesAreWhole() {
        Picture one = combed().oneField();
        for (int y = 0; y < SIZE; y += 2) {
            for (int x = 0; x < SIZE; x++) {
                assertThat(one.argbAt(x, y)).isEqualTo(combed().argbAt(x, y));
            }
        }
        // A disc of radius 16 has an upper and a lower edge in each of its 31 or 32 columns.
        assertThat(jumps(one)).isBetween(60, 66);
        assertThat(jumps(combed())).isGreaterThan(400);
    }
}
