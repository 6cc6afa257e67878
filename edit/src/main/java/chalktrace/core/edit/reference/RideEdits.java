package chalktrace.core.edit.reference;

import chalktrace.core.edit.Edit;
import chalktrace.core.motion.Track;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Edits that let references and guides go along with a point. */
public final class RideEdits {

    private RideEdits() {}

    /** In place of the ride that the same reference or guide had. */
    public static Edit attach(Ride ride) {
        return new Edit(EditWords.TEXTS.of("attach-to-a-point"), shot -> {
            List<Ride> rides = new ArrayList<>(without(shot, ride.rider()));
            rides.add(ride);
            return lyingAsOn(shot, ride.rider(), ride.frame()).withRides(rides);
        });
    }

    /** Lets a reference or a guide stay on all frames where it is on one. */
    public static Edit detach(String rider, int frame) {
        return new Edit(EditWords.TEXTS.of("detach-from-a-point"), shot -> lyingAsOn(shot, rider, frame)
                .withRides(without(shot, rider)));
    }

    private static List<Ride> without(Shot shot, String rider) {
        return shot.rides().stream().filter(ride -> !ride.rider().equals(rider)).toList();
    }

    /** With a reference or a guide put by hand where its ride took it on a frame. */
    private static Shot lyingAsOn(Shot shot, String rider, int frame) {
        return shot.withFootage(shot.footage().stream()
                        .map(clip -> clip.id().equals(rider) ? shot.lying(clip, frame) : clip)
                        .toList())
                .withGuides(shot.guides().stream()
                        .map(guide -> guide.id().equals(rider) ? shot.lying(guide, frame) : guide)
                        .toList());
    }

    /** Whether a reference carries a point, by itself or through what it rides on: it can't ride on that point. */
    public static boolean carries(Shot shot, String rider, Track track) {
        Set<String> seen = new HashSet<>();
        Optional<Track> on = Optional.of(track);
        while (on.isPresent() && seen.add(on.get().footage())) {
            if (on.get().footage().equals(rider)) {
                return true;
            }
            on = shot.ride(on.get().footage()).flatMap(ride -> shot.track(ride.track()));
        }
        return false;
    }

    /** What rides, in an order in which what carries others comes first. */
    public static List<Ride> fromTheGround(Shot shot) {
        return shot.rides().stream()
                .sorted(Comparator.comparingInt(ride -> height(shot, ride)))
                .toList();
    }

    /** Upon how many others it rides. */
    private static int height(Shot shot, Ride ride) {
        int height = 0;
        Optional<Ride> below = carrier(shot, ride);
        while (below.isPresent() && height <= shot.rides().size()) {
            height++;
            below = carrier(shot, below.get());
        }
        return height;
    }

    private static Optional<Ride> carrier(Shot shot, Ride ride) {
        return shot.track(ride.track()).flatMap(track -> shot.ride(track.footage()));
    }
}
