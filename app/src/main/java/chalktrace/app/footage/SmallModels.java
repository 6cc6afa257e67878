package chalktrace.app.footage;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.work.Workers;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.ExecutorService;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** Small pictures of models, clear beside them, drawn behind the window: what was asked for last comes first. Lives on the FX thread. */
final class SmallModels {

    private static final Logger LOG = Logger.getLogger(SmallModels.class.getName());

    private static final int MOST = 600;

    private final Runnable made;
    private final ExecutorService thread = Workers.one("small pictures of models");
    private final Map<StagedPicture, Image> images = new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<StagedPicture, Image> eldest) {
            return size() > MOST;
        }
    };
    private final Set<StagedPicture> asked = new HashSet<>();
    private final ConcurrentLinkedDeque<StagedPicture> waiting = new ConcurrentLinkedDeque<>();

    /** @param made told on the FX thread of each picture that comes */
    SmallModels(Runnable made) {
        this.made = made;
    }

    /** A picture, if it is drawn already; it is drawn otherwise. */
    Optional<Image> of(StagedPicture picture) {
        Image image = images.get(picture);
        if (image == null && asked.add(picture)) {
            waiting.addFirst(picture);
            StagedPicture oldest = waiting.size() > MOST ? waiting.pollLast() : null;
            asked.remove(oldest);
            thread.execute(this::draw);
        }
        return Optional.ofNullable(image);
    }

    private void draw() {
        StagedPicture picture = waiting.pollFirst();
        if (picture == null) {
            return;
        }
        PictureSize size = picture.size();
        try {
            int[] words = picture.draw().toArgb();
            Platform.runLater(() -> {
                WritableImage image = new WritableImage(size.width(), size.height());
                image.getPixelWriter()
                        .setPixels(
                                0,
                                0,
                                size.width(),
                                size.height(),
                                PixelFormat.getIntArgbInstance(),
                                words,
                                0,
                                size.width());
                images.put(picture, image);
                asked.remove(picture);
                made.run();
            });
        } catch (RuntimeException e) {
            // It stays asked for, and so is not tried again and again.
            LOG.log(Level.WARNING, "a small picture of a model", e);
        }
    }

    /** Lets go of all pictures, and of the models that they are of. */
    void forget() {
        images.clear();
    }

    void close() {
        Workers.stop(thread);
    }
}
