package chalktrace.media;

/** Hears how far long work has come, and may end it. */
@FunctionalInterface
public interface Progress {

    Progress NONE = (done, total) -> true;

    /** @return false to end the work */
    boolean at(int done, int total);
}
