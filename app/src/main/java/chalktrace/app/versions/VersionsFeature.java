package chalktrace.app.versions;

import chalktrace.app.board.SceneLook;
import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import chalktrace.app.words.Words;
import chalktrace.media.file.ShotFile;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.layout.Region;

/** Earlier states of the shot: listed, looked at in step with it, and taken back. */
public final class VersionsFeature implements Feature {

    private final Session session;
    private final FileChoice files;
    private final VersionPane pane;

    public VersionsFeature(Session session, FileChoice files) {
        this.session = session;
        this.files = files;
        pane = new VersionPane(session);
    }

    @Override
    public List<SceneLook> looks() {
        return List.of(new VersionLook(session.comparing()));
    }

    @Override
    public List<Region> beside() {
        return List.of(pane);
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(Step.FINISH, () -> List.of(new VersionRows(session, files))));
    }

    /** Looks at the shot of a file in step with the open one. */
    public static void compareWith(Session session, Path file) {
        session.jobs()
                .run(
                        Words.FINISH.of("open-version"),
                        job -> ShotFile.open(file).shot(),
                        shot -> session.comparing().with(file.getFileName().toString(), shot),
                        session.notices()::problem);
    }
}
