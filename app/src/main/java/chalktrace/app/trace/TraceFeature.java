package chalktrace.app.trace;

import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import java.util.List;

/** Levels and their drawings: what the tools in hand offer, timing, in-betweens. */
public final class TraceFeature implements Feature {

    private final Session session;
    private final FileChoice files;

    public TraceFeature(Session session, FileChoice files) {
        this.session = session;
        this.files = files;
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(Step.TRACE, () -> List.of(new TraceRows(session, files))));
    }
}
