package chalktrace.app.words;

import chalktrace.core.version.ShotDifference;
import java.util.ArrayList;
import java.util.List;

/** What differs between two states of a shot, in words. */
public final class VersionWords {

    private static final int MOST = 4;

    private VersionWords() {}

    /** The first few things, such as "12 drawings on line, timing of rough". */
    public static String of(ShotDifference difference) {
        List<String> all = new ArrayList<>();
        difference.levels().forEach(level -> all.addAll(of(level)));
        if (difference.inAnotherOrder()) {
            all.add(Words.DESK.of("order-of-levels"));
        }
        difference.parts().forEach(part -> all.add(part.title()));
        if (all.isEmpty()) {
            return Words.DESK.of("nothing-changed");
        }
        String first = String.join(", ", all.subList(0, Math.min(MOST, all.size())));
        return all.size() <= MOST ? first : Words.DESK.count("and-more", all.size() - MOST, first);
    }

    /** What differs on a level, each thing by itself. */
    public static List<String> of(ShotDifference.OfLevel level) {
        return switch (level.fate()) {
            case ADDED -> List.of(Words.DESK.of("level-added", level.name()));
            case REMOVED -> List.of(Words.DESK.of("level-removed", level.name()));
            case CHANGED -> changed(level);
        };
    }

    private static List<String> changed(ShotDifference.OfLevel level) {
        List<String> all = new ArrayList<>();
        if (!level.drawings().isEmpty()) {
            all.add(Words.DESK.count("drawings-on", level.drawings().size(), level.name()));
        }
        if (level.timing()) {
            all.add(Words.DESK.of("timing-of", level.name()));
        }
        if (level.settings()) {
            all.add(Words.DESK.of("settings-of", level.name()));
        }
        return all;
    }
}
