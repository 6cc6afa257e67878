package chalktrace.media.sound;

import chalktrace.core.sound.ShotMix;
import java.util.logging.Level;
import java.util.logging.Logger;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** The machine's own sound device. */
public final class DeviceOut implements SoundOut {

    private static final Logger LOG = Logger.getLogger(DeviceOut.class.getName());

    private static final AudioFormat FORMAT = new AudioFormat(ShotMix.SAMPLE_RATE, 16, ShotMix.CHANNELS, true, false);

    /** Half of this is heard late at most when playback stops or jumps. */
    private static final int BUFFER_BYTES = ShotMix.SAMPLE_RATE / 10 * FORMAT.getFrameSize();

    private final SourceDataLine line;
    private volatile long startedAt;

    private DeviceOut(SourceDataLine line) {
        this.line = line;
    }

    /** The device, or the silent stand-in where there is none. */
    public static SoundOut openOrSilent() {
        try {
            SourceDataLine line = AudioSystem.getSourceDataLine(FORMAT);
            line.open(FORMAT, BUFFER_BYTES);
            return new DeviceOut(line);
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
            LOG.log(Level.INFO, "no sound device (silent)", e);
            return new SilentOut();
        }
    }

    @Override
    public boolean isAudible() {
        return true;
    }

    @Override
    public void start() {
        line.stop();
        line.flush();
        startedAt = line.getLongFramePosition();
        line.start();
    }

    @Override
    public void write(float[] stereo) {
        byte[] bytes = new byte[2 * stereo.length];
        for (int i = 0; i < stereo.length; i++) {
            int sample = Math.round(stereo[i] * Short.MAX_VALUE);
            bytes[2 * i] = (byte) sample;
            bytes[2 * i + 1] = (byte) (sample >> 8);
        }
        line.write(bytes, 0, bytes.length);
    }

    @Override
    public long playedSamples() {
        return line.getLongFramePosition() - startedAt;
    }

    @Override
    public void stop() {
        line.stop();
        line.flush();
    }

    @Override
    public void close() {
        line.close();
    }
}
