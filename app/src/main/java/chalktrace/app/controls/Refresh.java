package chalktrace.app.controls;

import javafx.application.Platform;
import javafx.beans.InvalidationListener;
import javafx.beans.Observable;
import javafx.beans.WeakInvalidationListener;
import javafx.scene.Node;

/** Keeps a part of the window up to date, but only while it is in the window, and once for changes that come together. */
public final class Refresh {

    private final Node node;
    private final Runnable refresh;
    private boolean asked;
    private boolean stale = true;

    private Refresh(Node node, Runnable refresh) {
        this.node = node;
        this.refresh = refresh;
    }

    /** Runs {@code refresh} on the FX thread after any of these has changed, and when the node comes into the window. */
    public static void on(Node node, Runnable refresh, Observable... observed) {
        Refresh made = new Refresh(node, refresh);
        InvalidationListener changed = any -> made.ask();
        // What is observed may outlive the window: the node alone keeps the listener.
        node.getProperties().put(made, changed);
        for (Observable one : observed) {
            one.addListener(new WeakInvalidationListener(changed));
        }
        node.sceneProperty().addListener((property, before, scene) -> {
            if (scene != null && made.stale) {
                made.run();
            }
        });
        refresh.run();
    }

    private void ask() {
        stale = true;
        if (!asked && node.getScene() != null) {
            asked = true;
            Platform.runLater(this::run);
        }
    }

    private void run() {
        asked = false;
        stale = false;
        refresh.run();
    }
}
