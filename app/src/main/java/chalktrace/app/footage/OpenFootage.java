package chalktrace.app.footage;

import chalktrace.app.words.Words;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.media.footage.FootageReader;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;

/** One opened file of footage: its own pictures, those of its proxy once it has one, and what is wrong with some. Lives on the FX thread. */
final class OpenFootage implements OpenSource {

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

    @Override
    public Reference reference() {
        return reference;
    }

    @Override
    public boolean hasProxy() {
        return proxy.isPresent();
    }

    @Override
    public void use(Proxy made, FrameCache cache) {
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

    @Override
    public PictureSize displaySize(Footage clip) {
        return reference.displaySize();
    }

    @Override
    public Optional<Found> find(Footage clip, int n, boolean atRest, boolean running) {
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

    @Override
    public Optional<Picture> atHand(Footage clip, int n, boolean running) {
        Optional<Picture> quick = proxy.flatMap(p -> p.atHand(n));
        return running && quick.isPresent() ? quick : own.atHand(n).or(() -> quick);
    }

    @Override
    public CompletableFuture<Void> end() {
        // A decoder that is closed while it reads takes the program with it.
        CompletableFuture<Void> closed = own.end().thenRun(reference::close);
        return proxy.map(reader -> CompletableFuture.allOf(closed, reader.end()))
                .orElse(closed);
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
                return picture.map(p ->
                        new Found(p, Origin.NEIGHBOUR, Words.GATHER.of("the-one-before-it-shows", missing.get(n))));
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
