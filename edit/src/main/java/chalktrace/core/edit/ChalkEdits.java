package chalktrace.core.edit;

import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.Optional;
import java.util.stream.Stream;

/** Edits of chalks. */
public final class ChalkEdits {

    private ChalkEdits() {}

    /** Puts another chalk in the place of the one with its id: all drawings follow. */
    public static Edit change(Chalk changed) {
        return new Edit(
                EditWords.TEXTS.of("change-the-chalk", changed.name()),
                shot -> shot.withChalks(shot.chalks().stream()
                        .map(chalk -> chalk.id().equals(changed.id()) ? changed : chalk)
                        .toList()));
    }

    /** Another chalk with the settings of one, at the end of the box. */
    public static Edit addLike(Chalk chalk, String newId) {
        return new Edit(
                EditWords.TEXTS.of("another-chalk"),
                shot -> shot.withChalks(Stream.concat(
                                shot.chalks().stream(),
                                Stream.of(new Chalk(
                                        newId,
                                        chalk.name() + " 2",
                                        chalk.color(),
                                        chalk.line(),
                                        chalk.opacity(),
                                        chalk.role())))
                        .toList()));
    }

    /**
     * Draws all that one chalk has drawn and painted with another; the chalk itself stays.
     *
     * @param onLevel one level only; none for all
     * @param frames only drawings that show within these; none for all. A tied drawing changes at all its places
     */
    public static Edit giveAllTo(String from, String to, Optional<String> onLevel, Optional<FrameRange> frames) {
        return new Edit(
                EditWords.TEXTS.of("give-strokes-to-another-chalk"),
                shot -> shot.withLevels(shot.levels().stream()
                        .map(level ->
                                onLevel.filter(id -> !id.equals(level.id())).isPresent() || shot.isLocked(level)
                                        ? level
                                        : given(level, from, to, frames))
                        .toList()));
    }

    private static Level given(Level level, String from, String to, Optional<FrameRange> frames) {
        Level out = level;
        for (Drawing drawing : level.drawings()) {
            boolean wanted = frames.isEmpty()
                    || level.exposures().showing(drawing.number()).stream()
                            .anyMatch(run -> run.range().overlaps(frames.get()));
            if (!wanted) {
                continue;
            }
            boolean has = drawing.strokes().stream()
                            .anyMatch(stroke -> stroke.chalk().equals(from))
                    || drawing.fills().stream().anyMatch(fill -> fill.chalks().anyMatch(from::equals));
            if (has) {
                out = out.with(drawing.withStrokes(drawing.strokes().stream()
                                .map(stroke -> stroke.chalk().equals(from) ? stroke.withChalk(to) : stroke)
                                .toList())
                        .withFills(drawing.fills().stream()
                                .map(fill -> fill.withChalks(chalk -> chalk.equals(from) ? to : chalk))
                                .toList()));
            }
        }
        return out;
    }
}
