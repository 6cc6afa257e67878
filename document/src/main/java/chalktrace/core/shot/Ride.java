package chalktrace.core.shot;

import java.awt.geom.AffineTransform;
import java.util.Collections;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A reference or a guide that goes along with a tracked point.
 *
 * @param rider its id
 * @param track the id of the point
 * @param frame on which it lies where it was put by hand
 * @param turning whether it turns and grows with what is around the point, or with its second point
 * @param moves what has happened to the point since that frame, by the shot's frames; they fade nothing; worked out anew whenever the point is put right
 */
public record Ride(String rider, String track, int frame, boolean turning, NavigableMap<Integer, Placement> moves)
        implements FrameBound<Ride> {

    public Ride {
        NavigableMap<Integer, Placement> kept = new TreeMap<>();
        moves.forEach((f, move) -> kept.put(f, move.withOpacity(1)));
        moves = Collections.unmodifiableNavigableMap(kept);
    }

    /** How the rider is moved on a frame; where the point is not known, as it was next to there. */
    public Placement at(int wanted) {
        return near(moves, wanted, frame);
    }

    /** Of movements by frame, all since one of them, that of a frame or the last one known on the way to it. */
    public static Placement near(NavigableMap<Integer, Placement> moves, int wanted, int since) {
        Map.Entry<Integer, Placement> near = wanted >= since ? moves.floorEntry(wanted) : moves.ceilingEntry(wanted);
        return near == null ? Placement.AS_IS : near.getValue();
    }

    /** With the point's movement since the ride's frame as it is now; on that frame the rider stays where it is. */
    public Ride follow(NavigableMap<Integer, Placement> now) {
        Placement there = at(frame);
        NavigableMap<Integer, Placement> anew = new TreeMap<>();
        now.forEach((f, move) -> anew.put(f, there.then(move)));
        return new Ride(rider, track, frame, turning, anew);
    }

    /** The rider's movement as one of the picture. @param setup of the shot, about whose middle placements turn */
    AffineTransform transform(int wanted, ShotSetup setup) {
        return at(wanted).transform(setup.size().width() / 2.0, setup.size().height() / 2.0);
    }

    /** From where its ride took the rider on a frame to where it was put. */
    AffineTransform back(int wanted, ShotSetup setup) {
        return at(wanted)
                .inverse()
                .transform(setup.size().width() / 2.0, setup.size().height() / 2.0);
    }

    /** It goes with the footage that its point lies on. */
    @Override
    public Optional<Ride> moved(FrameChange change) {
        if (!change.reach().footage()) {
            return Optional.of(this);
        }
        NavigableMap<Integer, Placement> there = new TreeMap<>();
        moves.forEach((f, move) -> {
            if (!change.removes(f)) {
                there.put(change.frame(f), move);
            }
        });
        return Optional.of(new Ride(rider, track, change.frame(frame), turning, there));
    }
}
