package chalktrace.core.check;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import java.util.List;
import java.util.stream.Stream;

/** A drawing shows nowhere. */
final class NeverShown implements Check {

    @Override
    public String id() {
        return "never-shown";
    }

    @Override
    public List<Finding> of(Shot shot) {
        return shot.levels().stream()
                .flatMap(level -> level.drawings().stream()
                        .map(Drawing::number)
                        .filter(number -> level.exposures().showing(number).isEmpty())
                        .filter(number -> !isOfAChart(shot, level, number))
                        .map(number -> new Finding(id(), level.id(), 0, number, false)))
                .toList();
    }

    /** A mouth that nobody says in this shot is no mistake. */
    private static boolean isOfAChart(Shot shot, Level level, int drawing) {
        return level.style().role() == LevelStyle.Role.MOUTH
                && Stream.concat(Stream.of(shot.speech().speaker()), shot.speech().others().stream())
                        .anyMatch(speaker ->
                                speaker.chart().mouthOfDrawing(drawing).isPresent());
    }
}
