package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.List;

/** A run of numbered pictures, or a single one. Each picture is a file of its own and is read when it is asked for. */
public final class PictureRun implements Reference {

    private final List<Path> files;
    private final PictureSize size;

    private PictureRun(List<Path> files, PictureSize size) {
        this.files = List.copyOf(files);
        this.size = size;
    }

    /** @throws UnreadableException when the first picture can't be read */
    static PictureRun open(List<Path> files) throws UnreadableException {
        try (VideoClip first = VideoClip.open(files.get(0))) {
            return new PictureRun(files, first.displaySize());
        }
    }

    public List<Path> files() {
        return files;
    }

    @Override
    public Kind kind() {
        return files.size() == 1 ? Kind.PICTURE : Kind.PICTURE_RUN;
    }

    @Override
    public PictureSize displaySize() {
        return size;
    }

    @Override
    public PictureTimes times() {
        return PictureTimes.even(rate(), files.size());
    }

    @Override
    public int turnDegrees() {
        return 0;
    }

    @Override
    public FrameRate rate() {
        return FrameRate.FILM;
    }

    @Override
    public double startSeconds() {
        return 0;
    }

    @Override
    public Picture picture(int n) throws PictureUnavailableException {
        if (n < 0 || n >= files.size()) {
            throw new PictureUnavailableException(
                    "The run has pictures 0 to " + (files.size() - 1) + " (counted from 0), and no picture " + n + ".");
        }
        try (VideoClip one = VideoClip.open(files.get(n))) {
            return one.picture(0);
        } catch (UnreadableException e) {
            throw new PictureUnavailableException(e.getMessage(), e);
        }
    }

    @Override
    public void close() {
        // No file stays open between two pictures.
    }
}
