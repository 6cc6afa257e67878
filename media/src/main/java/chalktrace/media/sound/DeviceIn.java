package chalktrace.media.sound;

import chalktrace.core.sound.ShotMix;
import java.util.logging.Level;
import java.util.logging.Logger;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;

/** The machine's own microphone. */
public final class DeviceIn implements SoundIn {

    private static final Logger LOG = Logger.getLogger(DeviceIn.class.getName());

    private static final AudioFormat FORMAT = new AudioFormat(ShotMix.SAMPLE_RATE, 16, 1, true, false);

    private final TargetDataLine line;

    private DeviceIn(TargetDataLine line) {
        this.line = line;
    }

    /** The microphone, or the stand-in where there is none. */
    public static SoundIn openOrSimulated() {
        try {
            TargetDataLine line = AudioSystem.getTargetDataLine(FORMAT);
            line.open(FORMAT);
            return new DeviceIn(line);
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
            LOG.log(Level.INFO, "no microphone (test signal)", e);
            return SimulatedIn.speaking();
        }
    }

    @Override
    public boolean isReal() {
        return true;
    }

    @Override
    public void start() {
        line.stop();
        line.flush();
        line.start();
    }

    @Override
    public float[] read(int count) {
        byte[] bytes = new byte[2 * count];
        int got = line.read(bytes, 0, bytes.length);
        float[] out = new float[Math.max(0, got) / 2];
        for (int i = 0; i < out.length; i++) {
            out[i] = (short) (bytes[2 * i] & 0xFF | bytes[2 * i + 1] << 8) / 32768f;
        }
        return out;
    }

    @Override
    public void close() {
        line.stop();
        line.close();
    }
}
