package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.UnreadableException;
import chalktrace.media.testing.Damage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures spoilt by chance: what looks wrong is refused, or said to be doubtful. */
class DamagedPicturesTest {

    private static final int FILES = 60;

    @TempDir
    Path folder;

    /** @param most of {@link #FILES} that may look wrong without a word: formats that carry no check can't be known to be damaged */
    @ParameterizedTest
    @CsvSource({"png,0", "jpg,7", "webp,6", "tif,9"})
    void fewLookWrongWithoutAWord(String ending, int most) throws Exception {
        Path sound = Path.of("src/test/resources/clips", "five." + ending);
        byte[] bytes = Files.readAllBytes(sound);
        int[] right = words(sound);
        long seed = Long.getLong("chalktrace.seed", System.nanoTime());
        System.out.println("seed of spoilt " + ending + ": " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        int silent = 0;
        for (int i = 0; i < FILES; i++) {
            // One name for all: numbered ones would be a run, of which the first is picture 0.
            Path spoilt = folder.resolve("spoilt." + ending);
            Files.write(spoilt, spoilt(bytes, random));
            try (Reference reference = References.open(spoilt)) {
                int[] words = reference.picture(0).toArgb();
                boolean wrong = Damage.looksWrong(words, right);
                silent += wrong && reference.doubt(0).isEmpty() ? 1 : 0;
            } catch (UnreadableException | PictureUnavailableException e) {
                assertThat(e.getMessage()).isNotEmpty();
            }
        }
        System.out.println(ending + ": " + silent + " of " + FILES + " looked wrong without a word");
        assertThat(silent).isLessThanOrEqualTo(most);
    }

    @Test
    void aSoundPictureIsNotDoubted() throws Exception {
        for (String ending : new String[] {"png", "jpg", "webp", "tif", "bmp", "tga", "exr"}) {
            try (Reference reference = References.open(Path.of("src/test/resources/clips", "five." + ending))) {
                reference.picture(0);
                assertThat(reference.doubt(0)).as(ending).isEmpty();
            }
        }
    }

    /** Cut at a tenth to all, or a few bytes exchanged behind the head. */
    private static byte[] spoilt(byte[] bytes, SplittableRandom random) {
        if (random.nextBoolean()) {
            return Arrays.copyOf(bytes, bytes.length / 10 + random.nextInt(bytes.length * 9 / 10));
        }
        return Damage.exchanged(bytes, 8, random);
    }

    private static int[] words(Path file) throws UnreadableException, PictureUnavailableException {
        try (Reference reference = References.open(file)) {
            return reference.picture(0).toArgb();
        }
    }
}
