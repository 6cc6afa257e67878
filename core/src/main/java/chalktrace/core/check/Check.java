package chalktrace.core.check;

import chalktrace.core.shot.Shot;
import java.util.List;

/** Finds what is probably not meant in a shot. */
interface Check {

    /** By which its words are found. */
    String id();

    List<Finding> of(Shot shot);
}
