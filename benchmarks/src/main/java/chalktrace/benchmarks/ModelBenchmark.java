package chalktrace.benchmarks;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Channel;
import chalktrace.core.space.Dress;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Matrix4;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.ModelRenderer;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Node;
import chalktrace.core.space.Pose;
import chalktrace.core.space.Skin;
import chalktrace.core.space.Staging;
import chalktrace.core.space.Stance;
import chalktrace.core.space.Surface;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/**
 * A model drawn at 1280x720: a ring of many triangles that fills most of the picture, and a skinned one posed. {@code clearAndFill} is what the
 * same pixels take when they are only emptied and filled.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class ModelBenchmark {

    private static final PictureSize SIZE = new PictureSize(1280, 720);
    private static final int JOINTS = 20;

    private Pose ten;
    private Pose fifty;
    private Pose hundred;
    private Figure skinned;
    private Optional<Motion> motion;
    private Staging staging;
    private final int[] pixels = new int[1280 * 720];
    private double seconds;
    private double yaw;

    @Setup
    public void make() {
        ten = new Figure(ring(100, 50, false)).rest();
        fifty = new Figure(ring(250, 100, false)).rest();
        hundred = new Figure(ring(320, 157, false)).rest();
        skinned = new Figure(ring(100, 100, true));
        motion = skinned.model().motions().stream().findFirst();
        staging = Staging.of(hundred.figure(), SIZE);
    }

    @Benchmark
    public ArgbPicture clay10k() {
        return ModelRenderer.render(ten, staging.view(), Dress.USUAL, SIZE);
    }

    @Benchmark
    public ArgbPicture clay50k() {
        return ModelRenderer.render(fifty, staging.view(), Dress.USUAL, SIZE);
    }

    /** One step of a camera that is dragged: drawn coarse, as the board does until it rests. */
    @Benchmark
    public ArgbPicture orbit50k() {
        yaw = (yaw + 3) % 360;
        return ModelRenderer.render(
                fifty, staging.view().withYaw(yaw), Dress.USUAL, new PictureSize(SIZE.width() / 2, SIZE.height() / 2));
    }

    @Benchmark
    public ArgbPicture clay100k() {
        return ModelRenderer.render(hundred, staging.view(), Dress.USUAL, SIZE);
    }

    @Benchmark
    public ArgbPicture lines10k() {
        return ModelRenderer.render(ten, staging.view(), Dress.USUAL.withLook(ModelLook.LINES), SIZE);
    }

    @Benchmark
    public Pose poseOfTenThousandVertices() {
        seconds = (seconds + 0.04) % 1;
        return skinned.pose(motion, seconds);
    }

    @Benchmark
    public int clearAndFill() {
        Arrays.fill(pixels, 0);
        Arrays.fill(pixels, 0xFF808080);
        return pixels[7];
    }

    private static Model ring(int around, int across, boolean pulled) {
        float[] places = new float[3 * around * across];
        int[] joints = new int[4 * around * across];
        float[] weights = new float[4 * around * across];
        for (int i = 0; i < around; i++) {
            for (int k = 0; k < across; k++) {
                double a = 2 * Math.PI * i / around;
                double b = 2 * Math.PI * k / across;
                double out = 1 + 0.45 * Math.cos(b);
                int v = i * across + k;
                places[3 * v] = (float) (out * Math.cos(a));
                places[3 * v + 1] = (float) (0.45 * Math.sin(b));
                places[3 * v + 2] = (float) (out * Math.sin(a));
                for (int j = 0; j < 4; j++) {
                    joints[4 * v + j] = (i * JOINTS / around + j) % JOINTS;
                    weights[4 * v + j] = 0.25f;
                }
            }
        }
        int[] corners = new int[6 * around * across];
        int at = 0;
        for (int i = 0; i < around; i++) {
            for (int k = 0; k < across; k++) {
                int a = i * across + k;
                int b = i * across + (k + 1) % across;
                int c = (i + 1) % around * across + (k + 1) % across;
                int d = (i + 1) % around * across + k;
                for (int corner : new int[] {a, b, c, a, c, d}) {
                    corners[at++] = corner;
                }
            }
        }
        Mesh mesh = new Mesh(
                places,
                Optional.of(places.clone()),
                Optional.empty(),
                corners,
                0,
                List.of(),
                pulled ? Optional.of(joints) : Optional.empty(),
                pulled ? Optional.of(weights) : Optional.empty());
        List<Node> nodes = new ArrayList<>();
        nodes.add(new Node("ring", -1, Stance.NONE, List.of(0), pulled ? 0 : -1, List.of(), Optional.empty()));
        List<Integer> chain = new ArrayList<>();
        List<Matrix4> atRest = new ArrayList<>();
        List<Channel> channels = new ArrayList<>();
        for (int j = 0; pulled && j < JOINTS; j++) {
            chain.add(nodes.size());
            atRest.add(Matrix4.IDENTITY);
            channels.add(new Channel(
                    nodes.size(), Channel.Property.TURN, Channel.Way.LINEAR, new float[] {0, 1}, new float[] {
                        0, 0, 0, 1, 0.1f, 0, 0, 0.995f
                    }));
            nodes.add(Node.of("joint " + j, nodes.size() - 1, Stance.NONE, List.of()));
        }
        return new Model(
                nodes,
                List.of(mesh),
                List.of(Surface.PLAIN),
                pulled ? List.of(new Skin(chain, atRest)) : List.of(),
                pulled ? List.of(new Motion("turn", channels)) : List.of(),
                "",
                List.of());
    }
}
