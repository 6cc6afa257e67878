package chalktrace.app.board;

import chalktrace.app.words.Words;
import chalktrace.core.guide.Guide;

/** What a guide is called in lists. */
public final class GuideWords {

    private GuideWords() {}

    public static String of(Guide guide) {
        return switch (guide.kind()) {
            case LINE -> Words.TRACE.of("line");
            case ELLIPSE -> Words.TRACE.of("ellipse");
            case FLOOR ->
                Words.TRACE.of("floor-at-px", Math.round(guide.point(0).y()));
            case HEIGHT ->
                Words.TRACE.of("height-at-px", Math.round(guide.point(0).y()));
            case ONE_POINT -> Words.TRACE.of("perspective-to-one-point");
            case TWO_POINTS -> Words.TRACE.of("perspective-to-two-points");
        };
    }
}
