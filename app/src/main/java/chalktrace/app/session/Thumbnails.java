package chalktrace.app.session;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSampling;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.collections.MapChangeListener;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;

/** Small pictures of the footage for the bench, made in the background by one pass through each source. */
public final class Thumbnails {

    private static final Logger LOG = Logger.getLogger(Thumbnails.class.getName());

    public static final int HEIGHT = 36;

    /** A longer source gets every second, third ... picture. */
    private static final int MOST = 400;

    private final Map<String, Image[]> byFile = new HashMap<>();
    private final Map<String, Future<?>> working = new HashMap<>();
    private final ReadOnlyLongWrapper made = new ReadOnlyLongWrapper();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(task -> {
        Thread worker = new Thread(task, "thumbnails");
        worker.setDaemon(true);
        worker.setPriority(Thread.MIN_PRIORITY);
        return worker;
    });

    Thumbnails(Footages footages) {
        footages.opened().addListener((MapChangeListener<String, Reference>) change -> {
            if (change.wasRemoved()) {
                byFile.remove(change.getKey());
                Optional.ofNullable(working.remove(change.getKey())).ifPresent(work -> work.cancel(true));
            }
            if (change.wasAdded()) {
                Image[] images =
                        new Image[Math.min(MOST, change.getValueAdded().times().count())];
                byFile.put(change.getKey(), images);
                working.put(change.getKey(), thread.submit(() -> make(change.getKey(), images)));
            }
        });
    }

    /** Rises with each small picture. */
    public ReadOnlyLongProperty madeProperty() {
        return made.getReadOnlyProperty();
    }

    /** The small picture of picture {@code n} of a file with {@code count} pictures, or of one close by. */
    public Optional<Image> of(String file, int n, int count) {
        Image[] images = byFile.get(file);
        return images == null
                ? Optional.empty()
                : Optional.ofNullable(images[(int) ((long) n * images.length / count)]);
    }

    void close() {
        thread.shutdownNow();
    }

    private void make(String file, Image[] images) {
        try (Reference reference = References.open(Path.of(file))) {
            int count = reference.times().count();
            for (int i = 0; i < images.length && !Thread.currentThread().isInterrupted(); i++) {
                int n = (int) Math.min(count - 1L, ((long) i * count + images.length - 1) / images.length);
                make(reference, n, images, i);
            }
        } catch (UnreadableException e) {
            // The board and the card of the footage say what is wrong.
            LOG.log(Level.INFO, "no more thumbnails of " + file, e);
        }
    }

    /** A picture that is missing or damaged leaves its place empty. */
    private void make(Reference reference, int n, Image[] images, int at) {
        try {
            Image small = small(reference.picture(n), reference.turnDegrees());
            Platform.runLater(() -> {
                images[at] = small;
                made.set(made.get() + 1);
            });
        } catch (PictureUnavailableException e) {
            LOG.log(Level.INFO, "no thumbnail of picture " + n, e);
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
