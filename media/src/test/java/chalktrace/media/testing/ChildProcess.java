package chalktrace.media.testing;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** A program of the tests in a process of its own, with the class path of this one, that can be killed. */
public final class ChildProcess implements AutoCloseable {

    private static final int LONGEST_END_SECONDS = 30;

    private final Process process;
    private final BufferedReader said;
    private final PrintWriter told;

    /** @param options of the virtual machine */
    public ChildProcess(Class<?> main, List<String> options, Object... arguments) throws IOException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"));
        command.addAll(options);
        command.addAll(List.of("-cp", System.getProperty("java.class.path"), main.getName()));
        for (Object argument : arguments) {
            command.add(argument.toString());
        }
        process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        said = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        told = new PrintWriter(process.getOutputStream(), true, StandardCharsets.UTF_8);
    }

    /** Does works, some of them at the same time. @throws Exception of the first that failed, once all have ended */
    public static void some(int atATime, List<Callable<Void>> works) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(atATime);
        try {
            for (Future<Void> work : threads.invokeAll(works)) {
                work.get();
            }
        } finally {
            threads.shutdownNow();
        }
    }

    /** The next line that it says; empty once it has ended. */
    public Optional<String> next() throws IOException {
        return Optional.ofNullable(said.readLine());
    }

    public void tell(String line) {
        told.println(line);
    }

    /** Ends it as the system would, without asking it. */
    public void kill() {
        // By its handle: what it said before can still be read.
        process.toHandle().destroyForcibly();
    }

    public void awaitEnd() throws InterruptedException {
        if (!process.waitFor(LONGEST_END_SECONDS, TimeUnit.SECONDS)) {
            kill();
            throw new AssertionError("a process does not end");
        }
    }

    @Override
    public void close() throws IOException {
        kill();
        said.close();
    }
}
