package chalktrace.media.export;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import java.nio.file.Path;
import java.util.List;

/**
 * A way to hand a shot on. Files come into place whole; work that is ended or fails leaves nothing behind and touches nothing that was
 * there. A new one is a class and a line in {@link Exporters}: the Finish step, the file dialog and the command line list what is there.
 */
public interface Exporter {

    /** Stable, for the command line and for tests. */
    String id();

    /** As it stands on its button. */
    String title();

    /** Of the files that it writes, with their points; none for a folder of files. */
    List<String> endings();

    /** Whether it shows pictures, into which footage may be put. */
    boolean showsFootage();

    /** @param withFootage whether footage is put into the pictures; it is left out unless asked for */
    record Choices(boolean withFootage) {}

    /**
     * What became of an export.
     *
     * @param complete false when it was ended before its time
     * @param problems what could not be read, one sentence each
     */
    record Outcome(boolean complete, int frames, List<String> problems) {}

    /** Writes the shot to a file, or into a folder. */
    Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException;
}
