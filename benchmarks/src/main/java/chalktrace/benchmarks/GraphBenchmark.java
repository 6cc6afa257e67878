package chalktrace.benchmarks;

import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.theme.Theme;
import chalktrace.app.window.Workbench;
import chalktrace.core.edit.Edit;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.time.FrameRate;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.sound.SilentOut;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.FutureTask;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.ScrollEvent;
import javafx.stage.Stage;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.TearDown;

/**
 * One step after the other with twenty points over 3,000 frames in the Study step, their graph so far zoomed out that a pixel holds two frames: until the window's
 * thread is free again, with all that the window does for a step, rendered by the software renderer. Wanted: 16 ms for graph and paths, which is what it takes
 * longer than without points.
 */
public class GraphBenchmark extends WithoutDisplay {

    private static final int FRAMES = 3_000;
    private static final PictureSize SIZE = new PictureSize(64, 36);
    private static final int ZOOM_TURNS = 40;
    private static final int LONGEST_WAIT_MILLIS = 60_000;

    /** None shows what the window takes for a step without graph and paths. */
    @Param({"0", "20"})
    public int points;

    /** Whether the tray, with its rows of measures and proposals, is shown beside. */
    @Param({"false", "true"})
    public boolean tray;

    private Session session;
    private Workbench workbench;
    private Node graph;
    private Node paths;
    private int frame = 1_000;

    @Setup(Level.Trial)
    public void open() throws Exception {
        Path folder = Files.createTempDirectory("graph");
        Path clip = folder.resolve("clip.mp4");
        try (MovieEncoder encoder = new MovieEncoder(clip, SIZE, FrameRate.FILM, false)) {
            for (int i = 0; i < FRAMES; i++) {
                encoder.add(new int[SIZE.width() * SIZE.height()], new float[0]);
            }
            encoder.finish();
        }
        FutureTask<Void> opened = new FutureTask<>(() -> {
            Theme.load();
            session = new Session(SilentOut::new, folder.resolve("state"));
            workbench = new Workbench(new Stage(), session, null);
            workbench.show();
            session.gathering().takeIn(List.of(clip), 0);
            return null;
        });
        Platform.startup(opened);
        opened.get();
        await(() -> session.footages().opened().size() == 1);
        OnFx.get(() -> {
            String footage = session.shot().footage().get(0).id();
            session.document().apply(new Edit("points", shot -> shot.withTracks(tracks(footage))));
            session.view().stepProperty().set(Step.STUDY);
            session.view().wholeWindowProperty().set(!tray);
            return null;
        });
        OnFx.get(() -> {
            Parent root = workbench.board().getScene().getRoot();
            graph = find(root, "GraphLane");
            paths = find(root, "PathWords");
            for (int i = 0; i < ZOOM_TURNS; i++) {
                Event.fireEvent(graph, zoomedOut());
            }
            return null;
        });
        await(() -> paths.isVisible() == points > 0);
    }

    private List<Track> tracks(String footage) {
        List<Track> out = new ArrayList<>();
        for (int t = 0; t < points; t++) {
            List<TrackPath.Place> places = new ArrayList<>();
            for (int f = 0; f < FRAMES; f++) {
                double x = SIZE.width() * (0.5 + 0.4 * Math.sin(f / (9.0 + t) + t));
                double y = SIZE.height() * (0.5 + 0.4 * Math.cos(f / (7.0 + t)));
                places.add(new TrackPath.Place(f, x, y, 1, 0, 1, TrackPath.Origin.FOLLOWED));
            }
            out.add(new Track(
                    "track-" + t, "point " + t, Track.color(t), true, footage, 0, TrackPath.of(places, List.of())));
        }
        return out;
    }

    private static ScrollEvent zoomedOut() {
        return new ScrollEvent(
                ScrollEvent.SCROLL,
                0,
                0,
                0,
                0,
                false,
                true,
                false,
                false,
                false,
                false,
                0,
                -40,
                0,
                -40,
                ScrollEvent.HorizontalTextScrollUnits.NONE,
                0,
                ScrollEvent.VerticalTextScrollUnits.NONE,
                0,
                0,
                null);
    }

    private static Node find(Node from, String kind) {
        if (from.getClass().getSimpleName().equals(kind)) {
            return from;
        }
        if (from instanceof Parent parent) {
            for (Node child : parent.getChildrenUnmodifiable()) {
                Node found = find(child, kind);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }

    @Benchmark
    public Object frame() throws Exception {
        return OnFx.get(() -> {
            frame = frame > 2_000 ? 1_000 : frame + 1;
            session.transport().go(frame);
            ((Parent) graph).layout();
            return frame;
        });
    }

    private void await(Callable<Boolean> condition) throws Exception {
        long start = System.nanoTime();
        while (!OnFx.get(condition)) {
            if (System.nanoTime() - start > LONGEST_WAIT_MILLIS * 1_000_000L) {
                throw new IllegalStateException("waited in vain");
            }
            Thread.sleep(20);
        }
    }

    @TearDown(Level.Trial)
    public void close() throws Exception {
        OnFx.get(() -> {
            session.close();
            return null;
        });
        Platform.exit();
    }
}
