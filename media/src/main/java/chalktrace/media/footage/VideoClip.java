package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import chalktrace.media.codec.VideoDecoder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;

/** A video file. Its one decoder serves one caller at a time. */
public final class VideoClip implements Reference {

    private final VideoDecoder decoder;
    private final PictureSize displaySize;
    private final int turnDegrees;
    private final FrameRate rate;
    private final double startSeconds;

    private VideoClip(VideoDecoder decoder) {
        this.decoder = decoder;
        this.displaySize = decoder.displaySize();
        this.turnDegrees = decoder.turnDegrees();
        this.rate = decoder.rate();
        this.startSeconds = decoder.startSeconds();
    }

    /** @throws UnreadableException when the file is no video, is damaged, or has no picture */
    public static VideoClip open(Path file) throws UnreadableException {
        return new VideoClip(VideoDecoder.open(file));
    }

    @Override
    public Kind kind() {
        return Kind.VIDEO;
    }

    @Override
    public PictureSize displaySize() {
        return displaySize;
    }

    @Override
    public PictureTimes times() {
        return decoder.times();
    }

    @Override
    public int turnDegrees() {
        return turnDegrees;
    }

    @Override
    public FrameRate rate() {
        return rate;
    }

    @Override
    public double startSeconds() {
        return startSeconds;
    }

    @Override
    public Picture picture(int n) throws PictureUnavailableException {
        return picture(n, other -> false, (other, picture) -> {});
    }

    /** As {@link #picture(int)}; pictures that are decoded on the way and wanted go to the sink. */
    @Override
    public synchronized Picture picture(int n, IntPredicate wanted, Sink sink) throws PictureUnavailableException {
        return decoder.picture(n, wanted, sink);
    }

    @Override
    public synchronized Optional<String> doubt(int n) {
        return decoder.doubt(n);
    }

    @Override
    public List<String> notes() {
        List<String> notes = new ArrayList<>();
        if (decoder.isInterlaced()) {
            notes.add(
                    "Its pictures are interlaced: each holds two moments in turns of rows. One of them alone can be shown.");
        }
        if (!decoder.statesRate() && times().count() > 1) {
            notes.add("It does not state how fast its pictures follow each other: " + rate.spoken()
                    + " a second are taken. If it plays too fast or slow, change its speed.");
        }
        List<Integer> torn = decoder.tornBehind();
        if (!torn.isEmpty()) {
            notes.add("Its file is damaged behind picture " + torn.get(0) + " (counted from 0)"
                    + (torn.size() > 1 ? " and in " + (torn.size() - 1) + " more places" : "")
                    + ": pictures may be missing there. Copy it again from where it came.");
        }
        return notes;
    }

    @Override
    public synchronized void close() {
        decoder.close();
    }
}
