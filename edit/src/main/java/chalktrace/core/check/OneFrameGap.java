package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.Optional;

/** One frame between two showings shows nothing, not on purpose. */
final class OneFrameGap extends LevelCheck {

    OneFrameGap() {
        super("one-frame-gap");
    }

    @Override
    boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index) {
        return index + 1 < runs.size()
                && runs.get(index + 1).start() == runs.get(index).end() + 1;
    }

    @Override
    public Optional<Edit> mend(Finding finding) {
        return Optional.of(new Edit(
                EditWords.TEXTS.of("hold-the-drawing-before-over-the-gap"),
                shot -> shot.withLevel(finding.level(), level -> level.exposures()
                        .at(finding.frame() - 1)
                        .map(before -> level.with(level.exposures().trimmed(before.start(), finding.frame() + 1)))
                        .orElse(level))));
    }

    @Override
    Finding finding(Level level, Exposure before) {
        return new Finding(id(), level.id(), before.end(), Exposure.BLANK);
    }
}
