package chalktrace.media.testing;

import chalktrace.core.motion.Luma;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.time.FrameRate;
import chalktrace.media.codec.MovieEncoder;
import java.io.IOException;
import java.nio.file.Path;

/** Movies of a thing whose movement is known. */
public final class TexturedClips {

    public static final PictureSize SIZE = new PictureSize(MovingClip.WIDTH, MovingClip.HEIGHT);

    private TexturedClips() {}

    /** Writes it as MP4, silent, at 24 pictures a second. */
    public static Path write(MovingClip clip, Path file) throws IOException {
        try (MovieEncoder encoder = new MovieEncoder(file, SIZE, FrameRate.of(24), false)) {
            for (int n = 0; n < clip.frames(); n++) {
                Luma luma = clip.picture(n);
                int[] words = new int[luma.values().length];
                for (int i = 0; i < words.length; i++) {
                    words[i] = 0xFF000000 | 0x010101 * (luma.values()[i] & 0xFF);
                }
                encoder.add(words, new float[4000]);
            }
            encoder.finish();
        }
        return file;
    }
}
