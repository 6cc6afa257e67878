package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import java.util.List;
import java.util.Optional;

/** Finds what is probably not meant in a shot. */
interface Check {

    /** By which its words are found. */
    String id();

    List<Finding> of(Shot shot);

    /** What mends it, where one thing is what nearly everybody would do. */
    default Optional<Edit> mend(Finding finding) {
        return Optional.empty();
    }
}
