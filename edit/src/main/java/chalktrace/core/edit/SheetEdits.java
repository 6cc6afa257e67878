package chalktrace.core.edit;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;

/** What is typed into a cell of the exposure sheet. */
public final class SheetEdits {

    private SheetEdits() {}

    /**
     * Exposes a drawing from a frame on, up to where the next showing starts, but over the rest of the one that it falls into. A
     * number that the level does not have yet makes a new empty drawing of that number; "x" or "0" a blank; an empty text takes
     * what is there away.
     *
     * @throws IllegalArgumentException when the text is none of these, or the level can't be changed; the message says so
     */
    public static Edit type(Level level, int frame, String text) {
        String typed = text.strip();
        boolean blank = typed.equalsIgnoreCase("x") || typed.equals("0") || typed.equals("\u00d7");
        if (!typed.isEmpty() && !blank && !typed.matches("[1-9][0-9]{0,5}")) {
            throw new IllegalArgumentException(EditWords.TEXTS.of("is-no-drawing", typed));
        }
        if (level.locked() || level.style().held()) {
            throw new IllegalArgumentException(
                    level.locked()
                            ? EditWords.TEXTS.of("is-locked", level.name())
                            : EditWords.TEXTS.of("shows-one-drawing-throughout", level.name()));
        }
        return new Edit(
                typed.isEmpty() ? EditWords.TEXTS.of("take-a-showing-away") : EditWords.TEXTS.of("expose", typed),
                shot -> shot.withLevel(level.id(), l -> {
                    int end = l.exposures()
                            .at(frame)
                            .map(Exposure::end)
                            .orElse(l.exposures().nextTaken(frame, shot.setup().length()));
                    int frames = Math.max(
                            1, Math.min(end, Math.max(frame + 1, shot.setup().length())) - frame);
                    if (typed.isEmpty()) {
                        return l.with(l.exposures().cleared(FrameRange.of(frame, frames)));
                    }
                    int number = blank ? Exposure.BLANK : Integer.parseInt(typed);
                    Level with = blank || l.drawing(number).isPresent() ? l : l.with(Drawing.empty(number));
                    return with.with(with.exposures().with(Exposure.of(frame, frames, number)));
                }));
    }
}
