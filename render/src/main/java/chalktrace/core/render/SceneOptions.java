package chalktrace.core.render;

import java.util.List;
import java.util.Optional;

/**
 * What of a shot is seen.
 *
 * @param footage whether footage is shown
 * @param onion which neighbours show through; none for no onion skin
 * @param penOn the level that the pen is drawing on, whose live stroke lies in its place in the stack
 * @param livePen the stroke under the pen
 * @param lifted pieces of drawings that are dragged, shown in front of the rest of theirs
 * @param finished whether it is what is handed on, without lines that only bound areas
 */
public record SceneOptions(
        boolean footage,
        Optional<OnionSkin> onion,
        Optional<String> penOn,
        Optional<StrokeLayer> livePen,
        List<LiftedPiece> lifted,
        boolean finished) {

    /** As it is seen while one works. */
    public SceneOptions(
            boolean footage, Optional<OnionSkin> onion, Optional<String> penOn, Optional<StrokeLayer> livePen) {
        this(footage, onion, penOn, livePen, List.of(), false);
    }

    /** All that is finished work and nothing else: what is handed on. */
    public static SceneOptions export(boolean withFootage) {
        return new SceneOptions(withFootage, Optional.empty(), Optional.empty(), Optional.empty(), List.of(), true);
    }

    public SceneOptions withLifted(List<LiftedPiece> pieces) {
        return new SceneOptions(footage, onion, penOn, livePen, List.copyOf(pieces), finished);
    }
}
