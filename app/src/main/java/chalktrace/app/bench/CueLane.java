package chalktrace.app.bench;

import chalktrace.app.session.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.edit.MarkEdits;
import chalktrace.core.shot.Cue;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** Moments in the sound that the picture must meet. */
final class CueLane extends TypingLane {

    private static final double REACH_PX = 7;

    CueLane(Session session, BenchScale scale) {
        super("cues", 22, session, scale);
    }

    /** Sets a cue at the gate and asks for its name. */
    void typeAtGate() {
        double seconds =
                session().shot().setup().rate().seconds(session().transport().frame());
        type(scale().xOfSeconds(seconds, getWidth()), 0, "", false, (text, on) -> session()
                .document()
                .apply(MarkEdits.addCue(new Cue(session().shot().newId("cue"), text, seconds))));
    }

    @Override
    void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(11));
        g.setTextBaseline(VPos.CENTER);
        for (Cue cue : shown().cues()) {
            double x = scale().xOfSeconds(cue.seconds(), width);
            boolean chosen = session().selection().isChosen(Item.Kind.CUE, cue.id());
            g.setFill(chosen ? tones().accent() : tones().good());
            g.fillPolygon(new double[] {x - 4, x + 4, x}, new double[] {3, 3, 10}, 3);
            g.fillRect(x - 0.5, 3, 1, height - 4);
            g.setFill(chosen ? tones().accent() : tones().text());
            g.fillText(cue.name(), x + 6, height / 2);
        }
    }

    @Override
    void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().good());
        for (Cue cue : shown().cues()) {
            g.fillRect(scale().xOfSeconds(cue.seconds(), width) - 1, 1, 2, height - 3);
        }
    }

    @Override
    Optional<Grab> grab(double x, double y) {
        return at(x).map(cue -> new Grab(
                Cursor.H_RESIZE,
                () -> session().selection().itemProperty().set(new Item(Item.Kind.CUE, cue.id())),
                frames -> MarkEdits.changeCue(
                        "move the cue " + cue.name(),
                        new Cue(
                                cue.id(),
                                cue.name(),
                                Math.max(
                                        0,
                                        cue.seconds()
                                                + frames
                                                        / session()
                                                                .shot()
                                                                .setup()
                                                                .rate()
                                                                .framesPerSecond())))));
    }

    @Override
    void doubleClick(double x, double y) {
        at(x).ifPresent(cue ->
                type(scale().xOfSeconds(cue.seconds(), getWidth()), 0, cue.name(), false, (text, on) -> session()
                        .document()
                        .apply(MarkEdits.changeCue("rename a cue", new Cue(cue.id(), text, cue.seconds())))));
    }

    private Optional<Cue> at(double x) {
        return session().shot().cues().stream()
                .filter(cue -> Math.abs(x - scale().xOfSeconds(cue.seconds(), getWidth())) <= REACH_PX)
                .findFirst();
    }
}
