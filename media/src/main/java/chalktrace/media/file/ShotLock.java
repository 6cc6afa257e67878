package chalktrace.media.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.logging.Level;
import java.util.logging.Logger;

/** The file beside an open shot that says who has it open. */
public final class ShotLock implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(ShotLock.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Path file;

    private ShotLock(Path file) {
        this.file = file;
    }

    /** The lock, or who holds it: one of the two is there, or neither where the folder can't be written to. */
    public record Taken(Optional<ShotLock> lock, Optional<String> holder) {}

    /** Takes the lock of a shot; one that a process of this machine left behind when it died is taken over. */
    public static Taken take(Path shot) {
        Path file = shot.toAbsolutePath().resolveSibling("." + shot.getFileName() + ".open");
        try {
            return new Taken(Optional.of(write(file)), Optional.empty());
        } catch (FileAlreadyExistsException e) {
            Optional<String> holder = livingHolder(file);
            if (holder.isPresent()) {
                return new Taken(Optional.empty(), holder);
            }
        } catch (IOException e) {
            LOG.log(Level.INFO, "no lock file", e);
            return new Taken(Optional.empty(), Optional.empty());
        }
        try {
            Files.deleteIfExists(file);
            return new Taken(Optional.of(write(file)), Optional.empty());
        } catch (IOException e) {
            LOG.log(Level.INFO, "no lock file", e);
            return new Taken(Optional.empty(), Optional.empty());
        }
    }

    @Override
    public void close() {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.log(Level.INFO, "the lock file stays", e);
        }
    }

    private static ShotLock write(Path file) throws IOException {
        byte[] holder = JSON.writeValueAsBytes(JSON.createObjectNode()
                .put("user", System.getProperty("user.name"))
                .put("host", host())
                .put("process", ProcessHandle.current().pid())
                .put("since", Instant.now().truncatedTo(ChronoUnit.SECONDS).toString()));
        Files.write(file, holder, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        return new ShotLock(file);
    }

    /** Who holds the lock; nobody when it is broken or its process on this machine has ended. */
    private static Optional<String> livingHolder(Path file) {
        try {
            JsonNode holder = JSON.readTree(Files.readAllBytes(file));
            boolean here = host().equals(holder.path("host").asText());
            boolean alive = ProcessHandle.of(holder.path("process").asLong(-1))
                    .filter(ProcessHandle::isAlive)
                    .isPresent();
            return here && !alive
                    ? Optional.empty()
                    : Optional.of(holder.path("user").asText("somebody") + " on "
                            + holder.path("host").asText("another machine"));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private static String host() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "this machine";
        }
    }
}
