package chalktrace.core.check;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import java.util.List;

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
                        .map(number -> new Finding(id(), level.id(), 0, number, false)))
                .toList();
    }
}
