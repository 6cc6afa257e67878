package chalktrace.app.kernel;

import chalktrace.core.shot.Shot;
import chalktrace.media.file.Journal;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.SavedShot;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** Where unsaved work of an open shot is kept. */
interface KeptPlace {

    /** Where it belongs. @param inTheFile the shot as it stands in its file, or as it was begun */
    Journal begin(SavedShot inTheFile) throws IOException;

    /** In the state folder, where it can't be kept where it belongs. */
    Journal apart(SavedShot inTheFile) throws IOException;

    /** Goes on with what a session left. */
    Journal continuing(Leftover left, Shot recovered) throws IOException;

    /** @param file of the shot; empty for one that was never saved, @param folder of the state, for unsaved work */
    static KeptPlace of(Optional<Path> file, Path folder) {
        return new KeptPlace() {
            @Override
            public Journal begin(SavedShot inTheFile) throws IOException {
                return file.isPresent() ? Journal.beside(file.get(), inTheFile, folder) : Journal.untitled(folder);
            }

            @Override
            public Journal apart(SavedShot inTheFile) throws IOException {
                return file.isPresent() ? Journal.apart(file.get(), inTheFile, folder) : Journal.untitled(folder);
            }

            @Override
            public Journal continuing(Leftover left, Shot recovered) throws IOException {
                if (!left.shotFile().equals(file)) {
                    throw new IOException("it is work on " + left.shotFile() + " and not on " + file);
                }
                return Journal.continuing(left, recovered, folder);
            }
        };
    }
}
