package chalktrace.app.state;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogManager;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

/** The program's log: three small files in turn, never with the contents of a shot; nothing goes to standard error. */
public final class ProgramLog {

    private static final int BYTES = 512 * 1024;
    private static final int FILES = 3;

    private ProgramLog() {}

    /** Starts the log; where its folder can't be written to, there is none. */
    public static void start() {
        LogManager.getLogManager().reset();
        Logger root = Logger.getLogger("");
        try {
            Path folder = Files.createDirectories(StateFolder.path().resolve("log"));
            Handler file = new FileHandler(folder + "/chalk-%g.log", BYTES, FILES, true);
            file.setFormatter(new SimpleFormatter());
            root.addHandler(file);
            root.setLevel(Level.INFO);
        } catch (IOException e) {
            root.setLevel(Level.OFF);
        }
    }
}
