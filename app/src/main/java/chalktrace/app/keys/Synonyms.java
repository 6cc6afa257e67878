package chalktrace.app.keys;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** Other everyday words by which people look for what a key does. */
final class Synonyms {

    private static final Map<Action, String> WORDS = new EnumMap<>(Map.ofEntries(
            Map.entry(Action.FRAME_BACK, "previous step left scrub"),
            Map.entry(Action.FRAME_ON, "next step right forward scrub"),
            Map.entry(Action.MARK_BACK, "previous key breakdown"),
            Map.entry(Action.MARK_ON, "key breakdown"),
            Map.entry(Action.DRAWING_BACK, "previous cel"),
            Map.entry(Action.DRAWING_ON, "cel"),
            Map.entry(Action.CUE_BACK, "previous sound"),
            Map.entry(Action.CUE_ON, "sound"),
            Map.entry(Action.FIRST_FRAME, "start beginning"),
            Map.entry(Action.LAST_FRAME, "end"),
            Map.entry(Action.PEEK_BACK, "flip previous compare"),
            Map.entry(Action.HIDE_FOOTAGE, "video reference off"),
            Map.entry(Action.ONION_SKIN, "light table ghost neighbours see through"),
            Map.entry(Action.CHALK_OR_DUSTER, "eraser erase rubber brush pen pencil draw"),
            Map.entry(Action.PICK, "lasso box move transform choose"),
            Map.entry(Action.FILL, "bucket paint colour color region"),
            Map.entry(Action.LEVEL_HERE, "layer sheet"),
            Map.entry(Action.SNAP, "magnet edge"),
            Map.entry(Action.PUT_AWAY, "deselect none"),
            Map.entry(Action.PICK_ALL, "everything"),
            Map.entry(Action.NEW_DRAWING, "add cel blank frame create"),
            Map.entry(Action.HOLD_LONGER, "extend exposure timing"),
            Map.entry(Action.HOLD_SHORTER, "shorten trim exposure timing"),
            Map.entry(Action.MARK, "keyframe pose extreme flag"),
            Map.entry(Action.WORD, "dialogue lip sync text"),
            Map.entry(Action.CUE, "marker sound hit"),
            Map.entry(Action.PLAY, "pause start"),
            Map.entry(Action.PLAY_BACKWARDS, "reverse"),
            Map.entry(Action.FLIP, "compare"),
            Map.entry(Action.GUIDES, "ruler perspective vanishing line"),
            Map.entry(Action.MIRROR_VIEW, "flip horizontal"),
            Map.entry(Action.HEAR, "scrub sound audio"),
            Map.entry(Action.MOVE_VIEW, "pan zoom rotate canvas hand"),
            Map.entry(Action.FIT, "zoom reset canvas home"),
            Map.entry(Action.SHEET, "timesheet table exposures"),
            Map.entry(Action.WHOLE_WINDOW, "panels full screen"),
            Map.entry(Action.REMOVE, "erase clear"),
            Map.entry(Action.UNDO, "back revert take back"),
            Map.entry(Action.REDO, "again forward repeat"),
            Map.entry(Action.NEW_SHOT, "document file project"),
            Map.entry(Action.OPEN, "load file project"),
            Map.entry(Action.SAVE, "store write file"),
            Map.entry(Action.SAVE_AS, "copy export file"),
            Map.entry(Action.QUIT, "exit close")));

    private Synonyms() {}

    /** Whether each word of a text begins one of the action's words, or of those that mean the same. */
    static boolean match(Action action, String text) {
        String all = (action.use() + " " + WORDS.getOrDefault(action, "")).toLowerCase(Locale.ROOT);
        String[] words = all.split("[^\\p{L}\\p{N}]+");
        return Stream.of(text.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .allMatch(asked -> Stream.of(words).anyMatch(word -> word.startsWith(asked)));
    }
}
