package chalktrace.app.state;

import chalktrace.core.work.Workers;
import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Properties;
import java.util.concurrent.ExecutorService;
import java.util.logging.Level;
import java.util.logging.Logger;

/** What a person has set for the program as a whole, not for one shot; kept in a file of the state folder, by a thread of its own. Must be closed. */
public final class Preferences implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(Preferences.class.getName());

    private static final String PROXY_FOLDER = "proxies.folder";
    private static final String PROXY_LIMIT = "proxies.limit-bytes";
    private static final String VERSION_LIMIT = "versions.limit-bytes";
    private static final String LOOK = "look";
    private static final String RECENT = "recent.";
    private static final int MOST_RECENT = 8;
    private static final String BENCH_HEIGHT = "bench.height.";
    private static final String TRAY_LEFT = "tray.left";
    private static final String TRAY_NARROW = "tray.narrow";
    private static final String LEFT = "left.";
    private static final String THUMBNAILS = "thumbnails";
    private static final String OPEN = "open.";
    private static final String PEN_BUTTON = "pen.button.";
    private static final String LATENCY = "sound.latency-millis";

    private static final long PROXY_LIMIT_AT_FIRST = 20L << 30;
    private static final long VERSION_LIMIT_AT_FIRST = 1L << 30;

    private final Path stateFolder;
    private final Properties values = new Properties();
    private final ExecutorService keeper = Workers.one("keep preferences");

    public Preferences(Path stateFolder) {
        this.stateFolder = stateFolder;
        if (Files.exists(file())) {
            try (Reader reader = Files.newBufferedReader(file())) {
                values.load(reader);
            } catch (IOException | IllegalArgumentException e) {
                LOG.log(Level.WARNING, "preferences can't be read, those of a new program hold", e);
            }
        }
    }

    public synchronized Path proxyFolder() {
        String named = values.getProperty(PROXY_FOLDER);
        return named == null ? stateFolder.resolve("proxies") : Path.of(named);
    }

    public void setProxyFolder(Path folder) {
        set(PROXY_FOLDER, folder.toString());
    }

    public synchronized long proxyLimitBytes() {
        try {
            return Long.parseLong(values.getProperty(PROXY_LIMIT, String.valueOf(PROXY_LIMIT_AT_FIRST)));
        } catch (NumberFormatException e) {
            return PROXY_LIMIT_AT_FIRST;
        }
    }

    public void setProxyLimitBytes(long bytes) {
        set(PROXY_LIMIT, String.valueOf(bytes));
    }

    /** How much room versions of one shot may take. */
    public synchronized long versionLimitBytes() {
        try {
            return Long.parseLong(values.getProperty(VERSION_LIMIT, String.valueOf(VERSION_LIMIT_AT_FIRST)));
        } catch (NumberFormatException e) {
            return VERSION_LIMIT_AT_FIRST;
        }
    }

    public void setVersionLimitBytes(long bytes) {
        set(VERSION_LIMIT, String.valueOf(bytes));
    }

    /** Whether small pictures are made for the picture lane. */
    public synchronized boolean thumbnails() {
        return Boolean.parseBoolean(values.getProperty(THUMBNAILS, "true"));
    }

    public void setThumbnails(boolean made) {
        set(THUMBNAILS, String.valueOf(made));
    }

    /** How high the bench was dragged in a step, in px of the window; empty where it was not. */
    public synchronized OptionalDouble benchHeight(String step) {
        try {
            double height = Double.parseDouble(values.getProperty(BENCH_HEIGHT + step, ""));
            return height > 0 && height < 10_000 ? OptionalDouble.of(height) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    public void setBenchHeight(String step, double height) {
        set(BENCH_HEIGHT + step, String.valueOf(height));
    }

    public void forgetBenchHeight(String step) {
        set(BENCH_HEIGHT + step, "");
    }

    /** Whether the tray stands at the left. */
    public synchronized boolean trayLeft() {
        return Boolean.parseBoolean(values.getProperty(TRAY_LEFT));
    }

    public void setTrayLeft(boolean left) {
        set(TRAY_LEFT, String.valueOf(left));
    }

    /** Whether the tray is narrow. */
    public synchronized boolean trayNarrow() {
        return Boolean.parseBoolean(values.getProperty(TRAY_NARROW));
    }

    public void setTrayNarrow(boolean narrow) {
        set(TRAY_NARROW, String.valueOf(narrow));
    }

    /** The name of the colours that the person chose; empty at first. */
    public synchronized String look() {
        return values.getProperty(LOOK, "");
    }

    public void setLook(String name) {
        set(LOOK, name);
    }

    /** The shots that were open last, the latest first. */
    public synchronized List<Path> recent() {
        List<Path> out = new ArrayList<>();
        for (int i = 0; i < MOST_RECENT; i++) {
            String file = values.getProperty(RECENT + i);
            if (file != null && !file.isBlank()) {
                out.add(Path.of(file));
            }
        }
        return out;
    }

    public synchronized void addRecent(Path file) {
        List<Path> files = new ArrayList<>(recent());
        files.remove(file);
        files.add(0, file);
        for (int i = 0; i < Math.min(MOST_RECENT, files.size()); i++) {
            values.setProperty(RECENT + i, files.get(i).toString());
        }
        set(RECENT + 0, file.toString());
    }

    /** A setting as the person left it; empty at first. */
    public synchronized Optional<String> left(String setting) {
        return Optional.ofNullable(values.getProperty(LEFT + setting));
    }

    public void setLeft(String setting, String value) {
        set(LEFT + setting, value);
    }

    /** Whether a section of a tray is open. @param otherwise at first */
    public synchronized boolean isOpen(String section, boolean otherwise) {
        return Boolean.parseBoolean(values.getProperty(OPEN + section, String.valueOf(otherwise)));
    }

    public void setOpen(String section, boolean open) {
        set(OPEN + section, String.valueOf(open));
    }

    /** The name of the action of a button on the pen. @param otherwise at first */
    public synchronized String penButton(int button, String otherwise) {
        return values.getProperty(PEN_BUTTON + button, otherwise);
    }

    public void setPenButton(int button, String action) {
        set(PEN_BUTTON + button, action);
    }

    /** How much later than it is played sound is heard, such as over wireless loudspeakers; 0 at first. */
    public synchronized double outputLatencyMillis() {
        try {
            return Double.parseDouble(values.getProperty(LATENCY, "0"));
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    public void setOutputLatencyMillis(double millis) {
        set(LATENCY, String.valueOf(millis));
    }

    private synchronized void set(String key, String value) {
        values.setProperty(key, value);
        Properties now = (Properties) values.clone();
        if (!keeper.isShutdown()) {
            keeper.execute(() -> keep(now));
        }
    }

    private void keep(Properties now) {
        try {
            Files.createDirectories(stateFolder);
            try (Writer writer = Files.newBufferedWriter(file())) {
                now.store(writer, null);
            }
        } catch (IOException e) {
            LOG.log(Level.WARNING, "preferences can't be kept", e);
        }
    }

    /** Waits until all is written. */
    @Override
    public void close() {
        Workers.finish(keeper);
    }

    private Path file() {
        return stateFolder.resolve("preferences.properties");
    }
}
