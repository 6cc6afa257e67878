package chalktrace.app.bench;

import chalktrace.app.footage.Thumbnails;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.time.FrameRange;
import chalktrace.media.footage.Reference;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;

/** Small pictures of the footage in front that runs, running under the gate; a file that is missing says so here. */
final class PictureLane extends Lane {

    private static final double WIDEST_ASPECT = 16.0 / 9;

    PictureLane(Session session, BenchScale scale) {
        super(Words.DESK.of("picture"), Thumbnails.HEIGHT + 2, session, scale);
        repaintOn(
                session.thumbnails().madeProperty(),
                session.footages().fittedProperty(),
                session.footages().problems());
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        front().ifPresent(clip -> pictures(g, width, clip));
    }

    @Override
    protected Optional<Standing> standing() {
        return front().map(clip -> session().footages().problems().get(clip.file()))
                .map(problem -> Standing.problem(problem, getHeight()));
    }

    /** Footage that runs tells more than a still in front of it. */
    private Optional<Footage> front() {
        return shown().footage().stream()
                .filter(clip -> clip.visible() && !clip.isStill())
                .findFirst()
                .or(() -> shown().footage().stream().findFirst());
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().edge());
        for (Footage clip : shown().footage()) {
            Reference reference = session().footages().opened().get(clip.file());
            if (reference != null) {
                FrameRange frames = clip.frames(shown().setup(), reference.times());
                g.fillRect(
                        scale().x(frames.start(), width),
                        height / 2 - 1,
                        frames.frames() * scale().pixelsPerFrame(),
                        2);
            }
        }
    }

    private void pictures(GraphicsContext g, double width, Footage clip) {
        int every = (int) Math.max(1, Math.ceil(Thumbnails.HEIGHT * WIDEST_ASPECT / scale().pixelsPerFrame()));
        double cell = every * scale().pixelsPerFrame();
        int first = Math.floorDiv((int) Math.floor(scale().frame(0, width)), every) * every;
        int last = (int) Math.ceil(scale().frame(width, width));
        for (int frame = Math.max(0, first);
                frame <= Math.min(last, shown().setup().length() - 1);
                frame += every) {
            double x = scale().x(frame, width);
            session().thumbnails().of(clip, frame, shown().setup()).ifPresent(image -> picture(g, image, x, cell));
        }
    }

    /** The middle of a small picture, as wide as its cell. */
    private static void picture(GraphicsContext g, Image image, double x, double cell) {
        double shown = Math.min(cell - 1, image.getWidth());
        g.drawImage(image, (image.getWidth() - shown) / 2, 0, shown, image.getHeight(), x, 0, shown, Thumbnails.HEIGHT);
    }
}
