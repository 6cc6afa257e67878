package chalktrace.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.testing.Shots;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.codec.SoundDecoder;
import java.io.ByteArrayInputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CancellationException;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files whose every sample is known, written with the Java platform's own sound library. */
class SoundFilesTest {

    private static final double HERTZ = 440;

    @TempDir
    Path folder;

    private interface Wave {
        /** -1 to 1. */
        double at(int moment, int channel);
    }

    private Path wav(int rate, int bits, int channels, int moments, Wave wave) throws Exception {
        int width = bits / 8;
        byte[] bytes = new byte[moments * channels * width];
        for (int i = 0; i < moments; i++) {
            for (int c = 0; c < channels; c++) {
                long value = Math.round(wave.at(i, c) * ((1L << (bits - 1)) - 1)) + (bits == 8 ? 128 : 0);
                for (int b = 0; b < width; b++) {
                    bytes[(i * channels + c) * width + b] = (byte) (value >> (8 * b));
                }
            }
        }
        Path file = folder.resolve("wave.wav");
        AudioFormat format = new AudioFormat(rate, bits, channels, bits > 8, false);
        try (AudioInputStream stream = new AudioInputStream(new ByteArrayInputStream(bytes), format, moments)) {
            AudioSystem.write(stream, AudioFileFormat.Type.WAVE, file.toFile());
        }
        return file;
    }

    private static double sine(int rate, int moment) {
        return 0.5 * Math.sin(2 * Math.PI * HERTZ * moment / rate);
    }

    private static double rms(PcmBuffer sound, int channel) {
        double sum = 0;
        for (int i = 0; i < sound.length(); i++) {
            sum += sound.at(i, channel) * sound.at(i, channel);
        }
        return Math.sqrt(sum / sound.length());
    }

    @ParameterizedTest
    @CsvSource({"8, 0.008", "16, 0.00004", "24, 0.0000003", "32, 0.0000002"})
    void samplesOfEveryDepthComeOutAsTheyWentIn(int bits, double step) throws Exception {
        PcmBuffer read = SoundFiles.read(wav(48_000, bits, 2, 4800, (i, c) -> c == 0 ? sine(48_000, i) : -0.25));
        assertThat(read.channels()).isEqualTo(2);
        assertThat(read.length()).isEqualTo(4800);
        for (int i = 0; i < 4800; i++) {
            assertThat((double) read.at(i, 0)).isCloseTo(sine(48_000, i), within(step));
            assertThat((double) read.at(i, 1)).isCloseTo(-0.25, within(step));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {8000, 11_025, 22_050, 44_100, 96_000, 192_000})
    void everyRateIsBroughtToFortyEightThousandWithTimeAndPitchKept(int rate) throws Exception {
        PcmBuffer read = SoundFiles.read(wav(rate, 16, 1, rate, (i, c) -> sine(rate, i)));
        assertThat(read.sampleRate()).isEqualTo(48_000);
        assertThat(read.seconds()).isCloseTo(1, within(0.002));
        // Away from the ends the resampled sine is the sine of the new rate: neither late nor faint.
        for (int i = 4800; i < 43_200; i += 7) {
            assertThat((double) read.at(i, 0)).isCloseTo(sine(48_000, i), within(0.01));
        }
    }

    @Test
    void aJoinedRecordingIsSaidToBeAsLongAsItIs() throws Exception {
        Path one = Path.of(SoundFilesTest.class.getResource("/clips/tone.ts").toURI());
        double single = SoundDecoder.facts(one).seconds();
        // Two seconds, and what the coding of AAC puts before and behind them in whole packets.
        assertThat(single).isBetween(2.0, 2.1);
        Path twice = folder.resolve("twice.ts");
        try (OutputStream out = Files.newOutputStream(twice)) {
            out.write(Files.readAllBytes(one));
            out.write(Files.readAllBytes(one));
        }
        double joined = SoundDecoder.facts(twice).seconds();
        assertThat(joined).isCloseTo(2 * single, within(1e-6));
        assertThat(SoundDecoder.decode(twice).pcm().seconds()).isCloseTo(joined, within(0.05));
    }

    @Test
    void surroundIsMixedAsBroadcastersDo() throws Exception {
        // ITU-R BS.775-3, table 2: the centre goes into left and right at 0.7071, each surround into its side at
        // 0.7071.
        double[] level = new double[6];
        double[] other = new double[6];
        for (int speaker = 0; speaker < 6; speaker++) {
            int only = speaker;
            PcmBuffer read = SoundFiles.read(wav(48_000, 16, 6, 4800, (i, c) -> c == only ? sine(48_000, i) : 0));
            assertThat(read.channels()).isEqualTo(2);
            level[speaker] = rms(read, speaker == 1 || speaker == 5 ? 1 : 0);
            other[speaker] = rms(read, speaker == 1 || speaker == 5 ? 0 : 1);
        }
        assertThat(level[1] / level[0]).isCloseTo(1, within(0.01));
        assertThat(level[2] / level[0]).isCloseTo(Math.sqrt(0.5), within(0.01));
        assertThat(other[2]).isCloseTo(level[2], within(1e-4));
        assertThat(level[4] / level[0]).isCloseTo(Math.sqrt(0.5), within(0.01));
        assertThat(level[5] / level[0]).isCloseTo(Math.sqrt(0.5), within(0.01));
        for (int side : new int[] {0, 1, 4, 5}) {
            assertThat(other[side]).isLessThan(1e-3);
        }
    }

    @Test
    void soundTooLongForMemoryIsTheSameAtEveryPlace() throws Exception {
        // 190 s of two channels; written piece by piece, as a pattern whose value says its place.
        int moments = 190 * 48_000;
        Path file = folder.resolve("long.wav");
        try (OutputStream out = Files.newOutputStream(file)) {
            out.write(header(moments, 2, 48_000));
            byte[] row = new byte[48_000 * 4];
            for (int from = 0; from < moments; from += 48_000) {
                for (int i = 0; i < 48_000; i++) {
                    put(row, 4 * i, pattern(from + i));
                    put(row, 4 * i + 2, pattern(from + i + 7));
                }
                out.write(row);
            }
        }
        PcmBuffer read = SoundFiles.read(file);
        assertThat(read.length()).isEqualTo(moments);
        Random random = new Random(4);
        for (int n = 0; n < 20_000; n++) {
            int i = random.nextInt(moments);
            assertThat(Math.round(read.at(i, 0) * 32768)).isEqualTo(pattern(i));
            assertThat(Math.round(read.at(i, 1) * 32768)).isEqualTo(pattern(i + 7));
        }
    }

    private static long pattern(int place) {
        return (place * 2_654_435_761L >> 7) % 30_000;
    }

    private static void put(byte[] to, int at, long value) {
        to[at] = (byte) value;
        to[at + 1] = (byte) (value >> 8);
    }

    /** A RIFF header of 16-bit PCM. */
    private static byte[] header(int moments, int channels, int rate) {
        int bytes = moments * channels * 2;
        ByteBuffer out = ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes);
        out.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        out.putShort((short) 1).putShort((short) channels).putInt(rate).putInt(rate * channels * 2);
        out.putShort((short) (channels * 2)).putShort((short) 16);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        return out.array();
    }

    @Test
    void whatBreaksOffIsReadAsFarAsItGoes() throws Exception {
        Path whole = wav(48_000, 16, 1, 48_000, (i, c) -> sine(48_000, i));
        byte[] bytes = Files.readAllBytes(whole);
        Path cut = folder.resolve("cut.wav");
        Files.write(cut, Arrays.copyOf(bytes, 44 + 2 * 24_000));
        PcmBuffer read = SoundFiles.read(cut);
        assertThat(read.length()).isBetween(20_000, 24_000);
        assertThat((double) read.at(10_000, 0)).isCloseTo(sine(48_000, 10_000), within(0.0001));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "RIFF", "RIFF\0\0\0\0WAVE", "a letter, not a sound"})
    void whatIsNoSoundIsNamedWithItsFile(String text) throws Exception {
        Path file = folder.resolve("strange.wav");
        Files.writeString(file, text);
        assertThatThrownBy(() -> SoundFiles.read(file))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("strange.wav");
    }

    @Test
    void aHeaderWithoutSamplesIsNoSound() throws Exception {
        Path file = folder.resolve("bare.wav");
        Files.write(file, header(0, 1, 48_000));
        assertThatThrownBy(() -> SoundFiles.read(file))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("bare.wav");
    }

    @Test
    void aMixThatIsCancelledLeavesTheEarlierOne() throws Exception {
        Path file = folder.resolve("mix.wav");
        byte[] earlier = {1, 2, 3};
        Files.write(file, earlier);
        ShotMix mix = ShotMix.of(Shots.empty(), clip -> Optional.empty());
        assertThatThrownBy(() -> SoundFiles.writeWav(mix, 48_000 * 60, file, (done, total) -> false))
                .isInstanceOf(CancellationException.class);
        assertThat(file).hasBinaryContent(earlier);
        assertThat(folder).isDirectoryNotContaining("glob:**/*.writing");
        SoundFiles.writeWav(mix, 4800, file, Progress.NONE);
        assertThat(SoundFiles.read(file).length()).isEqualTo(4800);
    }
}
