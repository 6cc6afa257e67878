package chalktrace.app.state;

import java.nio.file.Path;
import java.util.Locale;

/** Where the program keeps what is not part of a shot: its log, unsaved work, the copy of the demo. */
public final class StateFolder {

    private StateFolder() {}

    /** The folder by the system's own convention, or the one that the property {@code chalktrace.state} names. */
    public static Path path() {
        String named = System.getProperty("chalktrace.state");
        if (named != null) {
            return Path.of(named);
        }
        String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
        Path home = Path.of(System.getProperty("user.home"));
        if (system.contains("win")) {
            return environment("LOCALAPPDATA", home.resolve("AppData/Local")).resolve("Chalk Trace");
        }
        return system.contains("mac")
                ? home.resolve("Library/Application Support/Chalk Trace")
                : environment("XDG_STATE_HOME", home.resolve(".local/state")).resolve("chalk-trace");
    }

    private static Path environment(String name, Path otherwise) {
        String value = System.getenv(name);
        return value == null || value.isBlank() ? otherwise : Path.of(value);
    }
}
