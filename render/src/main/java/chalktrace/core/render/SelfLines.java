package chalktrace.core.render;

import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A drawing as it is handed on, with each self line in the colour of the paint beside it. A self line with no paint on
 * either side is left out.
 *
 * @param chalks those of the shot and, for each colour that a self line takes on, one more
 */
record SelfLines(Drawing drawing, List<Chalk> chalks) {

    /** Along each line this many places are looked at on both sides. */
    private static final int PLACES = 9;

    private static final double BESIDE_PX = 2;

    /** @param chalks as the level shows them */
    static SelfLines of(Shot shot, Level level, Drawing drawing, int frame, List<Chalk> chalks) {
        if (shot.chalks().stream().noneMatch(chalk -> chalk.role() == Chalk.Role.SELF_LINE)) {
            return new SelfLines(drawing, chalks);
        }
        List<Fill> fills = new ArrayList<>(drawing.fills());
        shot.levels().stream()
                .filter(other ->
                        other.style().paints().filter(level.id()::equals).isPresent())
                .flatMap(other -> other.drawingAt(frame).stream())
                .forEach(paint -> fills.addAll(paint.fills()));
        List<Chalk> all = new ArrayList<>(chalks);
        List<Stroke> strokes = new ArrayList<>();
        for (Stroke stroke : drawing.strokes()) {
            Chalk chalk = shot.chalk(stroke.chalk());
            Optional<Chalk> paint = chalk.role() == Chalk.Role.SELF_LINE
                    ? beside(stroke.curve(), chalk.width(), fills).map(shot::chalk)
                    : Optional.empty();
            if (paint.isEmpty()) {
                strokes.add(stroke);
                continue;
            }
            // An id with a space is none that a shot gives to its own chalks.
            String id = chalk.id() + " in " + paint.get().id();
            if (all.stream().noneMatch(known -> known.id().equals(id))) {
                all.add(new Chalk(
                        id, id, paint.get().color(), chalk.line(), paint.get().opacity(), Chalk.Role.LINE));
            }
            strokes.add(stroke.withChalk(id));
        }
        return new SelfLines(drawing.withStrokes(strokes), all);
    }

    /** The chalk of the paint that lies beside a line at most of its places; the front one counts. */
    private static Optional<String> beside(Curve curve, double width, List<Fill> fills) {
        Map<String, Integer> votes = new HashMap<>();
        double away = width / 2 + BESIDE_PX;
        for (int i = 0; i < PLACES; i++) {
            double place = curve.segments() * (i + 0.5) / PLACES;
            double step = 1e-3;
            double dx = curve.at(Math.min(curve.segments(), place + step), 0) - curve.at(Math.max(0, place - step), 0);
            double dy = curve.at(Math.min(curve.segments(), place + step), 1) - curve.at(Math.max(0, place - step), 1);
            double length = Math.max(1e-12, Math.hypot(dx, dy));
            for (int side = -1; side <= 1; side += 2) {
                double x = curve.at(place, 0) - side * away * dy / length;
                double y = curve.at(place, 1) + side * away * dx / length;
                for (int f = fills.size() - 1; f >= 0; f--) {
                    if (fills.get(f).area().contains(x, y)) {
                        votes.merge(fills.get(f).chalk(), 1, Integer::sum);
                        break;
                    }
                }
            }
        }
        return votes.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }
}
