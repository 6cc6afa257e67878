package chalktrace.media.export;

/** Hears how far long work has come, and may end it. */
@FunctionalInterface
public interface Progress {

    Progress NONE = (done, total) -> true;

    /** @return false to end the work: what it has written so far is removed */
    boolean at(int done, int total);
}
