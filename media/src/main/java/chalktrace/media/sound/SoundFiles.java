package chalktrace.media.sound;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.media.UnreadableException;
import chalktrace.media.codec.SoundDecoder;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
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
        return SoundDecoder.facts(video).startSeconds() - pictureStartSeconds;
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
            AudioSystem.write(stream, AudioFileFormat.Type.WAVE, file.toFile());
        }
    }
}
