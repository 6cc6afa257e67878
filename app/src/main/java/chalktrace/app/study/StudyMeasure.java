package chalktrace.app.study;

import chalktrace.core.motion.MovingPoint;
import java.util.OptionalDouble;

/** What the graph shows of each point. */
enum StudyMeasure {
    SPACING("Spacing", "px a frame"),
    HEIGHT("Height", "px above the picture's lower edge"),
    ACROSS("Across", "px from the picture's left edge");

    private final String title;
    private final String unit;

    StudyMeasure(String title, String unit) {
        this.title = title;
        this.unit = unit;
    }

    String title() {
        return title;
    }

    String unit() {
        return unit;
    }

    /** @param heightPx of the picture */
    OptionalDouble of(MovingPoint point, int frame, double heightPx) {
        return switch (this) {
            case SPACING -> point.spacing(frame);
            case HEIGHT -> point.knows(frame) ? OptionalDouble.of(heightPx - point.y(frame)) : OptionalDouble.empty();
            case ACROSS -> point.knows(frame) ? OptionalDouble.of(point.x(frame)) : OptionalDouble.empty();
        };
    }
}
