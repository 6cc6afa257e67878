package chalktrace.app.trace.work;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.footage.Footages;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.sound.Transport;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.EdgeMap;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;

/** Keeps the edges of the footage at the gate at hand, for a chalk that follows them. Lives on the FX thread. */
public final class Snapping {

    private static final double USUAL_REACH_PX = 8;

    private final Document document;
    private final Transport transport;
    private final Footages footages;
    private final Jobs jobs;
    private final BooleanProperty on = new SimpleBooleanProperty();
    private final DoubleProperty reach = new SimpleDoubleProperty(USUAL_REACH_PX);
    private Optional<EdgeMap> edges = Optional.empty();
    private Optional<Picture> found = Optional.empty();
    private boolean busy;

    Snapping(Document document, Transport transport, Footages footages, Jobs jobs) {
        this.document = document;
        this.transport = transport;
        this.footages = footages;
        this.jobs = jobs;
        WhileWanted.hear(
                on::get,
                List.of(on),
                this::look,
                transport.frameProperty(),
                transport.playingProperty(),
                document.shownProperty(),
                footages.latestProperty());
        on.addListener(changed -> look());
    }

    /** Whether the chalk follows the edges of the footage. */
    public BooleanProperty onProperty() {
        return on;
    }

    /** How far from the pen an edge is looked for, in shot pixels. */
    public DoubleProperty reachProperty() {
        return reach;
    }

    /** The edges of what the gate shows; empty when snapping is off, or they are still being looked for. */
    public Optional<EdgeMap> edges() {
        return on.get() && found.filter(wanted()::equals).isPresent() ? edges : Optional.empty();
    }

    /** What the edges belong to. */
    private record Picture(int frame, List<Footage> footage, Footages.Seen seen, boolean settling) {}

    private Picture wanted() {
        return new Picture(
                transport.frame(),
                document.shown().footage(),
                footages.seenProperty().get(),
                footages.settlingProperty().get());
    }

    private void look() {
        if (!on.get()
                || busy
                || transport.playingProperty().get()
                || found.filter(wanted()::equals).isPresent()) {
            return;
        }
        busy = true;
        Picture mine = wanted();
        Shot shot = document.shown();
        Shot bare = shot.withLevels(List.of()).withMouths(List.of());
        Scene scene = Scenes.of(
                bare,
                transport.frame(),
                SceneOptions.export(true),
                footages.latestProperty().get());
        PictureSize size = shot.setup().size();
        jobs.runQuietly(
                job -> EdgeMap.of(
                        new FrameComposer(new RasterCache(0), Rgb.WHITE).composeWhole(scene),
                        size.width(),
                        size.height()),
                map -> {
                    busy = false;
                    edges = Optional.of(map);
                    found = Optional.of(mine);
                    look();
                });
    }
}
