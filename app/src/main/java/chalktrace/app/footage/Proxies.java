package chalktrace.app.footage;

import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.state.Preferences;
import chalktrace.app.words.Words;
import chalktrace.media.UnwritableException;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.ProxyMaker;
import chalktrace.media.footage.ProxyShelf;
import chalktrace.media.footage.ReadSpeed;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import javafx.collections.ObservableSet;

/**
 * The proxies of footage whose own pictures take long to read: measured for, made in the background and kept on a shelf.
 * Lives on the FX thread, but for {@link #release}.
 */
public final class Proxies {

    private final Jobs jobs;
    private final Notices notices;
    private final Preferences preferences;
    private final ProxyShelf shelf;
    private final Map<String, Optional<Jobs.Job>> considered = new HashMap<>();
    private final ObservableMap<String, Proxy> made = FXCollections.observableHashMap();
    private final ObservableSet<String> needless = FXCollections.observableSet();
    private final ReadOnlyLongWrapper bytes = new ReadOnlyLongWrapper();

    public Proxies(Jobs jobs, Notices notices, Preferences preferences) {
        this.jobs = jobs;
        this.notices = notices;
        this.preferences = preferences;
        this.shelf = new ProxyShelf(preferences.proxyFolder(), preferences.proxyLimitBytes());
        count();
    }

    /** The proxies in use, whole or in the making, by the path of their source. */
    ObservableMap<String, Proxy> made() {
        return made;
    }

    /** The files whose own pictures are read fast enough. */
    ObservableSet<String> needless() {
        return needless;
    }

    /** Whether it is, or will be, known whether a file needs a proxy. */
    boolean isConsidered(String file) {
        return considered.containsKey(file);
    }

    /** What all proxies take on the disk. */
    public ReadOnlyLongProperty bytesProperty() {
        return bytes.getReadOnlyProperty();
    }

    public Path folder() {
        return shelf.folder();
    }

    public long limitBytes() {
        return shelf.limitBytes();
    }

    /** Measures, once, how fast a file's pictures are read, and makes it a proxy if they are not. */
    void consider(String file, Reference reference) {
        if (considered.containsKey(file)) {
            return;
        }
        if (reference.times().count() == 1) {
            considered.put(file, Optional.empty());
            needNone(file, Optional.empty());
            return;
        }
        considered.put(
                file,
                Optional.of(jobs.runBehind(
                        Words.GATHER.of("proxy-of", Path.of(file).getFileName()),
                        job -> make(file, job),
                        this::done,
                        e -> failed(file, e))));
    }

    /** Ends the making, if it goes on, and closes the proxy; nobody may read from it any more. On any thread. */
    void release(String file) {
        Platform.runLater(() -> {
            Optional<Jobs.Job> job = considered.remove(file);
            needless.remove(file);
            Proxy proxy = made.remove(file);
            if (job != null) {
                job.ifPresent(Jobs.Job::cancel);
            }
            if (proxy != null) {
                close(proxy);
            }
        });
    }

    /** Throws away all proxies that are not in use. */
    public void empty() {
        onShelf(Words.GATHER.of("empty-the-proxies"), ProxyShelf::empty);
    }

    /** Sets how much all proxies may take on the disk; the oldest go when it is too much. */
    public void setLimit(long limitBytes) {
        preferences.setProxyLimitBytes(limitBytes);
        onShelf(Words.GATHER.of("tidy-the-proxies"), kept -> kept.limit(limitBytes));
    }

    /** Keeps proxies in another folder. */
    public void moveTo(Path folder) {
        jobs.runBehind(
                Words.GATHER.of("move-the-proxies"),
                job -> {
                    shelf.moveTo(folder);
                    return shelf.folder();
                },
                moved -> {
                    preferences.setProxyFolder(moved);
                    count();
                },
                notices::problem);
    }

    /** @param unread when nobody reads from one any more */
    public void close(CompletableFuture<Void> unread) {
        List<Proxy> all = List.copyOf(made.values());
        made.clear();
        unread.thenRun(() -> all.forEach(shelf::putBack));
    }

    /** After whatever it is asked from, and only if the file was not let go of in the meantime. */
    private void needNone(String file, Optional<Jobs.Job> by) {
        Platform.runLater(() -> {
            if (by.equals(considered.get(file))) {
                needless.add(file);
            }
        });
    }

    /** What was let go of before its proxy was there does not get it any more. */
    private void handOver(String file, Jobs.Job by, Proxy proxy) {
        Platform.runLater(() -> {
            if (Optional.of(by).equals(considered.get(file))) {
                made.put(file, proxy);
            } else {
                close(proxy);
            }
        });
    }

    private void close(Proxy proxy) {
        jobs.runBehind(Words.GATHER.of("close-a-proxy"), ended -> putBack(proxy), this::done, notices::problem);
    }

    private Void make(String file, Jobs.Job job) throws Exception {
        Path path = Path.of(file);
        try (Reference source = References.open(path)) {
            if (!ReadSpeed.isSlow(source, System::nanoTime)) {
                needNone(file, Optional.of(job));
                return null;
            }
            Proxy proxy = shelf.take(path, source);
            handOver(file, job, proxy);
            if (!job.isCancelled() && !proxy.isComplete()) {
                ProxyMaker.make(source, proxy, job::at);
                shelf.tidy();
            }
        }
        return null;
    }

    private Void putBack(Proxy proxy) {
        shelf.putBack(proxy);
        return null;
    }

    private void onShelf(String name, Consumer<ProxyShelf> work) {
        jobs.runBehind(
                name,
                job -> {
                    work.accept(shelf);
                    return null;
                },
                this::done,
                notices::problem);
    }

    private void done(Object nothing) {
        count();
    }

    private void failed(String file, Exception e) {
        if (considered.containsKey(file)) {
            notices.problem(
                    e instanceof UnwritableException
                            ? e
                            : new Exception(
                                    Words.GATHER.of(
                                            "the-proxy-of-could-not",
                                            Path.of(file).getFileName(),
                                            e.getMessage()),
                                    e));
        }
    }

    private void count() {
        jobs.quietly(() -> {
            long all = shelf.bytes();
            Platform.runLater(() -> bytes.set(all));
        });
    }
}
