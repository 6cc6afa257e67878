package chalktrace.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.input.PickResult;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;

class LaneStackTest {

    private final List<Node> always = lanes(2, 30);
    private final List<Node> others = lanes(8, 20);
    private final LaneStack stack = new LaneStack();

    LaneStackTest() {
        stack.show(always, others);
    }

    private static List<Node> lanes(int count, double height) {
        List<Node> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Region lane = new Region();
            lane.setMinHeight(height);
            lane.setPrefHeight(height);
            lane.setMaxHeight(height);
            out.add(lane);
        }
        return out;
    }

    private void layOut(double height) {
        stack.resize(600, height);
        stack.layout();
    }

    private void wheel(double turns) {
        Event.fireEvent(
                stack,
                new ScrollEvent(
                        ScrollEvent.SCROLL,
                        10,
                        80,
                        10,
                        80,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        0,
                        turns,
                        0,
                        turns,
                        ScrollEvent.HorizontalTextScrollUnits.NONE,
                        0,
                        ScrollEvent.VerticalTextScrollUnits.NONE,
                        0,
                        0,
                        new PickResult(stack, 10, 80)));
        stack.layout();
    }

    private List<Integer> shown() {
        return others.stream().filter(Node::isVisible).map(others::indexOf).toList();
    }

    @Test
    void noLaneIsCutWhateverTheHeight() {
        SplittableRandom random = new SplittableRandom(7);
        for (int i = 0; i < 200; i++) {
            double height = 70 + 200 * random.nextDouble();
            stack.keepInView(random.nextBoolean() ? null : others.get(random.nextInt(others.size())));
            layOut(height);
            wheel(random.nextBoolean() ? 40 : -40);
            for (Node lane : others) {
                if (lane.isVisible()) {
                    assertThat(lane.getLayoutY() + 20).as("height %s", height).isLessThanOrEqualTo(height + 1e-9);
                }
            }
        }
    }

    @Test
    void theFirstOnesStayAndTheOthersMoveByWholeLanes() {
        // 2 lanes of 30 and 3 of 20, each with a pixel under it.
        layOut(62 + 63);
        assertThat(shown()).containsExactly(0, 1, 2);
        wheel(-40);
        assertThat(shown()).containsExactly(1, 2, 3);
        assertThat(others.get(1).getLayoutY()).isEqualTo(62);
        for (int i = 0; i < 20; i++) {
            wheel(-40);
        }
        assertThat(shown()).containsExactly(5, 6, 7);
        wheel(40);
        assertThat(shown()).containsExactly(4, 5, 6);
        assertThat(always).allMatch(Node::isVisible);
    }

    @Test
    void theCurrentLevelStaysInViewInItsOrder() {
        stack.keepInView(others.get(0));
        layOut(62 + 63);
        wheel(-40);
        wheel(-40);
        assertThat(shown()).containsExactly(0, 2, 3);
        assertThat(others.get(0).getLayoutY()).isLessThan(others.get(2).getLayoutY());
        stack.keepInView(others.get(7));
        stack.layout();
        assertThat(shown()).containsExactly(2, 3, 7);
    }

    @Test
    void allAreShownWhereThereIsRoom() {
        layOut(62 + 8 * 21);
        assertThat(shown()).hasSize(8);
        wheel(-40);
        assertThat(shown()).hasSize(8);
    }
}
