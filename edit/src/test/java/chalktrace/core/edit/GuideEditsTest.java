package chalktrace.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.guide.Guide;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import java.util.List;
import org.junit.jupiter.api.Test;

class GuideEditsTest {

    private static Guide line(String id, double y) {
        return new Guide(id, Guide.Kind.LINE, List.of(new Guide.Spot(0, y), new Guide.Spot(100, y)));
    }

    @Test
    void guidesAreAddedChangedAndRemovedByTheirIds() {
        Shot two = AfterEdits.after(Shots.empty(), GuideEdits.add(line("a", 1)), GuideEdits.add(line("b", 2)));
        assertThat(two.guides()).containsExactly(line("a", 1), line("b", 2));
        Shot moved = AfterEdits.after(two, GuideEdits.change(line("a", 9), 0));
        assertThat(moved.guides()).containsExactly(line("a", 9), line("b", 2));
        assertThat(AfterEdits.after(moved, GuideEdits.change(line("c", 5), 0)).guides())
                .isEqualTo(moved.guides());
        assertThat(AfterEdits.after(moved, GuideEdits.remove("b")).guides()).containsExactly(line("a", 9));
        assertThat(AfterEdits.after(moved, GuideEdits.remove("c")).guides()).isEqualTo(moved.guides());
    }
}
