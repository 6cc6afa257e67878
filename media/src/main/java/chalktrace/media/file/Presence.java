package chalktrace.media.file;

import chalktrace.core.work.Workers;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Says by a file that this program is there. It holds the file's lock, which the system takes from it however it ends; no clock and no
 * number of a process is asked. On a drive that has no locks, or whose locks other machines may not see, the file also carries a sign, a
 * number that is raised every few seconds.
 *
 * <p>On POSIX systems a process loses its lock of a file when it closes <em>any</em> channel of that file: those that are held here are
 * known by their file keys and never opened a second time.
 */
final class Presence implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(Presence.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    /** It is short; what is longer is none. */
    private static final int MOST_BYTES = 1 << 16;

    private static final String USER = System.getProperty("user.name", "somebody");

    /** As wide as any sign: the next one is written over it. */
    private static final String SIGN = "\n%020d\n";

    /** Whoever lives has renewed its sign in so many turns. */
    private static final int TURNS = 3;

    /** So often a file that goes or comes just as it is looked at is looked at again. */
    private static final int ATTEMPTS = 5;

    /** A lock may be that of somebody who just looks; it is gone at the next attempt or the one after that. */
    private static final int LOOKS = 2;

    private static final Duration MOMENT = Duration.ofMillis(30);

    /** Those of this program. */
    private static final Map<Key, Presence> HERE = new ConcurrentHashMap<>();

    /** One for each file that is looked at just now: a drive that hangs keeps nobody from the others. */
    private static final Map<Path, Object> MONITORS = new ConcurrentHashMap<>();

    private static final ScheduledExecutorService RENEWING = Workers.scheduled("sign of life", Thread.NORM_PRIORITY);

    private record Key(FileSystem of, Object key) {}

    private static String words(String user, String host) {
        return user + " on " + host;
    }

    private final Path file;
    private final Key key;
    private final FileChannel channel;
    private final String token;
    private final boolean bySign;

    /** Where the sign starts. */
    private final int signAt;

    private long sign;

    private Presence(Path file, Key key, FileChannel channel, Written mine, boolean bySign) {
        this.file = file;
        this.key = key;
        this.channel = channel;
        this.token = mine.token;
        this.signAt = mine.signAt;
        this.bySign = bySign;
    }

    /** Whether whoever wrote a file is there. */
    enum State {
        LIVES,
        ENDED,
        /** On another machine, from which no sign came while it was waited for: it may be asleep. */
        SILENT
    }

    /**
     * Who is there, or this program, which is so from now on.
     *
     * @param who in words; "somebody" where the file does not say it
     */
    record Taken(Optional<Presence> mine, State state, String who) {}

    /** What stands in a file. */
    private record Written(String token, String who, String machine, String sign, int signAt) {

        static final Written NOTHING = new Written("", "somebody", "", "", 0);

        static Written of(byte[] bytes) {
            try {
                JsonNode json = JSON.readTree(bytes);
                if (json == null || !json.path("token").isTextual()) {
                    return NOTHING;
                }
                String all = new String(bytes, StandardCharsets.UTF_8);
                int line = all.indexOf('\n');
                return new Written(
                        json.path("token").asText(),
                        words(
                                json.path("user").asText("somebody"),
                                json.path("host").asText("another machine")),
                        json.path("machine").asText(),
                        line < 0 ? "" : all.substring(line).strip(),
                        line < 0 ? 0 : all.substring(0, line).getBytes(StandardCharsets.UTF_8).length);
            } catch (IOException e) {
                return NOTHING;
            }
        }

        boolean isNothing() {
            return token.isEmpty();
        }
    }

    /**
     * Takes the place that a file stands for, unless somebody who lives has it. In one step: while it is looked at nobody else can take
     * it.
     *
     * @param evenOfSilent whether also one is taken of which it can't be told whether it lives
     * @throws AccessDeniedException when the file is there and can't be written to
     * @throws IOException when it can't be written
     */
    static Taken take(Drive drive, Path file, boolean evenOfSilent) throws IOException {
        Optional<Written> before = Optional.empty();
        for (int i = 0; i < ATTEMPTS; i++) {
            Step step;
            synchronized (monitor(file)) {
                step = step(drive, file, before, evenOfSilent);
            }
            if (step.taken.isPresent() && !(i < LOOKS && step.mayBeALook)) {
                return step.taken.get();
            }
            before = step.watch;
            try {
                drive.await(before.isPresent() ? drive.renewedEvery().multipliedBy(TURNS) : MOMENT);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while it was looked who has it open", e);
            }
        }
        throw new IOException("it goes and comes again and again");
    }

    /**
     * @param taken empty where it has to be looked at again
     * @param watch whose sign then should have changed
     * @param mayBeALook whether who has the lock may only be looking
     */
    private record Step(Optional<Taken> taken, Optional<Written> watch, boolean mayBeALook) {

        static final Step AGAIN = new Step(Optional.empty(), Optional.empty(), false);

        static Step of(Optional<Presence> mine, State state, String who) {
            return new Step(Optional.of(new Taken(mine, state, who)), Optional.empty(), false);
        }

        static Step watched(Written there) {
            return new Step(Optional.empty(), Optional.of(there), false);
        }

        static Step locked(String who) {
            return new Step(Optional.of(new Taken(Optional.empty(), State.LIVES, who)), Optional.empty(), true);
        }
    }

    private static Object monitor(Path file) {
        return MONITORS.computeIfAbsent(file.toAbsolutePath().normalize(), path -> new Object());
    }

    private static Step step(Drive drive, Path file, Optional<Written> before, boolean evenOfSilent)
            throws IOException {
        if (!Files.exists(file)) {
            FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE)
                    .close();
        }
        Key key = key(file).orElse(null);
        if (key == null) {
            return Step.AGAIN;
        }
        if (HERE.containsKey(key)) {
            return Step.of(Optional.empty(), State.LIVES, words(USER, Machine.HOST));
        }
        FileChannel channel;
        try {
            channel = FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE);
        } catch (NoSuchFileException e) {
            // Its holder removed it just now.
            return Step.AGAIN;
        }
        boolean keeps = false;
        try {
            boolean bySign = drive.isReachedByOthers(file);
            boolean locked = false;
            try {
                if (!drive.lock(channel, false)) {
                    return Step.locked(read(channel).who);
                }
                locked = true;
            } catch (IOException e) {
                LOG.log(Level.INFO, "no locks for " + file, e);
                bySign = true;
            }
            if (!key(file).equals(Optional.of(key))) {
                // Its holder removed it just now: what is open here is no longer the file of that name.
                return Step.AGAIN;
            }
            Written there = read(channel);
            Optional<Step> other = bySign ? bySign(drive, there, before, locked, evenOfSilent) : Optional.empty();
            if (other.isPresent()) {
                return other.get();
            }
            Presence mine = write(drive, file, key, channel, bySign);
            keeps = true;
            HERE.put(key, mine);
            return Step.of(Optional.of(mine), State.LIVES, there.who);
        } finally {
            if (!keeps) {
                channel.close();
            }
        }
    }

    /** What another's sign says; empty where the place is free. */
    private static Optional<Step> bySign(
            Drive drive, Written there, Optional<Written> before, boolean locked, boolean evenOfSilent) {
        boolean ofThisMachine = there.machine.equals(drive.machine());
        if (there.isNothing() || locked && ofThisMachine) {
            return Optional.empty();
        }
        if (before.isEmpty() || !before.get().token.equals(there.token)) {
            return Optional.of(Step.watched(there));
        }
        if (!before.get().sign.equals(there.sign)) {
            return Optional.of(Step.of(Optional.empty(), State.LIVES, there.who));
        }
        return ofThisMachine || evenOfSilent
                ? Optional.empty()
                : Optional.of(Step.of(Optional.empty(), State.SILENT, there.who));
    }

    private static Presence write(Drive drive, Path file, Key key, FileChannel channel, boolean bySign)
            throws IOException {
        String token = UUID.randomUUID().toString();
        byte[] says = JSON.writeValueAsBytes(JSON.createObjectNode()
                .put("user", USER)
                .put("host", Machine.HOST)
                .put("machine", drive.machine())
                .put("token", token));
        ByteBuffer all = ByteBuffer.allocate(says.length + sign(0).length)
                .put(says)
                .put(sign(0))
                .flip();
        try {
            channel.truncate(0);
            channel.write(all, 0);
        } catch (IOException e) {
            // An empty one of a full disk would stay and say nothing of who left it.
            Files.deleteIfExists(file);
            throw e;
        }
        Presence mine = new Presence(file, key, channel, new Written(token, "", "", "", says.length), bySign);
        if (bySign) {
            long millis = drive.renewedEvery().toMillis();
            RENEWING.schedule(() -> mine.renew(millis), millis, TimeUnit.MILLISECONDS);
        }
        return mine;
    }

    private static byte[] sign(long number) {
        return String.format(SIGN, number).getBytes(StandardCharsets.US_ASCII);
    }

    private void renew(long everyMillis) {
        synchronized (this) {
            if (!channel.isOpen()) {
                return;
            }
            try {
                if (read().token.equals(token)) {
                    channel.write(ByteBuffer.wrap(sign(++sign)), signAt);
                }
            } catch (IOException e) {
                LOG.log(Level.INFO, "no sign in " + file, e);
            }
        }
        RENEWING.schedule(() -> renew(everyMillis), everyMillis, TimeUnit.MILLISECONDS);
    }

    /**
     * Whether whoever made a file is there, without taking its place.
     *
     * @return {@link State#ENDED} also where there is no such file
     */
    static State look(Drive drive, Path file) throws IOException {
        Optional<Written> before = Optional.empty();
        while (true) {
            Looked looked;
            synchronized (monitor(file)) {
                looked = lookOnce(drive, file);
            }
            if (looked.state != State.SILENT) {
                return looked.state;
            }
            if (before.isPresent() && before.get().token.equals(looked.there.token)) {
                return !before.get().sign.equals(looked.there.sign)
                        ? State.LIVES
                        : looked.there.machine.equals(drive.machine()) ? State.ENDED : State.SILENT;
            }
            before = Optional.of(looked.there);
            try {
                drive.await(drive.renewedEvery().multipliedBy(TURNS));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while it was looked who is there", e);
            }
        }
    }

    /** @param state silent where only the sign can tell */
    private record Looked(State state, Written there) {}

    private static Looked lookOnce(Drive drive, Path file) throws IOException {
        Optional<Key> known = key(file);
        if (known.isEmpty()) {
            return new Looked(State.ENDED, Written.NOTHING);
        }
        if (HERE.containsKey(known.get())) {
            return new Looked(State.LIVES, Written.NOTHING);
        }
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            boolean bySign = drive.isReachedByOthers(file);
            boolean locked = false;
            try {
                if (!drive.lock(channel, true)) {
                    return new Looked(State.LIVES, Written.NOTHING);
                }
                locked = true;
            } catch (IOException e) {
                bySign = true;
            }
            Written there = read(channel);
            boolean ended = !bySign || there.isNothing() || locked && there.machine.equals(drive.machine());
            return new Looked(ended ? State.ENDED : State.SILENT, there);
        } catch (NoSuchFileException e) {
            return new Looked(State.ENDED, Written.NOTHING);
        }
    }

    /** Who made a file, in words; of one that this program does not hold. */
    static String who(Path file) throws IOException {
        return Written.of(Files.readAllBytes(file)).who;
    }

    /** Whether it holds its place by a sign and no lock that all would see. */
    boolean isBySign() {
        return bySign;
    }

    /** Whether this one and no other stands at a place now: nobody took it over, removed it or put another there. */
    boolean stands(Path at) {
        synchronized (this) {
            try {
                return key(at).equals(Optional.of(key)) && read().token.equals(token);
            } catch (IOException e) {
                return false;
            }
        }
    }

    private Written read() throws IOException {
        return read(channel);
    }

    private static Written read(FileChannel channel) throws IOException {
        channel.position(0);
        return Written.of(Channels.newInputStream(channel).readNBytes(MOST_BYTES));
    }

    private static Optional<Key> key(Path file) throws IOException {
        try {
            Object key = Files.readAttributes(file, BasicFileAttributes.class).fileKey();
            return Optional.of(new Key(file.getFileSystem(), key == null ? file.toAbsolutePath() : key));
        } catch (NoSuchFileException e) {
            return Optional.empty();
        }
    }

    /** The file stays; whoever comes finds that nobody is there. */
    @Override
    public void close() {
        close(Optional.empty());
    }

    /** Ends it, and removes the file where it is still this one's. */
    void closeAndRemove(Path at) {
        close(Optional.of(at));
    }

    private synchronized void close(Optional<Path> removed) {
        if (!channel.isOpen()) {
            return;
        }
        // Before the channel is closed: from then on a new file may have the key.
        HERE.remove(key, this);
        try (channel) {
            if (removed.isPresent() && stands(removed.get())) {
                Files.deleteIfExists(removed.get());
            }
        } catch (IOException e) {
            LOG.log(Level.INFO, file + " stays", e);
        }
    }
}
