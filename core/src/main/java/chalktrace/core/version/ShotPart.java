package chalktrace.core.version;

import chalktrace.core.shot.Shot;
import java.util.function.BinaryOperator;
import java.util.function.Function;

/** The parts of a shot beside its levels: what is compared, and what can be taken back by itself. */
public enum ShotPart {
    NAME(Shot::name, (now, then) -> now.withName(then.name())),
    SETUP(Shot::setup, (now, then) -> now.withSetup(then.setup())),
    CHALKS(Shot::chalks, (now, then) -> now.withChalks(then.chalks())),
    GROUPS(Shot::groups, (now, then) -> now.withGroups(then.groups())),
    CYCLES(Shot::cycles, (now, then) -> now.withCycles(then.cycles())),
    /** With the points that are followed on it, and what goes along with them. */
    FOOTAGE(Shot::footage, (now, then) -> now.withFootage(then.footage())
            .withTracks(then.tracks())
            .withRides(then.rides())),
    SOUNDS(Shot::sounds, (now, then) -> now.withSounds(then.sounds())),
    SPEECH(Shot::speech, (now, then) -> now.withSpeech(then.speech())),
    CUES(Shot::cues, (now, then) -> now.withCues(then.cues())),
    MARKS(Shot::marks, (now, then) -> now.withMarks(then.marks())),
    GUIDES(Shot::guides, (now, then) -> now.withGuides(then.guides())),
    TRACKS(Shot::tracks, (now, then) -> now.withTracks(then.tracks())),
    RIDES(Shot::rides, (now, then) -> now.withRides(then.rides()));

    private final Function<Shot, Object> source;
    private final BinaryOperator<Shot> back;

    ShotPart(Function<Shot, Object> source, BinaryOperator<Shot> back) {
        this.source = source;
        this.back = back;
    }

    boolean isSame(Shot one, Shot other) {
        Object is = source.apply(one);
        Object was = source.apply(other);
        return is == was || is.equals(was);
    }

    Shot takenBack(Shot now, Shot then) {
        return back.apply(now, then);
    }
}
