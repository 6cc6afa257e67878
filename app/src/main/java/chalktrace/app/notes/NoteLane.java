package chalktrace.app.notes;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.TypingLane;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.shot.Mark;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/**
 * The shot's notes on their frames: a double click writes one or changes it, an empty one goes, a drag takes it to another frame. A note is cut where
 * the next begins.
 */
final class NoteLane extends TypingLane {

    private static final double HEIGHT = 22;
    private static final double PADDING = 4;
    private static final double LETTER_PX = 5.5;

    NoteLane(Session session, BenchScale scale) {
        super(Words.DESK.of("notes"), HEIGHT, session, scale);
    }

    private List<Mark> notes() {
        return shown().marks().stream()
                .filter(mark -> mark.kind() == Mark.Kind.NOTE && mark.isOfShot())
                .toList();
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(11));
        g.setTextBaseline(VPos.CENTER);
        List<Mark> notes = notes();
        for (int i = 0; i < notes.size(); i++) {
            double x = scale().x(notes.get(i).frame(), width);
            double end = i + 1 < notes.size() ? scale().x(notes.get(i + 1).frame(), width) : width;
            if (end < 0 || x > width) {
                continue;
            }
            g.setFill(tones().accent());
            g.fillRect(x, 2, 2, height - 5);
            g.save();
            g.beginPath();
            g.rect(x, 0, Math.max(0, end - x - PADDING), height);
            g.clip();
            g.setFill(tones().text());
            g.fillText(notes.get(i).text(), x + PADDING + 2, height / 2);
            g.restore();
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().accent());
        notes().forEach(note -> g.fillRect(scale().x(note.frame(), width), 1, 3, height - 3));
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        return at(x).map(note -> new Grab(
                Cursor.H_RESIZE,
                () -> session().transport().go(note.frame()),
                frames -> moved(note, note.frame() + (int) Math.round(frames))));
    }

    private Edit moved(Mark note, int to) {
        int frame = session().shot().setup().clamp(to);
        return frame == note.frame()
                ? new Edit(Words.DESK.of("move-a-note"), shot -> shot)
                : new Edit(Words.DESK.of("move-a-note"), shot -> MarkEdits.note(frame, note.text())
                        .change()
                        .apply(MarkEdits.note(note.frame(), "").change().apply(shot)));
    }

    @Override
    protected void doubleClick(double x, double y) {
        int frame = at(x).map(Mark::frame).orElse((int) Math.floor(scale().frame(x, getWidth())));
        if (shown().setup().frames().contains(frame)) {
            String text = at(x).map(Mark::text).orElse("");
            typeOrEmpty(scale().x(frame, getWidth()), text, typed -> session()
                    .document()
                    .apply(MarkEdits.note(frame, typed)));
        }
    }

    /** The note whose text, or whose frame, lies there. */
    private Optional<Mark> at(double x) {
        double frame = scale().frame(x, getWidth());
        return notes().stream()
                .filter(note -> frame >= note.frame()
                        && x
                                < scale().x(note.frame() + 1, getWidth())
                                        + note.text().length() * LETTER_PX)
                .reduce((before, after) -> after);
    }
}
