package chalktrace.app.cli;

import chalktrace.app.kernel.EarlierState;
import chalktrace.app.state.Preferences;
import chalktrace.app.state.StateFolder;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.Versions;
import java.nio.file.Path;
import java.util.Optional;

/** A shot that a command has changed. */
final class ChangedShot {

    private ChangedShot() {}

    /** Saves it over its file, of which a version is kept as the window keeps it. */
    static void save(ShotFile.Opened opened, Shot changed, Path file) throws UnwritableException {
        try (Preferences preferences = new Preferences(StateFolder.path())) {
            ShotFile.saveOver(
                    opened,
                    changed,
                    file,
                    before -> EarlierState.keep(
                            new Versions(file),
                            before,
                            Optional.of(opened.shot()),
                            changed,
                            preferences.versionLimitBytes()));
        }
    }
}
