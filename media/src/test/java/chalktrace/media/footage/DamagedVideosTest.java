package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.UnreadableException;
import chalktrace.media.testing.Damage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Videos spoilt by chance: what looks wrong is said to be doubtful, as far as the coding lets it be known; what is sound is not doubted. */
class DamagedVideosTest {

    private static final Path CLIPS = Path.of("src/test/resources/clips");

    private static final int FILES = 12;

    @TempDir
    Path folder;

    private static List<int[]> pictures(Path file) throws UnreadableException, PictureUnavailableException {
        List<int[]> pictures = new ArrayList<>();
        try (Reference reference = References.open(file)) {
            for (int n = 0; n < reference.times().count(); n++) {
                pictures.add(reference.picture(n).toArgb());
            }
        }
        return pictures;
    }

    /** @param most percent of the pictures that look wrong that may do so without a word; without the check it is half, or all */
    @ParameterizedTest
    @CsvSource({"mpeg2.mpg,30", "mjpeg.avi,85", "animated.gif,30"})
    void fewLookWrongWithoutAWord(String name, int most) throws Exception {
        List<int[]> right = pictures(CLIPS.resolve(name));
        long seed = Long.getLong("chalktrace.seed", System.nanoTime());
        System.out.println("seed of spoilt " + name + ": " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        byte[] bytes = Files.readAllBytes(CLIPS.resolve(name));
        int wrong = 0;
        int silent = 0;
        for (int i = 0; i < FILES; i++) {
            Path spoilt = Files.write(folder.resolve("spoilt-" + name), Damage.exchanged(bytes, 120, random));
            try (Reference reference = References.open(spoilt)) {
                for (int n = 0; n < Math.min(right.size(), reference.times().count()); n++) {
                    try {
                        int[] words = reference.picture(n).toArgb();
                        // A damaged container may give another picture that is sound: no decoder can know.
                        boolean looksWrong = right.stream().allMatch(one -> Damage.looksWrong(words, one));
                        wrong += looksWrong ? 1 : 0;
                        silent += looksWrong && reference.doubt(n).isEmpty() ? 1 : 0;
                    } catch (PictureUnavailableException e) {
                        assertThat(e.getMessage()).contains("spoilt-" + name);
                    }
                }
            } catch (UnreadableException e) {
                assertThat(e.getMessage()).contains("spoilt-" + name);
            }
        }
        System.out.println(name + ": " + silent + " of " + wrong + " wrong pictures without a word");
        // Damage that stays in step spoils a group of up to twelve, of which no decoder can know: one says little.
        assertThat(100 * silent).isLessThanOrEqualTo(Math.max(1200, most * wrong));
    }

    /** Also while another file that is damaged is decoded, of which the codecs complain. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "h264-open-group.mkv",
                "h264-long-group.mp4",
                "h264.ts",
                "intra-refresh.mp4",
                "two-edits.mp4",
                "hevc.mp4",
                "vp9.webm",
                "av1.mkv",
                "mpeg4.avi",
                "mpeg2.mpg",
                "interlaced.mpg",
                "mjpeg.avi",
                "animated.gif",
                "prores.mov",
                "packed-b.avi",
                "false-keys.avi",
                "variable-rate.mkv"
            })
    void aSoundVideoIsNotDoubtedInAnyOrder(String name) throws Exception {
        byte[] bytes = Files.readAllBytes(CLIPS.resolve("mpeg4.avi"));
        Path spoilt = Files.write(folder.resolve("spoilt.avi"), Damage.exchanged(bytes, 200, new SplittableRandom(11)));
        SplittableRandom random = new SplittableRandom(7);
        try (Reference reference = References.open(CLIPS.resolve(name));
                Reference other = References.open(spoilt)) {
            int count = reference.times().count();
            for (int i = 0; i < 2 * count; i++) {
                int n = i < count ? i : random.nextInt(count);
                reference.picture(n);
                assertThat(reference.doubt(n)).as("picture " + n).isEmpty();
                try {
                    other.picture(n % other.times().count());
                } catch (PictureUnavailableException e) {
                    assertThat(e.getMessage()).contains("spoilt.avi");
                }
            }
        }
    }

    /** Damage is known again when a picture is reached from elsewhere. */
    @Test
    void theSamePicturesAreDoubtedInAnyOrder() throws Exception {
        byte[] bytes = Files.readAllBytes(CLIPS.resolve("mpeg2.mpg"));
        Path spoilt = Files.write(folder.resolve("spoilt.mpg"), Damage.exchanged(bytes, 60, new SplittableRandom(3)));
        List<Integer> rising = doubted(spoilt, 1);
        assertThat(rising).isNotEmpty();
        assertThat(doubted(spoilt, -1)).containsExactlyInAnyOrderElementsOf(rising);
    }

    private static List<Integer> doubted(Path file, int direction) throws Exception {
        List<Integer> doubted = new ArrayList<>();
        try (Reference reference = References.open(file)) {
            int count = reference.times().count();
            for (int i = 0; i < count; i++) {
                int n = direction > 0 ? i : count - 1 - i;
                try {
                    reference.picture(n);
                    if (reference.doubt(n).isPresent()) {
                        doubted.add(n);
                    }
                } catch (PictureUnavailableException e) {
                    doubted.add(n);
                }
            }
        }
        return doubted;
    }
}
