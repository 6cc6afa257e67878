package chalktrace.media.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.logging.Level;
import java.util.logging.Logger;

/** The file beside an open shot that says who has it open. */
public final class ShotLock implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(ShotLock.class.getName());

    private final Presence presence;

    /** Where it is, also after its folder was moved. */
    private volatile Path file;

    private ShotLock(Path file, Presence presence) {
        this.file = file;
        this.presence = presence;
    }

    /**
     * The lock, or who holds it: one of the two is there, or neither where the folder can't be written to.
     *
     * @param mayBeLeft whether it can't be told if the holder still has the shot open: that is asked
     */
    public record Taken(Optional<ShotLock> lock, Optional<String> holder, boolean mayBeLeft) {

        /** One that is held already. */
        public static Taken of(ShotLock lock) {
            return new Taken(Optional.of(lock), Optional.empty(), false);
        }
    }

    /** Takes the lock of a shot; one that was left when its program ended is taken over. On a drive without locks that takes some seconds. */
    public static Taken take(Path shot) {
        return take(Drive.REAL, shot, false);
    }

    /** Takes the lock of a shot also where it can't be told whether its holder lives. */
    public static Taken takeOver(Path shot) {
        return take(Drive.REAL, shot, true);
    }

    static Taken take(Drive drive, Path shot, boolean evenOfSilent) {
        Path file = lockOf(shot);
        try {
            return taken(file, Presence.take(drive, file, evenOfSilent));
        } catch (AccessDeniedException e) {
            return ofAnotherUser(drive, file, evenOfSilent);
        } catch (IOException e) {
            return none(e);
        }
    }

    private static Taken taken(Path file, Presence.Taken taken) {
        return new Taken(
                taken.mine().map(mine -> new ShotLock(file, mine)),
                taken.mine().isPresent() ? Optional.empty() : Optional.of(taken.who()),
                taken.state() == Presence.State.SILENT);
    }

    /** One that can't be written to can be looked at, and where it was left be replaced. */
    private static Taken ofAnotherUser(Drive drive, Path file, boolean evenOfSilent) {
        try {
            Presence.State state = Presence.look(drive, file);
            if (state == Presence.State.LIVES || state == Presence.State.SILENT && !evenOfSilent) {
                return new Taken(Optional.empty(), Optional.of(Presence.who(file)), state == Presence.State.SILENT);
            }
            Files.delete(file);
            return taken(file, Presence.take(drive, file, false));
        } catch (IOException e) {
            return none(e);
        }
    }

    private static Taken none(IOException why) {
        LOG.log(Level.INFO, "no lock file", why);
        return new Taken(Optional.empty(), Optional.empty(), false);
    }

    /** Whether the drive has no locks that all who reach it see, so that two who come in the same moment could both have it. */
    public boolean isBySign() {
        return presence.isBySign();
    }

    /** Whether it still is the lock of a shot: nobody has taken it over, removed it or put another in its place. */
    public boolean holds(Path shot) {
        return presence.stands(lockOf(shot));
    }

    /** This lock beside a shot, where its folder was moved to; empty when another one or none is there. */
    public Optional<ShotLock> movedTo(Path shot) {
        if (!holds(shot)) {
            return Optional.empty();
        }
        file = lockOf(shot);
        return Optional.of(this);
    }

    private static Path lockOf(Path shot) {
        Path real = WholeFiles.real(shot);
        return real.resolveSibling("." + real.getFileName() + ".open");
    }

    @Override
    public void close() {
        presence.closeAndRemove(file);
    }
}
