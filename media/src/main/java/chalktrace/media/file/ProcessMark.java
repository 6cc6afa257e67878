package chalktrace.media.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;

/**
 * Which run of the program something belongs to: its process and when that started, as numbers of processes are used again.
 *
 * @param machine what tells this machine from others, also after its name was changed
 * @param startedMillis since 1970; 0 where that is not known
 */
record ProcessMark(String user, String host, String machine, long process, long startedMillis) {

    /** Starts are known to about this much. */
    private static final long SAME_START_MILLIS = 1000;

    private static final Path MACHINE_ID = Path.of("/etc/machine-id");

    /** Whether the process is known to run, known to have ended, or belongs to another machine or an older lock. */
    enum State {
        RUNS,
        ENDED,
        UNKNOWN
    }

    /** This run. */
    static ProcessMark own() {
        ProcessHandle own = ProcessHandle.current();
        return new ProcessMark(System.getProperty("user.name", ""), hostName(), machineName(), own.pid(), started(own));
    }

    ObjectNode write(ObjectNode to) {
        return to.put("user", user)
                .put("host", host)
                .put("machine", machine)
                .put("process", process)
                .put("started", startedMillis);
    }

    /** A mark as it was written; empty where it is none, as in a file that was cut short. */
    static Optional<ProcessMark> read(JsonNode from) {
        if (from == null
                || !from.path("process").canConvertToLong()
                || !from.path("process").isNumber()) {
            return Optional.empty();
        }
        return Optional.of(new ProcessMark(
                from.path("user").asText("somebody"),
                from.path("host").asText("another machine"),
                from.path("machine").asText(""),
                from.path("process").asLong(),
                from.path("started").asLong(0)));
    }

    State state() {
        boolean here = machine.isEmpty() ? host.equals(hostName()) : machine.equals(machineName());
        if (!here) {
            return State.UNKNOWN;
        }
        Optional<ProcessHandle> running = ProcessHandle.of(process).filter(ProcessHandle::isAlive);
        if (running.isEmpty()) {
            return State.ENDED;
        }
        long now = started(running.get());
        if (startedMillis == 0 || now == 0) {
            return State.UNKNOWN;
        }
        return Math.abs(now - startedMillis) <= SAME_START_MILLIS ? State.RUNS : State.ENDED;
    }

    String words() {
        return user + " on " + host;
    }

    private static long started(ProcessHandle process) {
        return process.info().startInstant().map(Instant::toEpochMilli).orElse(0L);
    }

    private static String hostName() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "this machine";
        }
    }

    private static String machineName() {
        try {
            return Files.readString(MACHINE_ID, StandardCharsets.US_ASCII).strip();
        } catch (IOException e) {
            return hostName();
        }
    }
}
