package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Staging;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import chalktrace.media.model.ModelFiles;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * An opened model. On its own it is seen from the front, a little from the side, its first animation at 24 pictures a second; how a shot uses it
 * says {@link #of(Footage, ShotSetup)}. It holds no file open.
 */
public final class ModelReference implements Reference {

    private static final FrameRate RATE = FrameRate.of(24);
    private static final PictureSize SIZE = new PictureSize(1280, 720);

    private final Figure figure;
    private final Staging usual;
    private final PictureTimes times;

    private ModelReference(Figure figure) {
        this.figure = figure;
        this.usual = Staging.of(figure, SIZE);
        double seconds =
                figure.model().motion(usual.motion()).map(Motion::seconds).orElse(0.0);
        this.times = PictureTimes.even(RATE, Math.max(1, Math.min(ShotSetup.LONGEST, RATE.nearestFrame(seconds))));
    }

    /** @throws UnreadableException when it is no model, or is damaged */
    public static ModelReference open(Path file) throws UnreadableException {
        return new ModelReference(ModelFiles.read(file));
    }

    /** The same, with the animation that it borrows. */
    ModelReference borrowing(Borrowed borrowed, boolean zUp, Figure lender) {
        return new ModelReference(borrowed.on(figure, zUp, lender));
    }

    @Override
    public Optional<Figure> figure() {
        return Optional.of(figure);
    }

    @Override
    public PictureSource of(Footage use, ShotSetup setup) {
        return use.staging().isEmpty() ? this : new Staged(use, setup);
    }

    @Override
    public Kind kind() {
        return Kind.MODEL;
    }

    @Override
    public FrameRate rate() {
        return RATE;
    }

    @Override
    public double startSeconds() {
        return 0;
    }

    @Override
    public List<String> notes() {
        return figure.model().notes();
    }

    @Override
    public PictureSize displaySize() {
        return SIZE;
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
    public Picture picture(int n) {
        return usual.at(figure, n, RATE.seconds(n), SIZE).draw();
    }

    @Override
    public void close() {
        // Nothing is held open.
    }

    /** Its pictures in a shot: picture n is what frame n shows. */
    private final class Staged implements PictureSource {

        private final Footage use;
        private final ShotSetup setup;

        Staged(Footage use, ShotSetup setup) {
            this.use = use;
            this.setup = setup;
        }

        @Override
        public PictureSize displaySize() {
            return setup.size();
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
        public Picture picture(int n) {
            return use.staged(figure, n, setup).orElseThrow().draw();
        }
    }
}
