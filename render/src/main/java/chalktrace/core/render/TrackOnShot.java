package chalktrace.core.render;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.PictureTimes;
import java.awt.geom.Point2D;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * A followed point as the shot shows it: on the shot's frames, in its px, through the footage's timing and placement.
 *
 * @param seen the size of the source as it is seen
 */
public record TrackOnShot(Shot shot, Footage footage, PictureTimes times, PictureSize seen, Track track) {

    /** Where it is on a frame; empty where the footage shows nothing or the point was not found. */
    public Optional<Point2D> at(int frame) {
        return place(frame).map(place -> placed(frame).toShot(place.x(), place.y()));
    }

    /** What the path says of a frame. */
    public Optional<TrackPath.Place> place(int frame) {
        return picture(frame).flatMap(picture -> track.path().at(picture));
    }

    /** What the path says of each frame on which the point is known. Cost: frames of the shot. */
    public NavigableMap<Integer, TrackPath.Place> places() {
        NavigableMap<Integer, TrackPath.Place> out = new TreeMap<>();
        for (int frame = 0; frame < shot.setup().length(); frame++) {
            int at = frame;
            place(frame).ifPresent(place -> out.put(at, place));
        }
        return out;
    }

    /** The picture of the source that a frame shows. */
    public Optional<Integer> picture(int frame) {
        return footage.at(frame, shot.setup().rate(), times).map(Footage.Showing::picture);
    }

    /** The first frame that shows a picture of the source. */
    public Optional<Integer> frameOf(int picture) {
        return IntStream.range(0, shot.setup().length())
                .filter(frame -> picture(frame).filter(p -> p == picture).isPresent())
                .boxed()
                .findFirst();
    }

    public SourcePlace placed(int frame) {
        return footage.at(frame, shot.setup().rate(), times)
                .map(Footage.Showing::region)
                .map(region -> placed(region, frame))
                .orElseGet(() -> placed(Region.WHOLE, frame));
    }

    private SourcePlace placed(Region region, int frame) {
        return SourcePlace.of(
                shot.lying(footage, frame), seen, region, shot.setup().size());
    }

    /**
     * What has happened to the point since a frame, as what lies on it has to be moved, by frame; empty where it is not known on that frame.
     *
     * @param turning whether what lies on it turns and grows with what is around the point
     */
    public NavigableMap<Integer, Placement> movesSince(int frame, boolean turning) {
        TreeMap<Integer, Placement> out = new TreeMap<>();
        Optional<Point2D> from = at(frame);
        Optional<TrackPath.Place> before = place(frame);
        for (int f = 0; f < shot.setup().length() && from.isPresent(); f++) {
            Optional<Point2D> to = at(f);
            if (to.isPresent()) {
                TrackPath.Place now = place(f).orElseThrow();
                out.put(
                        f,
                        Placement.taking(
                                from.get().getX(),
                                from.get().getY(),
                                to.get().getX(),
                                to.get().getY(),
                                turning ? now.scale() / before.orElseThrow().scale() : 1,
                                turning ? now.degrees() - before.orElseThrow().degrees() : 0,
                                shot.setup().size().width() / 2.0,
                                shot.setup().size().height() / 2.0));
            }
        }
        return out;
    }

    /** All frames on which it is known; empty when there is none. Cost: frames of the shot. */
    public Optional<MovingPoint> movement() {
        return MovingPoint.over(shot.setup().length(), track.name(), this::at);
    }
}
