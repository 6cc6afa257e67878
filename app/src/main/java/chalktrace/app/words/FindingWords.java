package chalktrace.app.words;

import chalktrace.core.check.Finding;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;

/** What a check has found, as a sentence. */
public final class FindingWords {

    private FindingWords() {}

    /** With the frame in the shot's own numbering, as the window counts. */
    public static String onScreen(Shot shot, Finding finding) {
        return sentence(shot, finding, shot.setup().number(finding.frame()));
    }

    /** With the frame counted from 0, as the command line counts. */
    public static String fromZero(Shot shot, Finding finding) {
        return sentence(shot, finding, finding.frame());
    }

    private static String sentence(Shot shot, Finding finding, int frame) {
        String level = shot.level(finding.level()).map(Level::name).orElse("");
        return Words.TRACE.of("check." + finding.check(), level, frame, finding.drawing());
    }
}
