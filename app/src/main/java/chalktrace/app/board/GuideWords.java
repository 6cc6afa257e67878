package chalktrace.app.board;

import chalktrace.core.guide.Guide;

/** What a guide is called in lists. */
public final class GuideWords {

    private GuideWords() {}

    public static String of(Guide guide) {
        return switch (guide.kind()) {
            case LINE -> "line";
            case ELLIPSE -> "ellipse";
            case FLOOR -> "floor at " + Math.round(guide.point(0).y()) + " px";
            case HEIGHT -> "height at " + Math.round(guide.point(0).y()) + " px";
            case ONE_POINT -> "perspective to one point";
            case TWO_POINTS -> "perspective to two points";
        };
    }
}
