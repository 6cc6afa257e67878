package chalktrace.demo.film;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.StillView;
import chalktrace.demo.scene.Performance;
import chalktrace.demo.scene.Renderer;
import chalktrace.media.export.PngFiles;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;

/** Four poses of the performance on one sheet, two by two, as a picture to keep beside the board. */
public final class PoseSheet {

    /** The first frame of each pose, which is also when the still turns to it. */
    private static final int[] FRAMES = {0, 46, 94, 118};

    private static final int WIDTH = 480;
    private static final int HEIGHT = 270;

    private PoseSheet() {}

    public static void make(Performance performance, Path target) throws IOException {
        int[] sheet = new int[4 * WIDTH * HEIGHT];
        for (int i = 0; i < FRAMES.length; i++) {
            float[] light = new float[3 * WIDTH * HEIGHT];
            new Renderer(WIDTH, HEIGHT).add(performance, FRAMES[i], 0.5, 0.5, light);
            int[] pose = new FilmLook(WIDTH, HEIGHT, WIDTH, HEIGHT).develop(light, 1, FRAMES[i]);
            for (int y = 0; y < HEIGHT; y++) {
                int to = ((i / 2) * HEIGHT + y) * 2 * WIDTH + (i % 2) * WIDTH;
                System.arraycopy(pose, y * WIDTH, sheet, to, WIDTH);
            }
        }
        PngFiles.write(sheet, new PictureSize(2 * WIDTH, 2 * HEIGHT), target);
    }

    /** One pose at a time, each from its frame on. */
    public static List<StillView> views() {
        return IntStream.range(0, FRAMES.length)
                .mapToObj(i -> new StillView(FRAMES[i], 0, new Region(i % 2 * 0.5, i / 2 * 0.5, 0.5, 0.5)))
                .toList();
    }
}
