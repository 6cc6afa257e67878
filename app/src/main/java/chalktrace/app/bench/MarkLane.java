package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import java.util.HashMap;
import java.util.Map;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;

/** Frame numbers: a key's is circled, a breakdown's underlined, as on paper; quiet ones between give the measure. */
final class MarkLane extends Lane {

    /** How strong a proposed mark is beside one that was set. */
    private static final double PROPOSED = 0.55;

    private static final double LEAST_BETWEEN_NUMBERS = 44;
    private static final int[] STEPS = {1, 2, 4, 6, 12, 24, 48, 120, 240, 480, 1200, 2400, 12_000, 120_000};

    MarkLane(Session session, BenchScale scale) {
        super(Words.DESK.of("marks"), 22, session, scale);
        repaintOn(session.view().proposedMarksProperty(), session.view().keptFrameProperty());
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        Shot shot = shown();
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.CENTER);
        g.setFont(Theme.mono(11));
        int step = step();
        int first = Math.max(0, (int) Math.floor(scale().frame(-20, width)));
        int last = Math.min(shot.setup().length() - 1, (int) Math.ceil(scale().frame(width + 20, width)));
        Map<Integer, Mark> poses = poses(shot);
        for (int frame = first; frame <= last; frame++) {
            double x = scale().x(frame + 0.5, width);
            Mark mark = poses.get(frame);
            if (mark != null) {
                marked(g, mark, shot.setup().number(frame), x, height);
            } else if (frame % step == 0 && isFree(shot, frame)) {
                g.setFill(tones().quiet());
                g.fillText(Integer.toString(shot.setup().number(frame)), x, height / 2);
            } else if (scale().pixelsPerFrame() >= 6) {
                g.setFill(tones().line());
                g.fillRect(Math.floor(x), height / 2 - 1, 1, 3);
            }
        }
        g.setGlobalAlpha(PROPOSED);
        for (Mark proposed : session().view().proposedMarksProperty().get()) {
            int frame = proposed.frame();
            double x = scale().x(frame + 0.5, width);
            if (frame < first || frame > last || poses.containsKey(frame)) {
                continue;
            }
            if (hasRoom(shot, frame)) {
                marked(g, proposed, shot.setup().number(frame), x, height);
            } else {
                // No room for its number beside a mark.
                g.setFill(tones().text());
                g.fillRect(Math.floor(x), height - 6, 1.5, 5);
            }
        }
        g.setGlobalAlpha(1);
        g.setFill(tones().accent());
        for (Mark note : shot.marks()) {
            if (!note.isPose() && note.frame() >= first && note.frame() <= last) {
                g.fillRect(scale().x(note.frame() + 0.5, width) - 2, 0, 5, 3);
            }
        }
        g.setTextAlign(TextAlignment.LEFT);
        keptFrame(g, width, height);
    }

    private static Map<Integer, Mark> poses(Shot shot) {
        Map<Integer, Mark> out = new HashMap<>();
        for (Mark mark : shot.marks()) {
            if (mark.isOfShot() && mark.isPose()) {
                out.putIfAbsent(mark.frame(), mark);
            }
        }
        return out;
    }

    /** The frame that flipping shows stands in a frame of its own, once one is kept. */
    private void keptFrame(GraphicsContext g, double width, double height) {
        int kept = session().view().keptFrameProperty().get();
        if (kept > 0 && kept < shown().setup().length()) {
            double wide = Math.max(7, scale().pixelsPerFrame());
            g.setStroke(tones().quiet());
            g.setLineWidth(1);
            g.strokeRect(Math.floor(scale().x(kept + 0.5, width) - wide / 2) + 0.5, 0.5, Math.round(wide), height - 1);
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().text());
        for (Mark mark : shown().marks()) {
            g.fillRect(scale().x(mark.frame(), width), 1, Math.max(2, scale().pixelsPerFrame()), height - 3);
        }
    }

    @Override
    protected void doubleClick(double x, double y) {
        int frame = (int) Math.floor(scale().frame(x, getWidth()));
        if (shown().setup().frames().contains(frame)) {
            session().document().apply(MarkEdits.turn(frame));
        }
    }

    private static void marked(GraphicsContext g, Mark mark, int number, double x, double height) {
        String text = Integer.toString(number);
        double half = 4 + 3.4 * text.length();
        g.setFill(tones().text());
        g.fillText(text, x, height / 2);
        g.setStroke(tones().text());
        g.setLineWidth(1.2);
        if (mark.kind() == Mark.Kind.KEY) {
            g.strokeOval(x - half, 1.5, 2 * half, height - 4);
        } else if (mark.kind() == Mark.Kind.BREAKDOWN) {
            g.strokeLine(x - half + 3, height - 3.5, x + half - 3, height - 3.5);
        } else {
            // An in-between has a short tick under its number.
            g.strokeLine(x, height - 4.5, x, height - 1.5);
        }
    }

    private int step() {
        for (int step : STEPS) {
            if (step * scale().pixelsPerFrame() >= LEAST_BETWEEN_NUMBERS) {
                return step;
            }
        }
        return STEPS[STEPS.length - 1];
    }

    /** Whether a number would not run into that of a mark. */
    private boolean hasRoom(Shot shot, int frame) {
        double room = 26 / scale().pixelsPerFrame();
        return shot.marks().stream().noneMatch(mark -> Math.abs(mark.frame() - frame) < room);
    }

    /** Whether a quiet number would not run into a mark. */
    private boolean isFree(Shot shot, int frame) {
        double room = 26 / scale().pixelsPerFrame();
        return hasRoom(shot, frame)
                && session().view().proposedMarksProperty().get().stream()
                        .noneMatch(mark -> Math.abs(mark.frame() - frame) < room);
    }
}
