package chalktrace.core.check;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;
import java.util.stream.IntStream;

/** A check that looks at the showings of each level in turn. */
abstract class LevelCheck implements Check {

    private final String id;

    LevelCheck(String id) {
        this.id = id;
    }

    /** Whether something is wrong with a showing of a level. @param runs all of the level, in order @param index which */
    abstract boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index);

    @Override
    public final String id() {
        return id;
    }

    @Override
    public final List<Finding> of(Shot shot) {
        return shot.levels().stream()
                .flatMap(level -> {
                    List<Exposure> runs = level.exposures().runs();
                    return IntStream.range(0, runs.size())
                            .filter(index -> isWrong(shot, level, runs, index))
                            .mapToObj(index -> finding(level, runs.get(index)));
                })
                .toList();
    }

    Finding finding(Level level, Exposure run) {
        return new Finding(id, level.id(), run.start(), run.drawing());
    }
}
