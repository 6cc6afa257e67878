package chalktrace.app.finish;

import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.Keys;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import java.util.List;

/** The shot handed on: movies, pictures, drawings, sheets, each by an exporter that is registered. */
public final class FinishFeature implements Feature {

    private final Session session;
    private final FileChoice files;

    public FinishFeature(Session session, FileChoice files) {
        this.session = session;
        this.files = files;
    }

    @Override
    public void actions(Keys keys) {
        FrameCopy copy = new FrameCopy(session);
        keys.on(Action.COPY_FRAME, () -> copy.copy(false)).on(Action.COPY_FRAME_CLEAR, () -> copy.copy(true));
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(Step.FINISH, () -> List.of(new FinishRows(session, files))));
    }
}
