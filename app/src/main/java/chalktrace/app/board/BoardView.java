package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.Haste;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.awt.Rectangle;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.animation.PauseTransition;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/** Where one draws: the composed frame in tiles of device pixels, as seen from a viewpoint. */
public final class BoardView extends Region {

    /** A grey on which light chalks stand out as dark ones do. */
    private static final Rgb WORKING_PAPER = new Rgb(0x7C, 0x7F, 0x80);

    private static final long RASTER_BYTES = 256L << 20;

    /** A view that has not been moved for so long is at rest. */
    private static final Duration RESTS_AFTER = Duration.millis(140);

    private static final double SMALLEST_SCALE = 0.05;
    private static final double LARGEST_SCALE = 32;

    private final Session session;
    private final List<SceneLook> looks;
    private final TileComposer composer = new TileComposer(
            new FrameComposer(new RasterCache(RASTER_BYTES), () -> Theme.tones().surround()));
    private final Pane tilePane = new Pane();
    private final List<Tile> tiles = new ArrayList<>();
    private final ReadOnlyIntegerWrapper framesShown = new ReadOnlyIntegerWrapper();
    private Viewpoint view = Viewpoint.plain(1, 1);
    private final PauseTransition settling = new PauseTransition(RESTS_AFTER);
    private boolean quick;

    /** Of the last step: 1 or -1. */
    private int direction = 1;

    private boolean fitted = true;
    private Optional<StrokeLayer> pen = Optional.empty();

    /** The scene with the stroke under the pen; only that is exchanged while it is drawn. */
    private Optional<Scene> underPen = Optional.empty();

    private Haste penHaste = Haste.NONE;

    /** @param looks what is composed with the frame */
    public BoardView(Session session, List<SceneLook> looks) {
        this.session = session;
        this.looks = List.copyOf(looks);
        getStyleClass().add("board");
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(Words.TRACE.of("board"));
        tilePane.setManaged(false);
        tilePane.setMouseTransparent(true);
        getChildren().add(tilePane);
        InvalidationListener all = changed -> composeAll();
        session.document().shownProperty().addListener((property, before, now) -> {
            if (fitted && !before.setup().size().equals(now.setup().size())) {
                fit();
            }
            composeAll();
        });
        session.document().whenOpened(() -> fit());
        session.transport().frameProperty().addListener((property, before, now) -> {
            direction = now.intValue() < before.intValue() ? -1 : 1;
            boolean late = session.footages().settlingProperty().get();
            composeAll();
            if (late && session.footages().settlingProperty().get()) {
                session.transport().countDropped();
            }
        });
        session.footages().arrivalsProperty().addListener(all);
        session.selection().levelProperty().addListener(all);
        session.view().onionSkinProperty().addListener(all);
        session.view().onionProperty().addListener(all);
        session.view().onlyProperty().addListener(all);
        session.view().footageRunsProperty().addListener(all);
        session.view().onionAllLevelsProperty().addListener(all);
        session.view().liftedProperty().addListener((property, before, now) -> {
            // What is dragged is shown from what is at hand, and exactly again when it is let go.
            quick = !now.isEmpty();
            composeAll();
        });
        settling.setOnFinished(rested -> settle());
        looks.forEach(look -> look.changes().forEach(changing -> changing.addListener(all)));
        Theme.lookProperty().addListener(new WeakInvalidationListener(all));
        session.view().aloneProperty().addListener(all);
        session.view().footageHiddenProperty().addListener(all);
        session.view().footageOffProperty().addListener(all);
        session.view().greyPaperProperty().addListener(all);
        session.view().peekBackProperty().addListener(all);
        session.view().flippedProperty().addListener(all);
        session.transport().playingProperty().addListener(all);
        widthProperty().addListener(resized -> resize());
        heightProperty().addListener(resized -> resize());
        InvalidationListener rescaled = changed -> resize();
        sceneProperty().addListener((property, before, scene) -> {
            if (scene != null) {
                scene.windowProperty().addListener((p, left, window) -> {
                    // A window may outlive what it shows.
                    if (left != null) {
                        left.outputScaleXProperty().removeListener(rescaled);
                    }
                    if (window != null) {
                        window.outputScaleXProperty().addListener(rescaled);
                        resize();
                    }
                });
            }
        });
    }

    /** Rises each time that another frame, another state of it or another view has come on screen; not while only the stroke under the pen grows. */
    public ReadOnlyIntegerProperty framesShownProperty() {
        return framesShown.getReadOnlyProperty();
    }

    /** From a place of the board, in its own coordinates, to shot pixels. */
    public Point2D toShot(double x, double y) {
        return view.toShot(x * deviceScale(), y * deviceScale());
    }

    /** From shot pixels to a place of the board. */
    public Point2D toBoard(double shotX, double shotY) {
        Point2D device = view.toDevice().transform(new Point2D.Double(shotX, shotY), null);
        return new Point2D.Double(device.getX() / deviceScale(), device.getY() / deviceScale());
    }

    /** Board pixels for a shot pixel. */
    public double scale() {
        return view.scale() / deviceScale();
    }

    /** Shows the whole picture, as large as it goes. */
    public void fit() {
        fitted = true;
        PictureSize size = session.document().shown().setup().size();
        double scale = Math.min(view.width() / (double) size.width(), view.height() / (double) size.height());
        if (view.width() > 1 && view.height() > 1) {
            look(new Viewpoint(
                    scale,
                    0,
                    Math.rint((view.width() - scale * size.width()) / 2),
                    Math.rint((view.height() - scale * size.height()) / 2),
                    view.width(),
                    view.height()));
        }
    }

    /** Zooms by a factor about a place of the board, which keeps its place of the picture. */
    public void zoom(double factor, double x, double y) {
        double wanted = Math.max(SMALLEST_SCALE, Math.min(LARGEST_SCALE, view.scale() * factor));
        fitted = false;
        look(view.zoomed(wanted / view.scale(), x * deviceScale(), y * deviceScale()));
    }

    public void pan(double byX, double byY) {
        fitted = false;
        look(view.moved(Math.rint(byX * deviceScale()), Math.rint(byY * deviceScale())));
    }

    /** Turns the view clockwise about a place of the board. */
    public void turn(double degrees, double x, double y) {
        fitted = false;
        look(view.turned(degrees, x * deviceScale(), y * deviceScale()));
    }

    /** Turns the view over, left and right, or back. */
    public void turnOver() {
        fitted = false;
        look(view.turnedOver());
    }

    /** How far the view is turned clockwise, -180 to 180. */
    public double turnedBy() {
        return view.degrees();
    }

    public boolean isTurnedOver() {
        return view.mirrored();
    }

    /** Shows the stroke under the pen; only the tiles that it newly touches are composed. */
    public void showPen(StrokeLayer stroke, Rectangle2D touchedInShot) {
        boolean goesOn = pen.isPresent() && underPen.isPresent();
        pen = Optional.of(stroke);
        // What lies around the stroke was asked for as the pen came down.
        if (!goesOn) {
            penHaste = haste();
        }
        underPen = Optional.of(goesOn ? underPen.get().withStroke(stroke) : scene());
        Rectangle touched =
                view.toDevice().createTransformedShape(touchedInShot).getBounds();
        touched.grow(2, 2);
        List<Tile> under =
                tiles.stream().filter(tile -> tile.area().intersects(touched)).toList();
        if (!under.isEmpty()) {
            composer.compose(underPen.get(), view, penHaste, under, () -> {});
        }
    }

    /** Takes the stroke under the pen away; what follows composes what is left. */
    public void endPen() {
        pen = Optional.empty();
        underPen = Optional.empty();
    }

    public void close() {
        composer.close();
    }

    /** Composes all of the frame anew. */
    public void composeAll() {
        underPen = Optional.empty();
        if (!tiles.isEmpty()) {
            composer.compose(scene(), view, haste(), tiles, this::shown);
        }
    }

    private void look(Viewpoint from) {
        view = from;
        quick = true;
        composeAll();
        settling.playFromStart();
    }

    /** Makes the drawings for the view at rest, and shows them when they are there. */
    private void settle() {
        Scene scene = scene();
        Viewpoint wanted = view;
        composer.warm(scene, wanted, () -> {
            if (wanted.equals(view) && session.view().liftedProperty().get().isEmpty()) {
                quick = false;
                composeAll();
            }
        });
    }

    private void shown() {
        framesShown.set(framesShown.get() + 1);
        if (session.transport().playingProperty().get()) {
            prepareNext();
        } else {
            lookAhead();
        }
    }

    private Haste haste() {
        return quick ? Haste.MOVED : session.transport().playingProperty().get() ? Haste.PLAYED : Haste.NONE;
    }

    /** Makes the frames ready that the next step may go to. */
    private void lookAhead() {
        if (quick || pen.isPresent() || session.footages().settlingProperty().get()) {
            return;
        }
        Shot shot = shownShot();
        int frame = session.transport().frame();
        List<Scene> likely = new ArrayList<>();
        int drawing = shot.level(String.valueOf(session.selection().level()))
                .map(level -> level.exposures().startBeside(frame, direction).orElse(frame))
                .orElse(frame);
        for (int next : new LinkedHashSet<>(List.of(frame + direction, drawing, frame - direction))) {
            if (next != frame && shot.setup().clamp(next) == next) {
                session.footages()
                        .atHand(seen(shot, session.view().footageIsSeen()), ofFootage(shot, next))
                        .ifPresent(pictures -> likely.add(scene(shot, next, pictures)));
            }
        }
        composer.ahead(likely, view, tiles);
    }

    /** Composes the frame that play comes to next before its time. */
    private void prepareNext() {
        Shot shot = shownShot();
        session.transport().nextFrame().ifPresent(next -> session.footages()
                .atHand(seen(shot, session.view().footageIsSeen()), ofFootage(shot, next))
                .ifPresent(pictures -> composer.prepare(whole(shot, next, pictures), view, haste(), tiles)));
    }

    /** The footage that is shown on the board and beside it. */
    private static List<Footage> seen(Shot shot, boolean onBoard) {
        return shot.footage().stream()
                .filter(Footage::visible)
                .filter(clip -> onBoard || clip.where() == Footage.Where.BESIDE_BOARD)
                .toList();
    }

    private Shot onWorkingPaper(Shot shot) {
        return session.view().greyPaperProperty().get()
                ? shot.withSetup(shot.setup().withPaper(WORKING_PAPER))
                : shot;
    }

    /** The frame whose drawings are seen: that at the gate, but where one looks at another for a moment. */
    public int frameSeen() {
        Shot shot = session.document().shownProperty().get();
        int gate = session.transport().frame();
        if (session.view().flippedProperty().get()) {
            return shot.setup().clamp(session.view().keptFrameProperty().get());
        }
        return session.view().peekBackProperty().get()
                ? frameBefore(shot, session.selection().level(), gate)
                : gate;
    }

    private Scene scene() {
        Shot shot = shownShot();
        int frame = frameSeen();
        FootagePictures pictures =
                session.footages().ask(seen(shot, session.view().footageIsSeen()), ofFootage(shot, frame));
        return whole(shot, frame, pictures);
    }

    /** With all that lies over the shot. */
    private Scene whole(Shot shot, int gate, FootagePictures pictures) {
        Scene out = scene(shot, gate, pictures);
        SceneLook.Moment moment = new SceneLook.Moment(shot, gate, deviceScale());
        for (SceneLook look : looks) {
            out = look.over(out, moment);
        }
        return out;
    }

    private Shot shownShot() {
        return onWorkingPaper(alone(session.document().shownProperty().get()));
    }

    /** The frame of which footage is seen with one at the gate. */
    private int ofFootage(Shot shot, int gate) {
        return session.view().footageRunsProperty().get()
                ? gate
                : session.view().seen(shot, gate);
    }

    private Scene scene(Shot shot, int gate, FootagePictures pictures) {
        String level = session.selection().level();
        boolean onion = session.view().onionSkinProperty().get()
                && !session.transport().playingProperty().get();
        SceneOptions options = new SceneOptions(
                session.view().footageIsSeen(),
                onion ? onion(shot, level) : Optional.empty(),
                Optional.ofNullable(level),
                pen);
        return Scenes.of(
                shot,
                session.view().seen(shot, gate),
                options.withLifted(session.view().liftedProperty().get()),
                pictures);
    }

    /** Where only marked frames are seen, only keys shine through. */
    private OnionSkin onlyMarked(OnionSkin onion) {
        return session.view().onlyProperty().get() == View.Only.ALL ? onion : onion.withStep(OnionSkin.Step.KEYS);
    }

    private Optional<OnionSkin> onion(Shot shot, String level) {
        Set<String> levels = session.view().onionAllLevelsProperty().get()
                ? shot.levels().stream().map(Level::id).collect(Collectors.toSet())
                : level == null ? Set.of() : Set.of(level);
        return levels.isEmpty()
                ? Optional.empty()
                : Optional.of(onlyMarked(session.view().onionProperty().get().withLevels(levels)));
    }

    /** With all levels but the one that is shown alone hidden. */
    private Shot alone(Shot shot) {
        String only = session.view().aloneProperty().get();
        return only == null || shot.level(only).isEmpty()
                ? shot
                : shot.withLevels(shot.levels().stream()
                        .map(level -> level.id().equals(only) ? level : level.withVisible(false))
                        .toList());
    }

    /** The frame that shows the level's drawing before the one at a frame; the same frame when there is none. */
    private static int frameBefore(Shot shot, String levelId, int frame) {
        return shot.level(levelId).map(Level::exposures).stream()
                .flatMap(exposures -> exposures.runs().stream())
                .filter(run -> !run.isBlank() && run.end() <= frame)
                .mapToInt(Exposure::last)
                .max()
                .orElse(frame);
    }

    private void resize() {
        int width = (int) Math.ceil(getWidth() * deviceScale());
        int height = (int) Math.ceil(getHeight() * deviceScale());
        if (width < 1 || height < 1) {
            return;
        }
        composer.forget();
        tiles.clear();
        for (int y = 0; y < height; y += Tile.HEIGHT) {
            for (int x = 0; x < width; x += Tile.WIDTH) {
                tiles.add(new Tile(
                        new Rectangle(x, y, Math.min(Tile.WIDTH, width - x), Math.min(Tile.HEIGHT, height - y)),
                        deviceScale()));
            }
        }
        tilePane.getChildren().setAll(tiles.stream().map(Tile::view).toList());
        view = view.resized(width, height);
        if (fitted) {
            fit();
        } else {
            composeAll();
        }
    }

    private double deviceScale() {
        return getScene() == null || getScene().getWindow() == null
                ? 1
                : getScene().getWindow().getOutputScaleX();
    }
}
