package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.codec.MovieFormat;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A movie. Where the coding has no sides of an odd number of pixels, such a side gets one more, a copy of its edge.
 *
 * @param clear for pictures without paper; none where the kind has no opacity
 */
record MovieExporter(String id, String title, List<String> endings, MovieFormat opaque, MovieFormat clear)
        implements Exporter {

    /** In good quality: small pictures have more edges for a pixel. */
    private static final double LEAST_BITS_PER_SECOND = 600_000;

    static final MovieExporter MP4 =
            new MovieExporter("movie", "Movie (MP4, H.264)", List.of(".mp4"), MovieFormat.MP4, null);

    static final MovieExporter PRORES = new MovieExporter(
            "prores", "Movie to edit (MOV, ProRes)", List.of(".mov"), MovieFormat.PRORES, MovieFormat.PRORES_CLEAR);

    static final MovieExporter WEBM = new MovieExporter(
            "webm", "Movie for the web (WebM, VP9)", List.of(".webm"), MovieFormat.WEBM, MovieFormat.WEBM_CLEAR);

    static final MovieExporter LOSSLESS = new MovieExporter(
            "lossless",
            "Movie without loss (MKV, FFV1)",
            List.of(".mkv"),
            MovieFormat.LOSSLESS,
            MovieFormat.LOSSLESS_CLEAR);

    static final MovieExporter ANIMATED_WEBP = new MovieExporter(
            "webp", "Loop (animated WebP)", List.of(".webp"), MovieFormat.ANIMATED_WEBP, MovieFormat.ANIMATED_WEBP);

    @Override
    public List<Choice<?>> choices() {
        List<Choice<?>> all = new ArrayList<>(List.of(Chosen.RANGE, Chosen.SIZE));
        all.add(clear == null ? Chosen.OPAQUE_PAPER : Chosen.PAPER);
        all.addAll(List.of(Chosen.LEVELS, Chosen.FOOTAGE, Chosen.BURN_IN));
        if (!opaque.sound().isEmpty()) {
            all.add(Chosen.SOUND);
        }
        if (opaque.bits() > 0) {
            all.add(Chosen.QUALITY);
        }
        return List.copyOf(all);
    }

    @Override
    public Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException {
        try (ShotSources sources = ShotSources.open(shot, choices.get(Chosen.FOOTAGE));
                FrameFeed frames = new FrameFeed(shot, sources, choices);
                WrittenFile file = new WrittenFile(target)) {
            MovieFormat format = frames.isClear() ? clear : opaque;
            PictureSize size = frames.size();
            PictureSize coded = format.even() ? even(size) : size;
            boolean complete = encode(shot, sources, choices, frames, format, coded, file.path(), progress);
            if (complete) {
                file.done();
            }
            List<String> told = new ArrayList<>(sources.problems());
            if (!coded.equals(size)) {
                told.add("Pictures of " + size + " were written as " + coded
                        + ", as this kind of movie needs even sides.");
            }
            return new Outcome(complete, frames.frames().frames(), told);
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", WrittenFile.KEPT, e);
        }
    }

    private static boolean encode(
            Shot shot,
            ShotSources sources,
            Choices choices,
            FrameFeed feed,
            MovieFormat format,
            PictureSize coded,
            Path file,
            Progress progress)
            throws IOException, InterruptedException {
        ShotMix mix = ShotMix.of(shot, sources);
        FrameRate rate = shot.setup().rate();
        FrameRange frames = feed.frames();
        boolean sounds = choices.get(Chosen.SOUND) && !mix.isSilent();
        double pixels = coded.width() * coded.height() * rate.framesPerSecond();
        double bits = choices.get(Chosen.QUALITY).share() * Math.max(format.bits(), LEAST_BITS_PER_SECOND / pixels);
        try (MovieEncoder encoder = new MovieEncoder(file, format, coded, rate, sounds, bits)) {
            for (int f = frames.start(); f < frames.end(); f++) {
                int[] words = feed.next();
                if (feed.isClear() && format.mixesColours()) {
                    ClearEdges.spread(words, feed.size());
                }
                long from = firstSample(rate, f);
                encoder.add(
                        widened(words, feed.size(), coded),
                        sounds ? mix.render(from, (int) (firstSample(rate, f + 1) - from)) : new float[0]);
                if (!progress.at(f + 1 - frames.start(), frames.frames())) {
                    return false;
                }
            }
            encoder.finish();
            return true;
        }
    }

    private static PictureSize even(PictureSize size) {
        return new PictureSize(size.width() + size.width() % 2, size.height() + size.height() % 2);
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
