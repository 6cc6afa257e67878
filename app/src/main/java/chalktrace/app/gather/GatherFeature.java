package chalktrace.app.gather;

import chalktrace.app.cards.CardRows;
import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import java.util.List;
import java.util.function.Supplier;

/** Footage, stills and sounds taken in, each with its card. */
public final class GatherFeature implements Feature {

    private final Session session;
    private final FileChoice files;
    private final Supplier<List<CardRows>> more;

    /** @param more rows that others add to the cards of footage */
    public GatherFeature(Session session, FileChoice files, Supplier<List<CardRows>> more) {
        this.session = session;
        this.files = files;
        this.more = more;
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(Step.GATHER, () -> List.of(new GatherRows(session, files, more.get()))));
    }
}
