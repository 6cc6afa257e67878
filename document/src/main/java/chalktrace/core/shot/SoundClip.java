package chalktrace.core.shot;

import java.util.Optional;

/**
 * A sound on the shot's ruler.
 *
 * @param file its path, as {@link Footage#file()}
 * @param startSeconds where its file's first sample lies, in seconds from the shot's first frame; may be negative
 * @param gainDecibels 0 for as it is
 * @param trim the part of the file that is heard
 * @param footage the id of the footage whose sound it is and with which it moves; empty when it goes its own way
 * @param fade how it comes and goes
 * @param solo whether it is heard alone, with others of which that is said
 */
public record SoundClip(
        String id,
        String name,
        String file,
        double startSeconds,
        double gainDecibels,
        boolean muted,
        Trim trim,
        String footage,
        Fade fade,
        boolean solo)
        implements FrameBound<SoundClip> {

    public static final double LOUDEST_GAIN = 24;
    public static final double QUIETEST_GAIN = -96;

    /**
     * A part of a sound.
     *
     * @param headSeconds left out at its start
     * @param tailSeconds left out at its end
     */
    public record Trim(double headSeconds, double tailSeconds) {

        public static final Trim NONE = new Trim(0, 0);

        /** @throws IllegalArgumentException when one is negative or no number */
        public Trim {
            if (!(headSeconds >= 0 && tailSeconds >= 0) || !Double.isFinite(headSeconds + tailSeconds)) {
                throw new IllegalArgumentException("What is left out of a sound is 0 seconds or more.");
            }
        }
    }

    /**
     * How a sound comes and goes: its level rises and falls as a quarter of a sine, so that two that cross stay as loud.
     *
     * @param inSeconds from the first sample that is heard
     * @param outSeconds to the last
     */
    public record Fade(double inSeconds, double outSeconds) {

        public static final Fade NONE = new Fade(0, 0);

        /** @throws IllegalArgumentException when one is negative or no number */
        public Fade {
            if (!(inSeconds >= 0 && outSeconds >= 0) || !Double.isFinite(inSeconds + outSeconds)) {
                throw new IllegalArgumentException("A sound fades for 0 seconds or more.");
            }
        }
    }

    public SoundClip {
        if (!Double.isFinite(startSeconds) || !(gainDecibels >= QUIETEST_GAIN && gainDecibels <= LOUDEST_GAIN)) {
            throw new IllegalArgumentException(
                    "A sound's gain is -96 to 24 dB and its start a finite number; \"" + name + "\" differs.");
        }
    }

    /** A whole sound, as it is, that goes its own way. */
    public static SoundClip of(String id, String name, String file, double startSeconds) {
        return new SoundClip(id, name, file, startSeconds, 0, false, Trim.NONE, "", Fade.NONE, false);
    }

    /** The factor for samples. */
    public double gain() {
        return muted ? 0 : Math.pow(10, gainDecibels / 20);
    }

    /** Where the part that is heard starts, in seconds from the shot's first frame. */
    public double heardFrom() {
        return startSeconds + trim.headSeconds();
    }

    /** Where the part that is heard ends. @param fileSeconds how long its file is */
    public double heardTo(double fileSeconds) {
        return Math.max(heardFrom(), startSeconds + fileSeconds - trim.tailSeconds());
    }

    public boolean isAttached() {
        return !footage.isEmpty();
    }

    @Override
    public Optional<SoundClip> moved(FrameChange change) {
        return Optional.of(change.reach().sound() ? withStart(change.seconds(startSeconds)) : this);
    }

    public SoundClip withMuted(boolean silent) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, silent, trim, footage, fade, solo);
    }

    public SoundClip withGain(double decibels) {
        return new SoundClip(id, name, file, startSeconds, decibels, muted, trim, footage, fade, solo);
    }

    public SoundClip withStart(double seconds) {
        return new SoundClip(id, name, file, seconds, gainDecibels, muted, trim, footage, fade, solo);
    }

    public SoundClip withFile(String newFile) {
        return new SoundClip(id, name, newFile, startSeconds, gainDecibels, muted, trim, footage, fade, solo);
    }

    public SoundClip withTrim(Trim newTrim) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, muted, newTrim, footage, fade, solo);
    }

    public SoundClip withFootage(String footageId) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, muted, trim, footageId, fade, solo);
    }

    public SoundClip withFade(Fade newFade) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, muted, trim, footage, newFade, solo);
    }

    public SoundClip withSolo(boolean alone) {
        return new SoundClip(id, name, file, startSeconds, gainDecibels, muted, trim, footage, fade, alone);
    }

    public SoundClip withId(String newId) {
        return new SoundClip(newId, name, file, startSeconds, gainDecibels, muted, trim, footage, fade, solo);
    }
}
