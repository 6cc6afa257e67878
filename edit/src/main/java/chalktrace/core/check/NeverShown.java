package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.Optional;
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

    @Override
    public Optional<Edit> mend(Finding finding) {
        return Optional.of(new Edit(
                EditWords.TEXTS.of("remove-a-drawing-that-shows-nowhere"),
                shot -> shot.withLevel(
                        finding.level(),
                        level -> level.exposures().showing(finding.drawing()).isEmpty()
                                ? level.without(finding.drawing())
                                : level)));
    }

    /** A mouth that nobody says in this shot is no mistake. */
    private static boolean isOfAChart(Shot shot, Level level, int drawing) {
        return level.style().role() == LevelStyle.Role.MOUTH
                && Stream.concat(Stream.of(shot.speech().speaker()), shot.speech().others().stream())
                        .anyMatch(speaker ->
                                speaker.chart().mouthOfDrawing(drawing).isPresent());
    }
}
