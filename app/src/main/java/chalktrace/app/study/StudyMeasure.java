package chalktrace.app.study;

import chalktrace.app.words.Words;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.TrackPath;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/** What the graph shows of each point. */
enum StudyMeasure {
    SPACING(Words.STUDY.of("spacing"), Words.STUDY.of("px-a-frame")),
    DIRECTION(Words.STUDY.of("direction"), Words.STUDY.of("degrees-from-the-right-clockwise")),
    TURN(Words.STUDY.of("turn"), Words.STUDY.of("degrees-a-frame")),
    HEIGHT(Words.STUDY.of("height"), Words.STUDY.of("px-above-the-pictures-lower")),
    ACROSS(Words.STUDY.of("across"), Words.STUDY.of("px-from-the-pictures-left")),
    LENGTH(Words.STUDY.of("length"), Words.STUDY.of("px-from-a-point-to")),
    ANGLE(Words.STUDY.of("angle"), Words.STUDY.of("degrees-from-a-point-to")),
    SIZE(Words.STUDY.of("size"), Words.STUDY.of("percent-of-a-patchs-own"));

    /** What moves less than this in px has no direction. */
    private static final double LEAST_MOVE = 0.5;

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

    /** Whether it is one value after the other only because a full turn begins anew. */
    boolean comesRound(double before, double after) {
        return (this == DIRECTION || this == ANGLE) && Math.abs(after - before) > 180;
    }

    /** What is said where no point in view has it. */
    String needs() {
        return switch (this) {
            case LENGTH -> Words.STUDY.of("no-pair-in-view-give");
            case ANGLE -> Words.STUDY.of("no-pair-or-patch-in");
            case SIZE -> Words.STUDY.of("no-patch-in-view-give");
            default -> Words.STUDY.of("nothing-to-show-in-view");
        };
    }

    /** @param point as it is or smoothed @param heightPx of the picture */
    OptionalDouble of(StudyWork.MovingTrack track, MovingPoint point, int frame, double heightPx) {
        return switch (this) {
            case SPACING -> point.spacing(frame);
            case DIRECTION -> direction(track.smoothed(), frame);
            case TURN -> turn(track.smoothed(), frame);
            case HEIGHT -> known(point, frame, heightPx - point.y(frame));
            case ACROSS -> known(point, frame, point.x(frame));
            case LENGTH -> pair(track, frame, false);
            case ANGLE ->
                track.partner().isPresent() ? pair(track, frame, true) : patch(track, frame, TrackPath.Place::degrees);
            case SIZE -> patch(track, frame, place -> 100 * place.scale());
        };
    }

    private static OptionalDouble known(MovingPoint point, int frame, double value) {
        return point.knows(frame) ? OptionalDouble.of(value) : OptionalDouble.empty();
    }

    private static OptionalDouble direction(MovingPoint point, int frame) {
        return point.spacing(frame).orElse(0) < LEAST_MOVE
                ? OptionalDouble.empty()
                : OptionalDouble.of(degrees(point.x(frame) - point.x(frame - 1), point.y(frame) - point.y(frame - 1)));
    }

    private static OptionalDouble turn(MovingPoint point, int frame) {
        OptionalDouble before = direction(point, frame);
        OptionalDouble after = direction(point, frame + 1);
        return before.isEmpty() || after.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.IEEEremainder(after.getAsDouble() - before.getAsDouble(), 360));
    }

    private static OptionalDouble pair(StudyWork.MovingTrack track, int frame, boolean angle) {
        MovingPoint from = track.movement();
        if (track.partner().isEmpty()
                || !from.knows(frame)
                || !track.partner().get().knows(frame)) {
            return OptionalDouble.empty();
        }
        double x = track.partner().get().x(frame) - from.x(frame);
        double y = track.partner().get().y(frame) - from.y(frame);
        return OptionalDouble.of(angle ? degrees(x, y) : Math.hypot(x, y));
    }

    private static OptionalDouble patch(
            StudyWork.MovingTrack track, int frame, ToDoubleFunction<TrackPath.Place> value) {
        TrackPath.Place place = track.patch().get(frame);
        return place == null ? OptionalDouble.empty() : OptionalDouble.of(value.applyAsDouble(place));
    }

    private static double degrees(double x, double y) {
        return Math.toDegrees(Math.atan2(y, x));
    }
}
