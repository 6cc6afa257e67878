package chalktrace.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Peaks;
import java.util.concurrent.Callable;
import javafx.scene.SnapshotParameters;
import javafx.scene.canvas.Canvas;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** A sound of a second that is silent in its first half and loud in its second, 400 px long. */
@ExtendWith(ApplicationExtension.class)
class WaveStripsTest {

    private static final int WIDTH = 400;
    private static final int HEIGHT = 20;

    private final WaveStrips strips = new WaveStrips();
    private final Peaks peaks = new Peaks(new PcmBuffer(48_000, 1, halfLoud()));

    private static float[] halfLoud() {
        float[] samples = new float[48_000];
        for (int i = 24_000; i < samples.length; i++) {
            samples[i] = (float) (0.8 * Math.sin(i * 0.1));
        }
        return samples;
    }

    /** Where it is loud on a lane that begins at some second of the sound: the first and the last column, and whether all between are. */
    private int[] loud(double left, SoundClip.Trim trim) throws Exception {
        Callable<WritableImage> painted = () -> {
            Canvas canvas = new Canvas(WIDTH, HEIGHT);
            strips.paint(
                    canvas.getGraphicsContext2D(),
                    new WaveStrips.Look(peaks, trim, 1.0 / WIDTH, HEIGHT, Color.BLACK, 1),
                    left,
                    WIDTH);
            return canvas.snapshot(new SnapshotParameters(), null);
        };
        WritableImage seen = WaitForAsyncUtils.asyncFx(painted).get();
        int first = -1;
        int last = -1;
        int count = 0;
        for (int x = 0; x < WIDTH; x++) {
            if (seen.getPixelReader().getColor(x, 3).getBrightness() < 0.5) {
                first = first < 0 ? x : first;
                last = x;
                count++;
            }
        }
        return new int[] {first, last, count};
    }

    @Test
    void itIsWhereItIsHeardAndMovesWithTheLane() throws Exception {
        SoundClip.Trim whole = new SoundClip.Trim(0, 0);
        assertThat(loud(0, whole)).containsExactly(200, 399, 200);
        assertThat(loud(0.25, whole)).containsExactly(100, 299, 200);
        assertThat(loud(-0.3, whole)).containsExactly(320, 399, 80);
        assertThat(loud(0.25, whole))
                .as("once more, from the strips that are there")
                .containsExactly(100, 299, 200);
    }

    @Test
    void whatIsTrimmedIsNotSeen() throws Exception {
        assertThat(loud(0, new SoundClip.Trim(0.75, 0.125))).containsExactly(300, 349, 50);
    }
}
