package chalktrace.core.edit;

import chalktrace.core.guide.Guide;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.stream.Stream;

/** Edits of the guides. */
public final class GuideEdits {

    private GuideEdits() {}

    public static Edit add(Guide guide) {
        return new Edit(
                EditWords.TEXTS.of("add-a-guide"),
                shot -> shot.withGuides(
                        Stream.concat(shot.guides().stream(), Stream.of(guide)).toList()));
    }

    /** Puts a guide, as it lies on a frame, in the place of the one with its id. */
    public static Edit change(Guide changed, int frame) {
        return new Edit(EditWords.TEXTS.of("move-a-guide"), shot -> {
            Guide put = shot.put(changed, frame);
            return shot.withGuides(shot.guides().stream()
                    .map(guide -> guide.id().equals(changed.id()) ? put : guide)
                    .toList());
        });
    }

    public static Edit remove(String id) {
        return new Edit(EditWords.TEXTS.of("remove-a-guide"), shot -> shot.withGuides(without(shot, id)));
    }

    private static List<Guide> without(Shot shot, String id) {
        return shot.guides().stream().filter(guide -> !guide.id().equals(id)).toList();
    }
}
