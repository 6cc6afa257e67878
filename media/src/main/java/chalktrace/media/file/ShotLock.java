package chalktrace.media.file;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.UUID;
import java.util.logging.Level;
import java.util.logging.Logger;

/** The file beside an open shot that says who has it open. */
public final class ShotLock implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(ShotLock.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    private static final String TOKEN = "token";

    private final Path file;

    /** Tells this lock from any other at its place. */
    private final String token;

    private ShotLock(Path file, String token) {
        this.file = file;
        this.token = token;
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

    /** Takes the lock of a shot; one that a process of this machine left behind when it ended is taken over. */
    public static Taken take(Path shot) {
        Path file = lockOf(shot);
        try {
            return Taken.of(write(file));
        } catch (FileAlreadyExistsException e) {
            Optional<ProcessMark> holder = holder(file);
            ProcessMark.State state = holder.map(ProcessMark::state).orElse(ProcessMark.State.ENDED);
            return state == ProcessMark.State.ENDED
                    ? takeOver(shot)
                    : new Taken(Optional.empty(), holder.map(ProcessMark::words), state == ProcessMark.State.UNKNOWN);
        } catch (IOException e) {
            return none(e);
        }
    }

    /** This lock beside a shot, where its folder was moved to; empty when another one or none is there. */
    public Optional<ShotLock> movedTo(Path shot) {
        ShotLock there = new ShotLock(lockOf(shot), token);
        return there.isMine() ? Optional.of(there) : Optional.empty();
    }

    private boolean isMine() {
        try {
            return JSON.readTree(Files.readAllBytes(file)).path(TOKEN).asText().equals(token);
        } catch (IOException e) {
            return false;
        }
    }

    /** Takes the lock of a shot, whoever left it. */
    public static Taken takeOver(Path shot) {
        Path file = lockOf(shot);
        try {
            Files.deleteIfExists(file);
            return Taken.of(write(file));
        } catch (IOException e) {
            return none(e);
        }
    }

    private static Taken none(IOException why) {
        LOG.log(Level.INFO, "no lock file", why);
        return new Taken(Optional.empty(), Optional.empty(), false);
    }

    private static Path lockOf(Path shot) {
        Path real = WholeFiles.real(shot);
        return real.resolveSibling("." + real.getFileName() + ".open");
    }

    @Override
    public void close() {
        try {
            // Somebody may have taken it over, or the folder may be another one by now.
            if (isMine()) {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            LOG.log(Level.INFO, "the lock file stays", e);
        }
    }

    private static ShotLock write(Path file) throws IOException {
        String token = UUID.randomUUID().toString();
        byte[] holder = JSON.writeValueAsBytes(ProcessMark.own()
                .write(JSON.createObjectNode())
                .put(TOKEN, token)
                .put("since", Instant.now().truncatedTo(ChronoUnit.SECONDS).toString()));
        try {
            Files.write(file, holder, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        } catch (FileAlreadyExistsException e) {
            throw e;
        } catch (IOException e) {
            // An empty lock of a full disk would stay and say nothing of who left it.
            Files.deleteIfExists(file);
            throw e;
        }
        return new ShotLock(file, token);
    }

    /** Who holds the lock; nobody when it is empty or broken. */
    private static Optional<ProcessMark> holder(Path file) {
        try {
            return ProcessMark.read(JSON.readTree(Files.readAllBytes(file)));
        } catch (IOException e) {
            return Optional.empty();
        }
    }
}
