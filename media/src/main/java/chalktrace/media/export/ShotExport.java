package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.codec.MovieEncoder;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;

/**
 * Hands a shot on: as a movie with its sound, or as numbered pictures. Files come into place whole; work that is ended or
 * fails leaves nothing behind. Footage is left out unless asked for.
 */
public final class ShotExport {

    private static final String KEPT = "Nothing was left half written.";

    private final Shot shot;
    private final boolean withFootage;
    private final Progress progress;

    public ShotExport(Shot shot, boolean withFootage, Progress progress) {
        this.shot = shot;
        this.withFootage = withFootage;
        this.progress = progress;
    }

    /**
     * What became of an export.
     *
     * @param complete false when it was ended before its time
     * @param problems pictures that could not be read, one sentence each
     */
    public record Outcome(boolean complete, int frames, List<String> problems) {}

    /**
     * Writes an MP4 of H.264 and AAC. A side of an odd number of pixels gets one more, a copy of its edge, as H.264 has
     * none.
     */
    public Outcome movie(Path target) throws UnreadableException, UnwritableException, InterruptedException {
        Path temporary = target.resolveSibling("." + target.getFileName() + ".writing");
        try (ShotSources sources = ShotSources.open(shot, withFootage)) {
            boolean complete = encode(sources, temporary);
            if (complete) {
                Files.move(temporary, target, StandardCopyOption.REPLACE_EXISTING);
            }
            return new Outcome(complete, shot.setup().length(), sources.problems());
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", KEPT, e);
        } finally {
            discard(temporary);
        }
    }

    /** Writes "name.0001.png" and so on into a folder, numbered as the shot shows its frames. */
    public Outcome pictures(Path folder) throws UnreadableException, UnwritableException, InterruptedException {
        List<Path> written = new ArrayList<>();
        boolean complete = false;
        try (ShotSources sources = ShotSources.open(shot, withFootage);
                FrameFeed frames = new FrameFeed(shot, sources, withFootage)) {
            Files.createDirectories(folder);
            complete = true;
            for (int f = 0; f < shot.setup().length() && complete; f++) {
                Path file = folder.resolve(pictureName(f));
                written.add(file);
                png(frames.next(), shot.setup().size(), file);
                complete = progress.at(f + 1, shot.setup().length());
            }
            return new Outcome(complete, shot.setup().length(), sources.problems());
        } catch (IOException e) {
            complete = false;
            throw UnwritableException.of(folder, "written", KEPT, e);
        } finally {
            if (!complete) {
                written.forEach(ShotExport::discard);
            }
        }
    }

    /** Writes a PNG of opaque words. */
    public static void png(int[] argb, PictureSize size, Path file) throws IOException {
        BufferedImage image = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, size.width(), size.height(), argb, 0, size.width());
        try (OutputStream out = Files.newOutputStream(file)) {
            ImageIO.write(image, "png", out);
        }
    }

    private boolean encode(ShotSources sources, Path temporary) throws IOException, InterruptedException {
        PictureSize size = shot.setup().size();
        PictureSize even = new PictureSize(size.width() + size.width() % 2, size.height() + size.height() % 2);
        ShotMix mix = ShotMix.of(shot, sources);
        FrameRate rate = shot.setup().rate();
        int total = shot.setup().length();
        try (MovieEncoder encoder = new MovieEncoder(temporary, even, rate, !mix.isSilent());
                FrameFeed frames = new FrameFeed(shot, sources, withFootage)) {
            for (int f = 0; f < total; f++) {
                long from = firstSample(rate, f);
                encoder.add(
                        widened(frames.next(), size, even), mix.render(from, (int) (firstSample(rate, f + 1) - from)));
                if (!progress.at(f + 1, total)) {
                    return false;
                }
            }
            encoder.finish();
            return true;
        }
    }

    private static long firstSample(FrameRate rate, int frame) {
        return Math.round(rate.seconds(frame) * ShotMix.SAMPLE_RATE);
    }

    private static int[] widened(int[] pixels, PictureSize from, PictureSize to) {
        if (from.equals(to)) {
            return pixels;
        }
        int[] out = new int[to.width() * to.height()];
        for (int y = 0; y < to.height(); y++) {
            int row = Math.min(y, from.height() - 1) * from.width();
            System.arraycopy(pixels, row, out, y * to.width(), from.width());
            out[y * to.width() + to.width() - 1] = pixels[row + from.width() - 1];
        }
        return out;
    }

    private String pictureName(int frame) {
        String stem = shot.name().replaceAll("[^\\p{L}\\p{N} _-]", "_");
        return String.format(Locale.ROOT, "%s.%04d.png", stem, shot.setup().number(frame));
    }

    private static void discard(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // A hidden leftover; the sentence about the export matters more.
        }
    }
}
