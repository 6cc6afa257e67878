package chalktrace.app.space;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.Lane;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Staging;
import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/**
 * The keys of a model's camera: between two an arc when the camera eases, a straight line when it goes evenly, a bar at the end of a stay that is
 * cut. A drag moves a key, a double click on it changes how the camera goes on, one beside it sets or removes a key at the gate.
 */
final class CameraLane extends Lane {

    private static final double HEIGHT = 26;
    private static final double REACH_PX = 8;

    private final CameraWork work;

    CameraLane(CameraWork work, BenchScale scale) {
        super(Words.MODELS.of("camera-lane"), HEIGHT, work.session(), scale);
        this.work = work;
        repaintOn(work.chosenProperty());
    }

    private List<CameraKey> keys() {
        return work.current().flatMap(Footage::staging).map(Staging::keys).orElse(List.of());
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        List<CameraKey> keys = keys();
        double low = height - 6;
        g.setLineWidth(1.5);
        g.setStroke(tones().quiet());
        for (int i = 0; i + 1 < keys.size(); i++) {
            double from = middle(keys.get(i), width);
            double to = middle(keys.get(i + 1), width);
            switch (keys.get(i).move()) {
                case EVEN -> g.strokeLine(from, low, to, low);
                case EASED -> arc(g, from, to, low);
                case CUT -> {
                    double cut = scale().x(keys.get(i + 1).frame(), width);
                    g.strokeLine(cut, 3, cut, height - 3);
                }
            }
        }
        for (CameraKey key : keys) {
            paintKey(g, middle(key, width), low, key.frame() == work.frame());
        }
    }

    private static void arc(GraphicsContext g, double from, double to, double low) {
        double third = (to - from) * 0.3;
        double middle = (from + to) / 2;
        g.beginPath();
        g.moveTo(from, low);
        g.bezierCurveTo(from + third, low, from + third, 5, middle, 5);
        g.bezierCurveTo(to - third, 5, to - third, low, to, low);
        g.stroke();
    }

    /** A small lens: wide where it looks. */
    private void paintKey(GraphicsContext g, double x, double low, boolean atGate) {
        g.setFill(atGate ? tones().accent() : tones().text());
        g.fillPolygon(new double[] {x - 6, x + 6, x + 3, x - 3}, new double[] {low - 7, low - 7, low + 1, low + 1}, 4);
        g.fillRect(x - 4, low + 2, 8, 3);
    }

    private double middle(CameraKey key, double width) {
        return scale().x(key.frame() + 0.5, width);
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().text());
        keys().forEach(key -> g.fillRect(middle(key, width) - 1, 1, 2, height - 3));
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        return at(x).map(key -> new Grab(
                Cursor.H_RESIZE,
                () -> session().transport().go(key.frame()),
                frames -> moved(key, key.frame() + (int) Math.round(frames))));
    }

    private Edit moved(CameraKey key, int to) {
        int frame = session().shot().setup().clamp(to);
        return work.edit(
                Words.MODELS.of("move-a-key-of-the"),
                work.current().map(Footage::id).orElse(""),
                staging -> frame == key.frame()
                        ? staging
                        : staging.withoutKey(key.frame()).withKey(key.withFrame(frame)));
    }

    @Override
    protected void doubleClick(double x, double y) {
        work.current().ifPresent(clip -> at(x).ifPresentOrElse(
                        key -> {
                            CameraKey.Move[] moves = CameraKey.Move.values();
                            CameraKey.Move next = moves[(key.move().ordinal() + 1) % moves.length];
                            work.change(
                                    Words.MODELS.of("change-the-cameras-move"),
                                    clip.id(),
                                    s -> s.withKey(key.withMove(next)));
                        },
                        () -> work.keyOrNot(clip.id())));
    }

    private Optional<CameraKey> at(double x) {
        return keys().stream()
                .filter(key -> Math.abs(x - middle(key, getWidth())) <= REACH_PX)
                .findFirst();
    }
}
