package chalktrace.core.render;

import java.util.Optional;

/**
 * What of a shot is seen.
 *
 * @param footage whether footage is shown
 * @param onionOf the level whose neighbours show through; none for no onion skin
 * @param penOn the level that the pen is drawing on, whose live stroke lies in its place in the stack
 * @param livePen the stroke under the pen
 * @param finished whether it is what is handed on, without lines that only bound areas
 */
public record SceneOptions(
        boolean footage,
        Optional<String> onionOf,
        Optional<String> penOn,
        Optional<StrokeLayer> livePen,
        boolean finished) {

    /** As it is seen while one works. */
    public SceneOptions(
            boolean footage, Optional<String> onionOf, Optional<String> penOn, Optional<StrokeLayer> livePen) {
        this(footage, onionOf, penOn, livePen, false);
    }

    /** All that is finished work and nothing else: what is handed on. */
    public static SceneOptions export(boolean withFootage) {
        return new SceneOptions(withFootage, Optional.empty(), Optional.empty(), Optional.empty(), true);
    }
}
