package chalktrace.media.file;

import chalktrace.core.shot.Shot;
import java.util.Optional;

/**
 * A shot as it stands in its file.
 *
 * @param mark of that file; empty where that is not known
 */
public record SavedShot(Shot shot, Optional<FileMark> mark) {}
