package chalktrace.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class GroupEditsTest {

    private static Shot fiveLevels() {
        return Shots.empty()
                .withLevels(IntStream.rangeClosed(1, 5)
                        .mapToObj(n -> Level.empty("level-" + n, "level " + n))
                        .toList());
    }

    private static List<String> order(Shot shot) {
        return shot.levels().stream().map(Level::id).toList();
    }

    @Provide
    static Arbitrary<List<Edit>> edits() {
        Arbitrary<String> levels = Arbitraries.integers().between(1, 5).map(n -> "level-" + n);
        Arbitrary<String> groups = Arbitraries.integers().between(1, 3).map(n -> "group-" + n);
        Arbitrary<Integer> steps = Arbitraries.of(-1, 1);
        return Arbitraries.oneOf(
                        Combinators.combine(groups, levels)
                                .as((group, level) -> GroupEdits.make(group + "-" + level, "a group", level)),
                        Combinators.combine(levels, groups, levels)
                                .as((level, group, first) -> GroupEdits.put(level, group + "-" + first)),
                        levels.map(GroupEdits::take),
                        Combinators.combine(groups, levels, steps)
                                .as((group, level, by) -> GroupEdits.reorder(group + "-" + level, by)))
                .list()
                .ofMaxSize(12);
    }

    @Property(tries = 500)
    void noLevelIsLostOrInTwoGroupsAndNoGroupIsEmpty(@ForAll("edits") List<Edit> edits) {
        Shot shot = fiveLevels();
        for (Edit edit : edits) {
            try {
                shot = edit.change().apply(shot);
            } catch (IllegalArgumentException twoOfOneName) {
                // The same new id twice is refused, and changes nothing.
                continue;
            }
            assertThat(order(shot)).containsExactlyInAnyOrder("level-1", "level-2", "level-3", "level-4", "level-5");
            assertThat(shot.groups()).noneMatch(group -> group.levels().isEmpty());
            assertThat(shot.groups().stream().flatMap(group -> group.levels().stream()))
                    .doesNotHaveDuplicates();
        }
    }

    @Test
    void aLevelPutIntoAGroupLeavesTheOneItWasInAndThatGoesWhenItIsEmpty() {
        Shot shot = AfterEdits.after(
                fiveLevels(),
                GroupEdits.make("group-1", "hands", "level-1"),
                GroupEdits.make("group-2", "cup", "level-2"),
                GroupEdits.put("level-1", "group-2"));
        assertThat(shot.groups()).extracting(LevelGroup::id).containsExactly("group-2");
        assertThat(shot.groups().get(0).levels()).containsExactlyInAnyOrder("level-1", "level-2");
        assertThat(AfterEdits.after(shot, GroupEdits.put("level-5", "group-9"))).isEqualTo(shot);
    }

    @Test
    void aGroupMovesAsOneAndStopsAtTheFront() {
        Shot shot = AfterEdits.after(
                fiveLevels(), GroupEdits.make("group-1", "hands", "level-3"), GroupEdits.put("level-4", "group-1"));
        Shot front = AfterEdits.after(shot, GroupEdits.reorder("group-1", -1));
        assertThat(order(front)).containsExactly("level-1", "level-3", "level-4", "level-2", "level-5");
        assertThat(order(AfterEdits.after(front, GroupEdits.reorder("group-1", -1), GroupEdits.reorder("group-1", -1))))
                .containsExactly("level-3", "level-4", "level-1", "level-2", "level-5");
        assertThat(order(AfterEdits.after(front, GroupEdits.reorder("group-1", 1))))
                .isEqualTo(order(shot));
    }

    @Test
    void whatIsInAGroupIsSeenLockedAndFadedWithIt() {
        Shot shot = AfterEdits.after(
                fiveLevels(),
                GroupEdits.make("group-1", "hands", "level-1"),
                GroupEdits.change("fade", "group-1", group -> group.withOpacity(0.5)),
                GroupEdits.change("lock", "group-1", group -> group.withLocked(true)),
                GroupEdits.change("hide", "group-1", group -> group.withVisible(false)));
        Level level = shot.level("level-1").orElseThrow();
        assertThat(shot.isShown(level)).isFalse();
        assertThat(shot.isLocked(level)).isTrue();
        assertThat(shot.opacityOf(level)).isEqualTo(0.5);
        Level other = shot.level("level-2").orElseThrow();
        assertThat(shot.isShown(other)).isTrue();
        assertThat(shot.opacityOf(other)).isEqualTo(1);
    }
}
