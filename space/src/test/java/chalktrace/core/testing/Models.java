package chalktrace.core.testing;

import chalktrace.core.space.Channel;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Matrix4;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Node;
import chalktrace.core.space.Skin;
import chalktrace.core.space.Stance;
import chalktrace.core.space.Surface;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/** Small models for tests. */
public final class Models {

    private static final int[] CUBE = {
        0, 3, 2, 0, 2, 1, 4, 5, 6, 4, 6, 7, 0, 1, 5, 0, 5, 4, 1, 2, 6, 1, 6, 5, 2, 3, 7, 2, 7, 6, 3, 0, 4, 3, 4, 7
    };

    private Models() {}

    /** One mesh on one node that stands still. */
    public static Figure of(float[] positions, int... triangles) {
        return new Figure(new Model(
                List.of(Node.of("all", -1, Stance.NONE, List.of(0))),
                List.of(Mesh.of(positions, triangles, 0)),
                List.of(Surface.PLAIN),
                List.of(),
                List.of(),
                "",
                List.of()));
    }

    /** A closed cube with sides of 2 about a middle. */
    public static float[] cubeAt(double x, double y, double z, double half) {
        float[] out = new float[24];
        for (int i = 0; i < 8; i++) {
            out[3 * i] = (float) (x + ((i & 1) == (i >> 1 & 1) ? -half : half));
            out[3 * i + 1] = (float) (y + ((i & 2) == 0 ? -half : half));
            out[3 * i + 2] = (float) (z + ((i & 4) == 0 ? -half : half));
        }
        return out;
    }

    public static Figure cube() {
        return of(cubeAt(0, 0, 0, 1), CUBE);
    }

    /** Triangles anywhere within 1 of the middle, each with three vertices of its own. */
    public static Figure scattered(int count, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] positions = new float[9 * count];
        int[] corners = new int[3 * count];
        for (int i = 0; i < positions.length; i++) {
            positions[i] = (float) (random.nextDouble() * 2 - 1);
        }
        for (int i = 0; i < corners.length; i++) {
            corners[i] = i;
        }
        return of(positions, corners);
    }

    /**
     * An upright strip of two bones, each 1 high; its three pairs of vertices hang on the first, on both alike, on the second. The second turns
     * about z by 90 degrees in one second.
     */
    public static Figure twoBones() {
        float half = (float) Math.sqrt(0.5);
        Mesh strip = new Mesh(
                new float[] {-0.1f, 0, 0, 0.1f, 0, 0, -0.1f, 1, 0, 0.1f, 1, 0, -0.1f, 2, 0, 0.1f, 2, 0},
                Optional.empty(),
                Optional.empty(),
                new int[] {0, 1, 3, 0, 3, 2, 2, 3, 5, 2, 5, 4},
                0,
                List.of(),
                Optional.of(new int[] {0, 0, 0, 0, 0, 0, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0}),
                Optional.of(
                        new float[] {1, 0, 0, 0, 1, 0, 0, 0, 0.5f, 0.5f, 0, 0, 0.5f, 0.5f, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0
                        }));
        return new Figure(new Model(
                List.of(
                        new Node("strip", -1, Stance.moved(50, 50, 50), List.of(0), 0, List.of(), Optional.empty()),
                        Node.of("lower", -1, Stance.NONE, List.of()),
                        Node.of("upper", 1, Stance.moved(0, 1, 0), List.of())),
                List.of(strip),
                List.of(Surface.PLAIN),
                List.of(new Skin(List.of(1, 2), List.of(Matrix4.IDENTITY, Matrix4.of(Stance.moved(0, -1, 0))))),
                List.of(new Motion(
                        "bend",
                        List.of(new Channel(
                                2, Channel.Property.TURN, Channel.Way.LINEAR, new float[] {0, 1}, new float[] {
                                    0, 0, 0, 1, 0, 0, half, half
                                })))),
                Model.METRE,
                List.of()));
    }
}
