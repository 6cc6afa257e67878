package chalktrace.app.voice;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.TypingLane;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.sound.Onsets;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** Moments in the sound that the picture must meet. */
final class CueLane extends TypingLane {

    private final VoiceWork work;

    private static final double REACH_PX = 7;

    CueLane(VoiceWork work, BenchScale scale) {
        super(Words.DESK.of("cues"), 22, work.session(), scale);
        this.work = work;
        repaintOn(work.cueing().candidatesProperty());
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
    protected void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(11));
        g.setTextBaseline(VPos.CENTER);
        paintCandidates(g, width, height);
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

    /** What starts to sound and could be a cue: as high as it is strong, not filled. A click keeps it. */
    private void paintCandidates(GraphicsContext g, double width, double height) {
        g.setStroke(tones().good());
        g.setLineWidth(1);
        for (Onsets.Onset onset : work.cueing().candidatesProperty().get()) {
            double x = scale().xOfSeconds(onset.seconds(), width);
            double high = 3 + (height - 8) * onset.strength();
            g.strokeLine(x, height - 2, x, height - 2 - high);
            g.strokeOval(x - 2, height - 4 - high, 4, 4);
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().good());
        for (Cue cue : shown().cues()) {
            g.fillRect(scale().xOfSeconds(cue.seconds(), width) - 1, 1, 2, height - 3);
        }
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        return at(x).map(cue -> new Grab(
                        Cursor.H_RESIZE,
                        () -> session().selection().itemProperty().set(new Item(Item.Kind.CUE, cue.id())),
                        frames -> MarkEdits.changeCue(
                                Words.DESK.of("move-the-cue", cue.name()),
                                cue.withSeconds(Math.max(0, cue.seconds() + seconds(frames))))))
                .or(() -> candidate(x));
    }

    private Optional<Grab> candidate(double x) {
        return work.cueing().candidatesProperty().get().stream()
                .filter(onset -> Math.abs(x - scale().xOfSeconds(onset.seconds(), getWidth())) <= REACH_PX / 2)
                .findFirst()
                .map(onset -> new Grab(
                        Cursor.HAND,
                        () -> work.cueing().keep(List.of(onset), Cue.Kind.OTHER),
                        frames -> new Edit(Words.DESK.of("keep-a-cue"), shot -> shot)));
    }

    private double seconds(double frames) {
        return frames / session().shot().setup().rate().framesPerSecond();
    }

    @Override
    protected void doubleClick(double x, double y) {
        at(x).ifPresent(cue ->
                type(scale().xOfSeconds(cue.seconds(), getWidth()), 0, cue.name(), false, (text, on) -> session()
                        .document()
                        .apply(MarkEdits.changeCue(Words.DESK.of("rename-a-cue"), cue.withName(text)))));
    }

    private Optional<Cue> at(double x) {
        return session().shot().cues().stream()
                .filter(cue -> Math.abs(x - scale().xOfSeconds(cue.seconds(), getWidth())) <= REACH_PX)
                .findFirst();
    }
}
