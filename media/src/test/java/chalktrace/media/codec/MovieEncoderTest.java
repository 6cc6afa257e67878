package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.MediaFacts;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MovieEncoderTest {

    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({"24/1, 31", "30000/1001, 44", "12/1, 5"})
    void theClickIsOnItsFrameWithinHalfAFrame(String rateText, int clickFrame) throws Exception {
        FrameRate rate = FrameRate.parse(rateText);
        Path file = Clips.numbered(folder.resolve("sync.mp4"), 60, rate, clickFrame);
        double offset;
        try (VideoClip clip = VideoClip.open(file)) {
            offset = SoundFiles.offset(file, clip.startSeconds());
        }
        double heard = firstLoud(SoundFiles.read(file)) / (double) ShotMix.SAMPLE_RATE + offset;
        assertThat(heard).isCloseTo(rate.seconds(clickFrame), within(0.5 / rate.framesPerSecond()));
        // Far better than asked: AAC may smear a click by a few milliseconds, but not move it.
        assertThat(heard).isCloseTo(rate.seconds(clickFrame), within(0.006));
    }

    @Test
    void coloursComeBackWithinAFewSteps() throws Exception {
        PictureSize size = new PictureSize(320, 180);
        int[] colours = {0xFFE3B04B, 0xFF1F2629, 0xFF2FA198, 0xFFFFFFFF, 0xFFC02020};
        Path file = folder.resolve("colours.mp4");
        try (MovieEncoder encoder = new MovieEncoder(file, size, FrameRate.FILM, false)) {
            for (int colour : colours) {
                int[] words = new int[size.width() * size.height()];
                Arrays.fill(words, colour);
                encoder.add(words, null);
            }
            encoder.finish();
        }
        try (VideoClip clip = VideoClip.open(file)) {
            for (int n = 0; n < colours.length; n++) {
                int word = clip.picture(n).argbAt(160, 90);
                for (int shift = 0; shift <= 16; shift += 8) {
                    assertThat(word >> shift & 255).isCloseTo(colours[n] >> shift & 255, within(6));
                }
            }
        }
    }

    /** ITU-T H.264, E.2.1: chroma lies on the left where nothing else is said. Put in the middle it would come back half a pixel off. */
    @ParameterizedTest
    @ValueSource(ints = {160, 161})
    void edgesOfColourAloneStayWhereTheyAre(int edge) throws Exception {
        PictureSize size = new PictureSize(320, 180);
        Path file = folder.resolve("edges.mp4");
        int[] words = new int[size.width() * size.height()];
        for (int i = 0; i < words.length; i++) {
            words[i] = i % size.width() < edge ? 0xFFC83C3C : 0xFF3C3CC8;
        }
        try (MovieEncoder encoder = new MovieEncoder(file, size, FrameRate.FILM, false)) {
            for (int n = 0; n < 12; n++) {
                encoder.add(words, null);
            }
            encoder.finish();
        }
        try (VideoClip clip = VideoClip.open(file)) {
            int[] seen = clip.picture(11).toArgb();
            double[] redness = new double[size.width()];
            for (int x = 0; x < size.width(); x++) {
                int word = seen[90 * size.width() + x];
                redness[x] = (word >> 16 & 255) - (word & 255);
            }
            double left = Arrays.stream(redness, 100, 140).average().orElseThrow();
            double right = Arrays.stream(redness, 180, 220).average().orElseThrow();
            double red = Arrays.stream(redness, 150, 170)
                    .map(one -> (one - right) / (left - right))
                    .sum();
            assertThat(150 + red).as("where red ends").isCloseTo(edge, within(0.2));
        }
    }

    @Test
    void anySizeOfEvenSidesCanBeWritten() throws Exception {
        PictureSize size = new PictureSize(1002, 562);
        Path file = folder.resolve("odd-rows.mp4");
        int[] words = new int[size.width() * size.height()];
        Arrays.fill(words, 0xFF000000);
        for (int y = 0; y < size.height(); y++) {
            Arrays.fill(words, y * size.width() + 500, y * size.width() + 560, 0xFFFFFFFF);
        }
        try (MovieEncoder encoder = new MovieEncoder(file, size, FrameRate.FILM, true)) {
            encoder.add(words, new float[4000]);
            encoder.finish();
        }
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(clip.displaySize()).isEqualTo(size);
            assertThat(clip.picture(0).argbAt(530, 30) & 255).isGreaterThan(240);
            assertThat(clip.picture(0).argbAt(530, 540) & 255).isGreaterThan(240);
            assertThat(clip.picture(0).argbAt(400, 540) & 255).isLessThan(16);
        }
    }

    @Test
    void theFactsOfAMovieAreThoseItWasMadeWith() throws Exception {
        Path file = Clips.numbered(folder.resolve("facts.mp4"), 48, FrameRate.FILM, 3);
        MediaFacts facts = MediaFacts.of(file);
        assertThat(facts.kind()).isEqualTo("video");
        assertThat(facts.pictures().orElseThrow().count()).isEqualTo(48);
        assertThat(facts.pictures().orElseThrow().seconds()).isCloseTo(2, within(0.001));
        assertThat(facts.sound().orElseThrow().sampleRate()).isEqualTo(48_000);
        assertThat(facts.sound().orElseThrow().seconds()).isCloseTo(2, within(0.05));
    }

    @Test
    void aWavComesBackSampleForSample() throws Exception {
        float[] samples = new float[4800];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (Math.round(20_000 * Math.sin(i * 0.05)) / 32767.0);
        }
        Path file = folder.resolve("tone.wav");
        SoundFiles.writeWav(new PcmBuffer(48_000, 1, samples), file);
        PcmBuffer read = SoundFiles.read(file);
        assertThat(read.length()).isEqualTo(4800);
        for (int i = 0; i < samples.length; i++) {
            assertThat(read.at(i, 0)).isCloseTo(samples[i], within(1e-4f));
        }
    }

    private static int firstLoud(PcmBuffer sound) {
        for (int i = 0; i < sound.length(); i++) {
            if (Math.abs(sound.at(i, 0)) > 0.3) {
                return i;
            }
        }
        throw new AssertionError("no click in the sound");
    }
}
