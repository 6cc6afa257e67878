package chalktrace.app.session;

import chalktrace.core.picture.Picture;
import chalktrace.media.footage.FootageReader;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;

/** One opened file of footage: its own pictures, those of its proxy once it has one, and what is wrong with some. Lives on the FX thread. */
final class OpenFootage {

    /** Where a picture is from. */
    enum Origin {
        SOURCE,
        PROXY,
        NEIGHBOUR
    }

    /** @param why what is to be said of it; empty where all is well */
    record Found(Picture picture, Origin origin, String why) {}

    private final Reference reference;
    private final FootageReader own;
    private final Runnable arrived;
    private final Map<Integer, String> missing = new HashMap<>();
    private final Map<Integer, String> doubts = new HashMap<>();
    private Optional<FootageReader> proxy = Optional.empty();

    /** @param arrived told on the FX thread of each picture that comes */
    OpenFootage(Reference reference, FrameCache cache, Runnable arrived) {
        this.reference = reference;
        this.arrived = arrived;
        this.own = new FootageReader(reference, cache, new FootageReader.Listener() {
            @Override
            public void arrived(int n) {
                Platform.runLater(arrived);
            }

            @Override
            public void missing(int n, String why) {
                note(missing, n, why);
            }

            @Override
            public void doubtful(int n, String why) {
                note(doubts, n, why);
            }
        });
    }

    Reference reference() {
        return reference;
    }

    boolean hasProxy() {
        return proxy.isPresent();
    }

    /** Reads from a proxy too, from now on. */
    void use(Proxy made, FrameCache cache) {
        proxy = Optional.of(new FootageReader(made, cache, new FootageReader.Listener() {
            @Override
            public void arrived(int n) {
                Platform.runLater(arrived);
            }

            @Override
            public void missing(int n, String why) {
                // The source is asked when the proxy has no picture.
            }
        }));
    }

    /**
     * Picture n as far as it is at hand, and asks for what is not.
     *
     * @param atRest whether the artist rests on it, so that the source's own picture is worth its time; without a proxy
     *     it is read at once
     * @param running whether it is one of many in play, which are all from the proxy where there is one
     */
    Optional<Found> find(int n, boolean atRest, boolean running) {
        Optional<FootageReader> reader = proxy.filter(p -> p.source().has(n));
        reader.ifPresent(p -> p.want(n));
        if (reader.isEmpty() || (atRest && !running)) {
            own.want(n);
        }
        Optional<Picture> quick = reader.flatMap(p -> p.atHand(n));
        if (running && quick.isPresent()) {
            return found(quick.get(), Origin.PROXY, n);
        }
        Optional<Picture> exact = own.atHand(n);
        if (exact.isPresent()) {
            return found(exact.get(), Origin.SOURCE, n);
        }
        return quick.isPresent() ? found(quick.get(), Origin.PROXY, n) : standIn(n);
    }

    /** Lets go of its files; waits for what is being read. */
    void close() {
        proxy.ifPresent(FootageReader::close);
        own.close();
        reference.close();
    }

    private Optional<Found> found(Picture picture, Origin origin, int n) {
        return Optional.of(new Found(picture, origin, doubts.getOrDefault(n, "")));
    }

    /** The nearest picture before one that is missing. Empty while one is still being read. */
    private Optional<Found> standIn(int n) {
        if (!missing.containsKey(n)) {
            return Optional.empty();
        }
        for (int k = n - 1; k >= Math.max(0, n - FootageReader.AHEAD); k--) {
            Optional<Picture> picture = own.atHand(k);
            if (picture.isPresent() || !missing.containsKey(k)) {
                return picture.map(p -> new Found(p, Origin.NEIGHBOUR, missing.get(n) + " The one before it shows."));
            }
        }
        return Optional.empty();
    }

    private void note(Map<Integer, String> where, int n, String why) {
        Platform.runLater(() -> {
            where.put(n, why);
            arrived.run();
        });
    }
}
