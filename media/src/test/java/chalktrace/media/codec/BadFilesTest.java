package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.MediaFacts;
import chalktrace.media.footage.References;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BadFilesTest {

    @TempDir
    Path folder;

    private void assertRefused(Path file, String... words) {
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> References.open(file).close())
                .withMessageContaining(file.getFileName().toString())
                .satisfies(e -> assertThat(e.getMessage()).contains(words));
    }

    @Test
    void aTextFileNamedAsAMovieIsSaidToHoldText() throws Exception {
        assertRefused(Files.writeString(folder.resolve("notes.mp4"), "dear diary\n".repeat(50)), "text");
    }

    @Test
    void anEmptyFileIsSaidToBeEmpty() throws Exception {
        assertRefused(Files.createFile(folder.resolve("empty.mp4")), "empty");
    }

    @Test
    void aMissingFileIsSaidToBeMissing() {
        assertRefused(folder.resolve("gone.mp4"), "not there");
    }

    @Test
    void aFileOfNoiseIsRefused() throws Exception {
        byte[] noise = new byte[20_000];
        new SplittableRandom(1).nextBytes(noise);
        assertRefused(Files.write(folder.resolve("noise.mov"), noise), "noise.mov");
    }

    @Test
    void aSoundTakenForAMovieIsSaidToHoldNoPicture() throws Exception {
        Path wav = folder.resolve("sound.wav");
        SoundFiles.writeWav(new PcmBuffer(48_000, 1, new float[4800]), wav);
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> VideoClip.open(wav))
                .withMessageContaining("no picture");
        assertThat(MediaFacts.of(wav).kind()).isEqualTo("sound");
    }

    @Test
    void aMovieCutAtManyPlacesIsRefusedAndNeverShowsAWrongPicture() throws Exception {
        byte[] whole = Files.readAllBytes(Clips.numbered(folder.resolve("whole.mp4"), 60, FrameRate.FILM, 4));
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < 60; i++) {
            Path cut = folder.resolve("cut-" + i + ".mp4");
            Files.write(cut, Arrays.copyOf(whole, random.nextInt(1, whole.length - 1)));
            assertPicturesAreRightOrRefused(cut);
        }
    }

    @Test
    void aMovieWithFlippedBytesGivesPicturesOrASentence() throws Exception {
        byte[] whole = Files.readAllBytes(Clips.numbered(folder.resolve("whole.mp4"), 30, FrameRate.FILM, 4));
        SplittableRandom random = new SplittableRandom(12);
        for (int i = 0; i < 150; i++) {
            byte[] bad = whole.clone();
            for (int flips = 0; flips < 1 + i % 20; flips++) {
                bad[random.nextInt(bad.length)] ^= (byte) (1 << random.nextInt(8));
            }
            Path file = Files.write(folder.resolve("bad.mp4"), bad);
            try (VideoClip clip = VideoClip.open(file)) {
                clip.picture(clip.times().count() / 2);
                clip.picture(0);
            } catch (UnreadableException | PictureUnavailableException e) {
                assertThat(e.getMessage()).contains("bad.mp4");
            }
            try {
                SoundFiles.read(file);
            } catch (UnreadableException e) {
                assertThat(e.getMessage()).contains("bad.mp4");
            }
        }
    }

    private static void assertPicturesAreRightOrRefused(Path file) {
        try (VideoClip clip = VideoClip.open(file)) {
            for (int n = 0; n < clip.times().count(); n += 7) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
        } catch (UnreadableException | PictureUnavailableException e) {
            assertThat(e.getMessage()).contains(file.getFileName().toString());
        }
    }
}
