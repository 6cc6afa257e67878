package chalktrace.app.footage;

import chalktrace.core.render.FootagePictures;
import chalktrace.core.shot.Footage;
import java.util.Map;
import java.util.Optional;

/**
 * What all footage shows on one frame, as far as it is at hand.
 *
 * @param pictures by the ids of their footage
 * @param settling whether something stands in for a picture that is still to come
 * @param doubt what is wrong with a picture that is seen; null when all is well
 * @param seen whether the source's own pictures or those of a proxy are seen
 */
public record ShownFootage(
        Map<String, FootagePictures.Shown> pictures, boolean settling, String doubt, Footages.Seen seen)
        implements FootagePictures {

    /** Of no footage at all. */
    static final ShownFootage NONE = new ShownFootage(Map.of(), false, null, Footages.Seen.NOTHING);

    public ShownFootage {
        pictures = Map.copyOf(pictures);
    }

    /** The picture that was asked for; whatever the frame. */
    @Override
    public Optional<Shown> at(Footage clip, int frame) {
        return Optional.ofNullable(pictures.get(clip.id()));
    }
}
