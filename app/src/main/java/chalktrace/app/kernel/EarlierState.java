package chalktrace.app.kernel;

import chalktrace.app.words.VersionWords;
import chalktrace.core.shot.Shot;
import chalktrace.core.version.ShotDifference;
import chalktrace.media.file.Versions;
import java.io.IOException;
import java.time.Instant;
import java.util.Optional;
import java.util.logging.Level;
import java.util.logging.Logger;

/** Makes a version of what a file held before a save, with its picture and what the save changed in words. */
public final class EarlierState {

    private static final Logger LOG = Logger.getLogger(EarlierState.class.getName());

    private static final int PICTURE_PX = 112;

    private EarlierState() {}

    /**
     * Keeps it, unless the save changed nothing. Where it can't be kept the save was made all the same, and the log says why. On any
     * thread.
     *
     * @param then what the file held; empty where that is not known
     * @param now what was saved
     * @param mostBytes of all versions of the file: older ones go
     * @return false where nothing changed
     */
    public static boolean keep(
            Versions versions, Versions.Before before, Optional<Shot> then, Shot now, long mostBytes) {
        Optional<ShotDifference> change = then.map(shot -> ShotDifference.between(shot, now));
        if (change.filter(ShotDifference::isNothing).isPresent()) {
            before.drop();
            return false;
        }
        try {
            before.keep(
                    change.map(VersionWords::of).orElse(""),
                    then.map(shot -> ShotPicture.of(shot, PICTURE_PX).png()).orElse(new byte[0]));
            versions.thin(Instant.now(), mostBytes);
        } catch (IOException | RuntimeException e) {
            LOG.log(Level.WARNING, "no version of the state before", e);
        }
        return true;
    }
}
