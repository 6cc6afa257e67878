package chalktrace.media.file;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
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

    /** A lock is short; what is longer is none. */
    private static final int MOST_BYTES = 1 << 16;

    private static final int ATTEMPTS = 3;

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
        return take(lockOf(shot), false);
    }

    /** Takes the lock of a shot, whoever left it. */
    public static Taken takeOver(Path shot) {
        return take(lockOf(shot), true);
    }

    private static Taken take(Path file, boolean whoeverHoldsIt) {
        try {
            for (int i = 0; i < ATTEMPTS; i++) {
                Taken taken = attempt(file, whoeverHoldsIt);
                if (taken.lock().isEmpty() || taken.lock().get().isMine()) {
                    return taken;
                }
                // Its holder removed it just as it was opened here.
            }
            return none(new IOException("it is removed again and again"));
        } catch (AccessDeniedException e) {
            return ofAnotherUser(file, whoeverHoldsIt);
        } catch (IOException e) {
            return none(e);
        }
    }

    /** One that can't be written into can be read, and where it was left be replaced. */
    private static Taken ofAnotherUser(Path file, boolean whoeverHoldsIt) {
        try {
            Optional<ProcessMark> holder = holder(Files.readAllBytes(file));
            if (isHeld(holder) && !whoeverHoldsIt) {
                return heldBy(holder.get());
            }
            Files.delete(file);
            return attempt(file, false);
        } catch (IOException e) {
            return none(e);
        }
    }

    private static Taken none(IOException why) {
        LOG.log(Level.INFO, "no lock file", why);
        return new Taken(Optional.empty(), Optional.empty(), false);
    }

    private static boolean isHeld(Optional<ProcessMark> holder) {
        return holder.isPresent() && holder.get().state() != ProcessMark.State.ENDED;
    }

    private static Taken heldBy(ProcessMark holder) {
        return new Taken(Optional.empty(), Optional.of(holder.words()), holder.state() == ProcessMark.State.UNKNOWN);
    }

    /**
     * Looks who holds it and writes that one does, in one step: while it is looked at no other process and no other thread can. It
     * is written in place, so that whoever waits sees it.
     */
    private static synchronized Taken attempt(Path file, boolean whoeverHoldsIt) throws IOException {
        try (FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            lockWhereItCan(channel);
            Optional<ProcessMark> holder =
                    holder(Channels.newInputStream(channel).readNBytes(MOST_BYTES));
            if (isHeld(holder) && !whoeverHoldsIt) {
                return heldBy(holder.get());
            }
            String token = UUID.randomUUID().toString();
            channel.truncate(0);
            byte[] mine = JSON.writeValueAsBytes(ProcessMark.own()
                    .write(JSON.createObjectNode())
                    .put(TOKEN, token)
                    .put("since", Instant.now().truncatedTo(ChronoUnit.SECONDS).toString()));
            try {
                channel.write(ByteBuffer.wrap(mine), 0);
            } catch (IOException e) {
                // An empty lock of a full disk would stay and say nothing of who left it.
                Files.deleteIfExists(file);
                throw e;
            }
            return Taken.of(new ShotLock(file, token));
        }
    }

    /** Some network drives have no such locks; there two can still come at the same time. */
    private static void lockWhereItCan(FileChannel channel) {
        try {
            channel.lock();
        } catch (IOException | UnsupportedOperationException e) {
            LOG.log(Level.INFO, "the drive has no locks", e);
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

    /** Who holds the lock; nobody when it is empty or broken. */
    private static Optional<ProcessMark> holder(byte[] written) {
        try {
            return ProcessMark.read(JSON.readTree(written));
        } catch (IOException e) {
            return Optional.empty();
        }
    }
}
