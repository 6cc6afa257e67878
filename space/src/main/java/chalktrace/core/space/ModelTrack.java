package chalktrace.core.space;

import chalktrace.core.motion.TrackPath;
import chalktrace.core.words.MotionWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;

/** The exact path of a point that was touched on a model: computed, not looked for. */
public final class ModelTrack {

    public static final String BEHIND = MotionWords.TEXTS.of("the-model-itself-hides-it");
    public static final String NOTHING = MotionWords.TEXTS.of("there-is-nothing-of-the-model");

    private ModelTrack() {}

    /**
     * @param pictures how the model is seen on each frame
     * @param frame on which it was touched
     * @param frames of the shot
     * @return a path whose pictures are the shot's frames; without a place where the model hides it
     */
    public static TrackPath of(
            IntFunction<Optional<StagedPicture>> pictures, int frame, double x, double y, int frames) {
        Optional<Touch> touch = pictures.apply(frame).flatMap(picture -> Touch.at(picture, x, y));
        if (touch.isEmpty()) {
            return TrackPath.of(
                    List.of(TrackPath.Place.byHand(frame, x, y)), List.of(new TrackPath.Lost(frame, NOTHING)));
        }
        ModelPoint point = ModelPoint.surface("", touch.get().point());
        List<TrackPath.Place> places = new ArrayList<>();
        List<TrackPath.Lost> lost = new ArrayList<>();
        boolean seenBefore = true;
        for (int n = 0; n < frames; n++) {
            Optional<ModelPoint.Seen> seen = pictures.apply(n).map(point::in);
            boolean visible =
                    seen.isPresent() && seen.get().inPicture() && !seen.get().hidden();
            if (visible) {
                places.add(
                        n == frame
                                ? TrackPath.Place.byHand(n, x, y)
                                : new TrackPath.Place(
                                        n, seen.get().x(), seen.get().y(), 1, 0, 1, TrackPath.Origin.FOLLOWED));
            } else if (seenBefore && seen.isPresent()) {
                lost.add(new TrackPath.Lost(
                        n, seen.get().hidden() ? BEHIND : MotionWords.TEXTS.of("it-left-the-picture")));
            }
            seenBefore = visible;
        }
        return TrackPath.of(places, lost);
    }
}
