package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import chalktrace.media.codec.MovieEncoder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** An MP4 of H.264 and AAC. A side of an odd number of pixels gets one more, a copy of its edge, as H.264 has none. */
final class MovieExporter implements Exporter {

    @Override
    public String id() {
        return "movie";
    }

    @Override
    public String title() {
        return "Export movie";
    }

    @Override
    public List<String> endings() {
        return List.of(".mp4");
    }

    @Override
    public boolean showsFootage() {
        return true;
    }

    @Override
    public Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException {
        try (ShotSources sources = ShotSources.open(shot, choices.withFootage());
                WrittenFile file = new WrittenFile(target)) {
            boolean complete = encode(shot, sources, choices, file.path(), progress);
            if (complete) {
                file.done();
            }
            return new Outcome(complete, shot.setup().length(), sources.problems());
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", WrittenFile.KEPT, e);
        }
    }

    private static boolean encode(Shot shot, ShotSources sources, Choices choices, Path file, Progress progress)
            throws IOException, InterruptedException {
        PictureSize size = shot.setup().size();
        PictureSize even = new PictureSize(size.width() + size.width() % 2, size.height() + size.height() % 2);
        ShotMix mix = ShotMix.of(shot, sources);
        FrameRate rate = shot.setup().rate();
        int total = shot.setup().length();
        try (MovieEncoder encoder = new MovieEncoder(file, even, rate, !mix.isSilent());
                FrameFeed frames = new FrameFeed(shot, sources, choices.withFootage())) {
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
}
