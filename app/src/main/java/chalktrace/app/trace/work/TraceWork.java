package chalktrace.app.trace.work;

import chalktrace.app.session.Session;

/** What the Trace step works with. */
public final class TraceWork {

    private final Session session;
    private final Painting painting;
    private final Picking picking;
    private final Snapping snapping;
    private final InBetweening inBetweening;
    private final DrawingExchange drawingExchange;
    private final Onward onward;
    private final Sizes sizes;
    private final ColourUnder colourUnder;
    private final LevelChoice levels;

    public TraceWork(Session session) {
        this.session = session;
        painting = new Painting(
                session.document(), session.selection(), session.transport(), session.proposals(), session.notices());
        picking = new Picking(session.document(), session.selection(), session.transport(), session.view());
        snapping = new Snapping(session.document(), session.transport(), session.footages(), session.jobs());
        inBetweening = new InBetweening(
                session.document(),
                session.selection(),
                session.transport(),
                session.view(),
                session.keys(),
                session.proposals(),
                session.notices());
        drawingExchange = new DrawingExchange(
                session.document(),
                session.selection(),
                session.transport(),
                session.view(),
                picking,
                session.jobs(),
                session.proposals(),
                session.notices());
        levels = new LevelChoice(session.document(), session.selection(), session.view());
        sizes = new Sizes(session.document(), session.selection(), session.view());
        colourUnder = new ColourUnder(session.document(), session.selection(), session.transport(), session.footages());
        onward = new Onward(
                session.document(), session.selection(), session.transport(), session.view(), session.notices());
    }

    public Session session() {
        return session;
    }

    public Painting painting() {
        return painting;
    }

    public Picking picking() {
        return picking;
    }

    public Snapping snapping() {
        return snapping;
    }

    public InBetweening inBetweening() {
        return inBetweening;
    }

    public Onward onward() {
        return onward;
    }

    public LevelChoice levels() {
        return levels;
    }

    public Sizes sizes() {
        return sizes;
    }

    public ColourUnder colourUnder() {
        return colourUnder;
    }

    public DrawingExchange drawingExchange() {
        return drawingExchange;
    }
}
