package chalktrace.core.shot;

/**
 * A sound on the shot's ruler.
 *
 * @param file its path, as {@link Footage#file()}
 * @param startSeconds where its first sample lies, in seconds from the shot's first frame; may be negative
 * @param gainDecibels 0 for as it is
 */
public record SoundClip(String id, String name, String file, double startSeconds, double gainDecibels, boolean muted) {

    public static final double LOUDEST_GAIN = 24;
    public static final double QUIETEST_GAIN = -96;

    public SoundClip {
        if (!Double.isFinite(startSeconds) || !(gainDecibels >= QUIETEST_GAIN && gainDecibels <= LOUDEST_GAIN)) {
            throw new IllegalArgumentException(
                    "A sound's gain is -96 to 24 dB and its start a finite number; \"" + name + "\" differs.");
        }
    }

    /** The factor for samples. */
    public double gain() {
        return muted ? 0 : Math.pow(10, gainDecibels / 20);
    }

    public SoundClip withMuted(boolean silent) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, silent);
    }

    public SoundClip withGain(double decibels) {
        return new SoundClip(id, name, file, startSeconds, decibels, muted);
    }

    public SoundClip withStart(double seconds) {
        return new SoundClip(id, name, file, seconds, gainDecibels, muted);
    }

    public SoundClip withFile(String newFile) {
        return new SoundClip(id, name, newFile, startSeconds, gainDecibels, muted);
    }
}
