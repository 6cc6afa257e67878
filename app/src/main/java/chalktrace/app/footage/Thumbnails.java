package chalktrace.app.footage;

import chalktrace.app.state.Preferences;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSampling;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.work.Workers;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.collections.MapChangeListener;
import javafx.collections.SetChangeListener;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;

/** Small pictures of the footage for the bench, made in the background by one pass through each source or its proxy. */
public final class Thumbnails {

    private static final Logger LOG = Logger.getLogger(Thumbnails.class.getName());

    public static final int HEIGHT = 36;

    /** A longer source gets every second, third ... picture. */
    private static final int MOST = 400;

    /** Gives pictures in rising order; null for one that is missing. */
    @FunctionalInterface
    private interface Pictures {
        Picture get(int n) throws PictureUnavailableException, InterruptedException;
    }

    @FunctionalInterface
    private interface Making {
        void into(Image[] images, AtomicBoolean ended) throws UnreadableException, InterruptedException;
    }

    private final Footages footages;
    private final BooleanProperty shown = new SimpleBooleanProperty();
    private final Map<String, Image[]> byFile = new HashMap<>();
    /** What ends each work. An interrupt would close the file that others read as well. */
    private final Map<String, AtomicBoolean> working = new HashMap<>();

    private final ReadOnlyLongWrapper made = new ReadOnlyLongWrapper();
    private final SmallModels models = new SmallModels(() -> made.set(made.get() + 1));
    private final ExecutorService threads = Workers.many("thumbnails", Thread.MIN_PRIORITY);

    public Thumbnails(Footages footages, Proxies proxies, Preferences preferences) {
        this.footages = footages;
        shown.set(preferences.thumbnails());
        shown.addListener((property, before, now) -> {
            preferences.setThumbnails(now);
            List.copyOf(byFile.keySet()).forEach(this::forget);
            List.copyOf(proxies.made().keySet())
                    .forEach(file -> begin(file, proxies.made().get(file)));
            List.copyOf(proxies.needless()).forEach(this::beginWithout);
        });
        footages.opened().addListener((MapChangeListener<String, Reference>) change -> {
            if (change.wasRemoved()) {
                forget(change.getKey());
            }
            // What is only looked at gets no proxy to wait for.
            if (change.wasAdded() && !proxies.isConsidered(change.getKey())) {
                beginWithout(change.getKey());
            }
        });
        proxies.made().addListener((MapChangeListener<String, Proxy>) change -> {
            if (change.wasAdded()) {
                begin(change.getKey(), change.getValueAdded());
            }
        });
        proxies.needless().addListener((SetChangeListener<String>) change -> {
            if (change.wasAdded()) {
                beginWithout(change.getElementAdded());
            }
        });
    }

    /** Whether small pictures are made at all. */
    public BooleanProperty shownProperty() {
        return shown;
    }

    /** Rises with each small picture. */
    public ReadOnlyLongProperty madeProperty() {
        return made.getReadOnlyProperty();
    }

    /** What footage shows on a frame, small; of a model as its camera sees it, of other footage that picture or one close by. */
    public Optional<Image> of(Footage clip, int frame, ShotSetup setup) {
        Reference reference = footages.opened().get(clip.file());
        if (reference == null) {
            return Optional.empty();
        }
        Optional<Footage.Showing> showing = clip.at(frame, setup.rate(), reference.times());
        if (clip.staging().isEmpty()) {
            return showing.flatMap(
                    s -> of(clip.file(), s.picture(), reference.times().count()));
        }
        return shown.get() && showing.isPresent()
                ? footages.figure(clip)
                        .flatMap(figure -> clip.staged(figure, frame, setup))
                        .flatMap(seen -> models.of(seen.thumbnail(seen.orbit(), HEIGHT)))
                : Optional.empty();
    }

    /** A small picture of a model. */
    public Optional<Image> of(StagedPicture picture) {
        return models.of(picture);
    }

    /** The small picture of picture {@code n} of a file with {@code count} pictures, or of one close by. */
    public Optional<Image> of(String file, int n, int count) {
        Image[] images = byFile.get(file);
        return images == null
                ? Optional.empty()
                : Optional.ofNullable(images[(int) ((long) n * images.length / count)]);
    }

    public void close() {
        Workers.stop(threads);
        models.close();
    }

    private void forget(String file) {
        byFile.remove(file);
        models.forget();
        Optional.ofNullable(working.remove(file)).ifPresent(ended -> ended.set(true));
        made.set(made.get() + 1);
    }

    /** What is slow to read is not read twice: its proxy, which is made in one pass, serves. */
    private void begin(String file, Proxy proxy) {
        begin(file, (images, ended) -> make(proxy, images, ended, n -> proxy.await(n) ? proxy.picture(n) : null));
    }

    private void beginWithout(String file) {
        begin(file, (images, ended) -> {
            try (Reference reference = References.open(Path.of(file))) {
                make(reference, images, ended, reference::picture);
            }
        });
    }

    private void begin(String file, Making making) {
        Reference reference = footages.opened().get(file);
        if (reference == null || !shown.get() || byFile.containsKey(file)) {
            return;
        }
        // Of a model each use has its own; one will do for its card.
        int most = reference.figure().isPresent() ? 1 : MOST;
        Image[] images = new Image[Math.min(most, reference.times().count())];
        byFile.put(file, images);
        AtomicBoolean ended = new AtomicBoolean();
        working.put(file, ended);
        threads.execute(() -> {
            try {
                making.into(images, ended);
            } catch (UnreadableException e) {
                // The board and the card of the footage say what is wrong.
                LOG.log(Level.INFO, "no more thumbnails of " + file, e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private void make(PictureSource source, Image[] images, AtomicBoolean ended, Pictures pictures)
            throws InterruptedException {
        int count = source.times().count();
        for (int i = 0; i < images.length && !ended.get(); i++) {
            int n = (int) Math.min(count - 1L, ((long) i * count + images.length - 1) / images.length);
            int at = i;
            try {
                Picture picture = pictures.get(n);
                if (picture != null) {
                    Image small = small(picture, source.turnDegrees());
                    Platform.runLater(() -> {
                        images[at] = small;
                        made.set(made.get() + 1);
                    });
                }
            } catch (PictureUnavailableException e) {
                if (ended.get()) {
                    return;
                }
                // A picture that is missing or damaged leaves its place empty.
                LOG.log(Level.INFO, "no thumbnail of picture " + n, e);
            }
        }
    }

    /** Upright and {@link #HEIGHT} high. */
    private static Image small(Picture picture, int turnDegrees) {
        boolean sideways = turnDegrees % 180 != 0;
        Picture source = picture;
        while (standing(source, sideways) >= 2 * HEIGHT && lying(source, sideways) > 1) {
            source = source.half();
        }
        double step = standing(source, sideways) / (double) HEIGHT;
        int along = Math.max(1, (int) Math.round(lying(source, sideways) / step));
        int width = sideways ? HEIGHT : along;
        int height = sideways ? along : HEIGHT;
        PictureSampling columns = new PictureSampling(step / 2 - 0.5, step, width);
        int[] stored = new int[width * height];
        int[] row = new int[width];
        for (int y = 0; y < height; y++) {
            source.argbRow(columns, (y + 0.5) * step - 0.5, width, row);
            System.arraycopy(row, 0, stored, y * width, width);
        }
        return upright(stored, width, height, turnDegrees);
    }

    private static int standing(Picture picture, boolean sideways) {
        return sideways ? picture.size().width() : picture.size().height();
    }

    private static int lying(Picture picture, boolean sideways) {
        return sideways ? picture.size().height() : picture.size().width();
    }

    private static Image upright(int[] stored, int width, int height, int turnDegrees) {
        boolean sideways = turnDegrees % 180 != 0;
        WritableImage image = new WritableImage(sideways ? height : width, sideways ? width : height);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int word = stored[y * width + x];
                switch (turnDegrees) {
                    case 90 -> image.getPixelWriter().setArgb(y, width - 1 - x, word);
                    case 180 -> image.getPixelWriter().setArgb(width - 1 - x, height - 1 - y, word);
                    case 270 -> image.getPixelWriter().setArgb(height - 1 - y, x, word);
                    default -> image.getPixelWriter().setArgb(x, y, word);
                }
            }
        }
        return image;
    }
}
