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

    /** As it stands in lists. */
    String title();

    /** Of the files that it writes, with their points; none for a folder of files. */
    List<String> endings();

    /** What can be chosen, in the order of the card's rows. */
    List<Choice<?>> choices();

    /** Whether it takes a name of one of its endings when nobody says how to write. @param frames how many are written */
    default boolean isMeantBy(int frames) {
        return true;
    }

    /** Whether it shows pictures, into which references may be put. */
    default boolean showsFootage() {
        return choices().contains(Chosen.FOOTAGE);
    }

    /**
     * What became of an export.
     *
     * @param complete false when it was ended before its time
     * @param problems what could not be read or was made otherwise than asked for, one sentence each
     */
    record Outcome(boolean complete, int frames, List<String> problems) {}

    /** What is there and would be replaced, beside the target itself, for which whoever chose it was asked. */
    default List<Path> replaced(Shot shot, Path target, Choices choices) {
        return List.of();
    }

    /** Writes the shot to a file, or into a folder. */
    Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException;
}
