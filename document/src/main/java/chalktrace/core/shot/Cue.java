package chalktrace.core.shot;

import java.util.Optional;

/**
 * A moment in the sound that the picture must meet, in seconds from the shot's first frame.
 *
 * @param tie what in the picture meets it; none when that is not said yet
 */
public record Cue(String id, String name, double seconds, Kind kind, Optional<Tie> tie) implements FrameBound<Cue> {

    /** What is heard. */
    public enum Kind {
        OTHER,
        STEP,
        HIT,
        CLINK,
        BREATH,
        BEAT
    }

    /**
     * The frame of the picture that belongs to a cue.
     *
     * @param level whose drawing starts there, by its id; none for a mark of the shot
     * @param frame on which it starts, from 0
     * @param leadFrames how much earlier than the picture the sound is meant to be; negative for later
     */
    public record Tie(Optional<String> level, int frame, double leadFrames) {

        public static final double MOST_FRAMES = 48;

        public Tie {
            if (frame < 0 || !(Math.abs(leadFrames) <= MOST_FRAMES)) {
                throw new IllegalArgumentException("A cue leads its picture by at most 48 frames.");
            }
        }

        public Tie withFrame(int other) {
            return new Tie(level, other, leadFrames);
        }

        public Tie withLead(double frames) {
            return new Tie(level, frame, frames);
        }
    }

    public Cue {
        if (!(seconds >= 0) || Double.isInfinite(seconds)) {
            throw new IllegalArgumentException("The cue \"" + name + "\" must lie at 0 seconds or later.");
        }
    }

    public Cue(String id, String name, double seconds) {
        this(id, name, seconds, Kind.OTHER, Optional.empty());
    }

    /** One that lies in frames that are taken out comes to the cut, and so does its tie. */
    @Override
    public Optional<Cue> moved(FrameChange change) {
        Cue heard = change.reach().sound() ? withSeconds(change.seconds(seconds)) : this;
        return Optional.of(heard.withTie(tie.map(
                tied -> change.reach().covers(tied.level()) ? tied.withFrame(change.frame(tied.frame())) : tied)));
    }

    public Cue withSeconds(double other) {
        return new Cue(id, name, other, kind, tie);
    }

    public Cue withName(String other) {
        return new Cue(id, other, seconds, kind, tie);
    }

    public Cue withKind(Kind other) {
        return new Cue(id, name, seconds, other, tie);
    }

    public Cue withTie(Optional<Tie> other) {
        return new Cue(id, name, seconds, kind, other);
    }
}
