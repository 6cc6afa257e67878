package chalktrace.demo.traced;

import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.footage.Reference;
import java.util.ArrayList;
import java.util.List;

/** Points of the clip as the program itself follows them, touched by hand. */
public final class TrackedPoints {

    private static final List<String> NAMES = List.of("cup", "scarf");
    private static final List<Tracking.Start> TOUCHED =
            List.of(new Tracking.Start(60, 710, 491, 0), new Tracking.Start(40, 661, 244, 0));

    private TrackedPoints() {}

    /** @param footage the id of the clip in the shot */
    public static List<Track> of(Reference clip, String footage) throws PictureUnavailableException {
        List<TrackPath> paths = Tracking.follow(clip, TOUCHED, 0, clip.times().count(), (done, total) -> true);
        List<Track> out = new ArrayList<>();
        for (int i = 0; i < paths.size(); i++) {
            out.add(new Track("track-" + (i + 1), NAMES.get(i), Track.color(i), true, footage, 0, paths.get(i)));
        }
        return out;
    }
}
