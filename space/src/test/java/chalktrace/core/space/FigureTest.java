package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Models;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FigureTest {

    /** glTF 2.0, 3.7.3: a vertex is the weighted sum of (joint's place x inverse bind matrix) x vertex; worked out by hand. */
    @Test
    void verticesFollowTheirJointsByWeight() {
        Figure figure = Models.twoBones();
        float[] places = figure.pose(figure.model().motion("bend"), 1).positions();
        // On the first bone alone: where it was; the place of the mesh's own node counts for nothing.
        assertThat(places[0]).isCloseTo(-0.1f, within(1e-6f));
        assertThat(places[1]).isCloseTo(0, within(1e-6f));
        // On both alike, at (-0.1, 1): the second takes it to (0, 1 - 0.1); the middle of both.
        assertThat(places[6]).isCloseTo(-0.05f, within(1e-6f));
        assertThat(places[7]).isCloseTo(0.95f, within(1e-6f));
        // On the second alone, at (0.1, 2): turned by 90 degrees about (0, 1) to (-1, 1.1).
        assertThat(places[15]).isCloseTo(-1, within(1e-6f));
        assertThat(places[16]).isCloseTo(1.1f, within(1e-6f));
    }

    @Test
    void halfWayInTimeIsHalfTheTurn() {
        Figure figure = Models.twoBones();
        Matrix4 upper = figure.pose(figure.model().motion("bend"), 0.5).place(2);
        assertThat(upper.at(0, 0)).isCloseTo(Math.cos(Math.PI / 4), within(1e-6));
        assertThat(upper.at(1, 0)).isCloseTo(Math.sin(Math.PI / 4), within(1e-6));
    }

    @Test
    void morphsAreAddedByTheirWeight() {
        Mesh mesh = new Mesh(
                new float[] {0, 0, 0, 1, 0, 0, 0, 1, 0},
                Optional.empty(),
                Optional.empty(),
                new int[] {0, 1, 2},
                0,
                List.of(new float[] {0, 0, 4, 0, 0, 0, 0, 0, 0}),
                Optional.empty(),
                Optional.empty());
        Figure figure = new Figure(new Model(
                List.of(new Node("n", -1, Stance.moved(0, 0, 1), List.of(0), -1, List.of(0.25), Optional.empty())),
                List.of(mesh),
                List.of(Surface.PLAIN),
                List.of(),
                List.of(),
                "",
                List.of()));
        assertThat(figure.rest().positions()[2]).isEqualTo(2);
    }

    @Test
    void aModelLyingOnItsBackIsRaised() {
        Figure tower = Models.of(new float[] {0, 0, 0, 1, 0, 0, 0, 0, 9}, 0, 1, 2);
        Bounds raised = tower.raised().rest().bounds();
        assertThat(raised.high().y()).isCloseTo(9, within(1e-6));
        assertThat(raised.size().z()).isCloseTo(0, within(1e-6));
    }

    @Test
    void onlyFormsWithoutHolesAreClosed() {
        Figure cube = Models.cube();
        Figure open = Models.of(Models.cubeAt(0, 0, 0, 1), 0, 3, 2, 0, 2, 1, 4, 5, 6, 4, 6, 7);
        assertThat(cube.isClosed(0)).isTrue();
        assertThat(open.isClosed(0)).isFalse();
    }
}
