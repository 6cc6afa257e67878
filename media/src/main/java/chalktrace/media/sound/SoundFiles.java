package chalktrace.media.sound;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.WrittenFile;
import chalktrace.media.codec.SoundDecoder;
import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CancellationException;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/** Sound in files. */
public final class SoundFiles {

    private SoundFiles() {}

    /** A file's sound at 48 kHz in one or two channels, from its first sample on. */
    public static PcmBuffer read(Path file) throws UnreadableException {
        return SoundDecoder.decode(file).pcm();
    }

    /** How long a file's sound is, as far as the file says it. */
    public static double seconds(Path file) throws UnreadableException {
        return SoundDecoder.facts(file).seconds();
    }

    /**
     * How long after the picture the sound of a video starts, in seconds; negative when it starts before.
     *
     * @param pictureStartSeconds when picture 0 is seen on the file's clock
     */
    public static double offset(Path video, double pictureStartSeconds) throws UnreadableException {
        return SoundDecoder.startSeconds(video) - pictureStartSeconds;
    }

    /** Writes 16-bit WAV. */
    public static void writeWav(PcmBuffer sound, Path file) throws IOException {
        AudioFormat format = new AudioFormat(sound.sampleRate(), 16, sound.channels(), true, false);
        byte[] bytes = new byte[2 * sound.length() * sound.channels()];
        int at = 0;
        for (int i = 0; i < sound.length(); i++) {
            for (int c = 0; c < sound.channels(); c++) {
                int sample = Math.round(Math.max(-1, Math.min(1, sound.at(i, c))) * Short.MAX_VALUE);
                bytes[at++] = (byte) sample;
                bytes[at++] = (byte) (sample >> 8);
            }
        }
        try (AudioInputStream stream = new AudioInputStream(new ByteArrayInputStream(bytes), format, sound.length())) {
            write(stream, file);
        }
    }

    private static void write(AudioInputStream stream, Path file) throws IOException {
        try (WrittenFile written = new WrittenFile(file)) {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(written.path()))) {
                AudioSystem.write(stream, AudioFileFormat.Type.WAVE, out);
            }
            written.done();
        }
    }

    /**
     * Writes the mix of a shot as 16-bit stereo WAV, from the shot's first frame on.
     *
     * @param count of moments
     * @param progress is told how many are done, and says whether to go on
     * @throws CancellationException when it does not go on; what was there before is as it was
     */
    public static void writeWav(ShotMix mix, long count, Path file, Progress progress) throws IOException {
        AudioFormat format = new AudioFormat(ShotMix.SAMPLE_RATE, 16, ShotMix.CHANNELS, true, false);
        try (AudioInputStream stream = new AudioInputStream(new MixBytes(mix, count, progress), format, count)) {
            write(stream, file);
        }
    }

    /** The mix as the bytes of its samples, rendered as they are asked for. */
    private static final class MixBytes extends InputStream {

        private static final int CHUNK = 1 << 15;

        private final ShotMix mix;
        private final long count;
        private final Progress progress;
        private byte[] bytes = new byte[0];
        private int at;
        private long done;

        MixBytes(ShotMix mix, long count, Progress progress) {
            this.mix = mix;
            this.count = count;
            this.progress = progress;
        }

        @Override
        public int read() {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] to, int offset, int length) {
            if (at == bytes.length) {
                if (done >= count) {
                    return -1;
                }
                if (!progress.at((int) (done / CHUNK), (int) (count / CHUNK) + 1)) {
                    throw new CancellationException();
                }
                int chunk = (int) Math.min(CHUNK, count - done);
                float[] samples = mix.render(done, chunk);
                bytes = new byte[2 * samples.length];
                for (int i = 0; i < samples.length; i++) {
                    int sample = Math.round(samples[i] * Short.MAX_VALUE);
                    bytes[2 * i] = (byte) sample;
                    bytes[2 * i + 1] = (byte) (sample >> 8);
                }
                done += chunk;
                at = 0;
            }
            int some = Math.min(length, bytes.length - at);
            System.arraycopy(bytes, at, to, offset, some);
            at += some;
            return some;
        }
    }
}
