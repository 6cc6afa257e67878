package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import chalktrace.media.codec.AnimatedWebp;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A WebP that moves: a video without sound. One that does not is a picture. */
final class WebpKind implements FootageKind {

    /** Its frames are timed in thousandths of a second. */
    private static final double TICK = 0.001;

    /** Safe for threads, one at a time. */
    private static final class Clip implements Reference {

        private final AnimatedWebp webp;
        private final PictureTimes times;

        Clip(AnimatedWebp webp) {
            this.webp = webp;
            this.times = webp.times();
        }

        @Override
        public Kind kind() {
            return Kind.VIDEO;
        }

        @Override
        public PictureSize displaySize() {
            return webp.size();
        }

        @Override
        public PictureTimes times() {
            return times;
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public FrameRate rate() {
            int count = times.count();
            double mean = count / times.endSeconds(count - 1);
            // Each time is rounded, and the next counts from it: by half a tick a picture at most.
            return times.evenRate(Optional.empty(), TICK * (1 + count / 2.0))
                    .orElseGet(() -> new FrameRate((int) Math.max(1, Math.round(mean * 1000)), 1000));
        }

        @Override
        public double startSeconds() {
            return 0;
        }

        @Override
        public synchronized Picture picture(int n) throws PictureUnavailableException {
            return webp.picture(n);
        }

        @Override
        public synchronized void close() {
            webp.close();
        }
    }

    @Override
    public boolean accepts(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return name.endsWith(".webp") && Files.isRegularFile(file) && AnimatedWebp.is(file);
    }

    @Override
    public Collection<Path> files(Path file) {
        return List.of(file);
    }

    @Override
    public Reference open(Path file) throws UnreadableException {
        return new Clip(AnimatedWebp.open(file));
    }
}
