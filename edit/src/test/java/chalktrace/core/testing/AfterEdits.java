package chalktrace.core.testing;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;

/** What edits make of a shot. */
public final class AfterEdits {

    private AfterEdits() {}

    /** A shot after some edits, one after the other. */
    public static Shot after(Shot shot, Edit... edits) {
        Shot out = shot;
        for (Edit edit : edits) {
            out = edit.change().apply(out);
        }
        return out;
    }
}
