package chalktrace.app.trace.work;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Tool;
import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.LineShape;

/** How wide a tool draws, in px of the shot, and how strong: the duster has a width of its own, all others draw with the current chalk. */
public final class Sizes {

    private static final double THINNEST = 0.5;
    private static final double FAINTEST = 0.05;

    /** Widths below are said and set to half a pixel. */
    private static final double WIDE = 10;

    private final Document document;
    private final Selection selection;
    private final View view;

    Sizes(Document document, Selection selection, View view) {
        this.document = document;
        this.selection = selection;
        this.view = view;
    }

    public double width(Tool tool) {
        return tool.equals(Tool.DUSTER) ? view.dusterWidthProperty().get() : chalk().width();
    }

    /** A step wider or thinner: half a pixel, or a tenth of a wide one. */
    public void widen(Tool tool, int direction) {
        double width = width(tool);
        double wider = held(width + direction * Math.max(0.5, Math.rint(width / 5) / 2));
        if (wider != width) {
            setWidth(tool, wider);
        }
    }

    /** @param keeps whether it is settled on; else it is only shown */
    public void dialWidth(Tool tool, double width, boolean keeps) {
        double round = width < WIDE ? Math.rint(2 * width) / 2 : Math.rint(width);
        if (keeps || tool.equals(Tool.DUSTER)) {
            setWidth(tool, held(round));
        } else {
            document.preview(ChalkEdits.change(chalk().withWidth(held(round))));
        }
    }

    public double strength() {
        return chalk().opacity();
    }

    /** @param keeps whether it is settled on; else it is only shown */
    public void dialStrength(double strength, boolean keeps) {
        Chalk changed = chalk().withOpacity(Math.max(FAINTEST, Math.min(1, Math.rint(100 * strength) / 100)));
        if (keeps) {
            keep(changed);
        } else {
            document.preview(ChalkEdits.change(changed));
        }
    }

    private void setWidth(Tool tool, double width) {
        if (tool.equals(Tool.DUSTER)) {
            view.dusterWidthProperty().set(width);
        } else {
            keep(chalk().withWidth(width));
        }
    }

    private void keep(Chalk changed) {
        document.preview(null);
        if (!changed.equals(chalk())) {
            document.apply(ChalkEdits.change(changed));
        }
    }

    private static double held(double width) {
        return Math.max(THINNEST, Math.min(LineShape.WIDEST, width));
    }

    private Chalk chalk() {
        return document.shot().chalk(selection.chalkProperty().get());
    }
}
