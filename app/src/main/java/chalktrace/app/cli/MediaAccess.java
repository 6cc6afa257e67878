package chalktrace.app.cli;

import chalktrace.app.state.MediaFolders;
import chalktrace.app.state.StateFolder;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Option;

/** Which media of a shot a command may read. */
final class MediaAccess {

    @Option(
            names = "--media-anywhere",
            description = "Also read media that the shot names outside its own folder, and that nobody chose before.")
    boolean anywhere;

    /** @throws UnreadableException when one of the files lies where nobody has allowed to read */
    void require(Path shot, Collection<String> media) throws UnreadableException {
        List<Path> held = new MediaFolders(StateFolder.path()).heldBack(shot, media);
        if (!anywhere && !held.isEmpty()) {
            throw UnreadableException.of(
                    shot,
                    "names media outside its own folder, in "
                            + held.stream().map(Path::toString).collect(Collectors.joining(", ")),
                    "If that may be read, give --media-anywhere, or open the shot in the window and allow it.");
        }
    }

    /** Takes note that a person chose a file. */
    static void chosen(Path file) {
        MediaFolders folders = new MediaFolders(StateFolder.path());
        folders.allow(List.of(MediaFolders.of(file)));
        folders.keep();
    }
}
