package chalktrace.app.board;

import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Footage;
import java.awt.Rectangle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** The references that stand beside the board, one under the other, each as large as fits. */
public final class BesidePane extends Region {

    private static final double WIDTH = 240;
    private static final double GAP = 8;

    private final Session session;
    private final FrameComposer composer =
            new FrameComposer(new RasterCache(0), () -> Theme.tones().surround());
    private final List<Stand> stands = new ArrayList<>();

    /** One reference: its place, its name, what composes it. */
    private final class Stand {
        private final TileComposer tiles = new TileComposer(composer);
        private final Label name = new Label();
        private Optional<Tile> tile = Optional.empty();

        Stand() {
            name.getStyleClass().add("hint");
            BesidePane.this.getChildren().add(name);
        }

        void show(Footage clip, int frame, double y, double height) {
            name.setText(clip.name());
            double nameHeight = name.prefHeight(-1);
            name.resizeRelocate(GAP, y, getWidth() - 2 * GAP, nameHeight);
            int width = (int) Math.floor(getWidth() - 2 * GAP);
            int high = (int) Math.floor(height - nameHeight - GAP);
            if (width < 8 || high < 8) {
                return;
            }
            if (tile.filter(t -> t.area().width == width && t.area().height == high)
                    .isEmpty()) {
                tile.ifPresent(t -> BesidePane.this.getChildren().remove(t.view()));
                tiles.forget();
                tile = Optional.of(new Tile(new Rectangle(width, high), 1));
                BesidePane.this.getChildren().add(tile.get().view());
            }
            tile.get().view().relocate(GAP, y + nameHeight);
            PictureSize size = new PictureSize(width, high);
            Scene scene = Scenes.beside(
                            clip,
                            frame,
                            size,
                            session.footages().latestProperty().get())
                    .orElse(new Scene(size, List.of()));
            tiles.compose(scene, Viewpoint.plain(width, high), List.of(tile.get()), () -> {});
        }

        void leave() {
            BesidePane.this.getChildren().remove(name);
            tile.ifPresent(t -> BesidePane.this.getChildren().remove(t.view()));
            tiles.close();
        }
    }

    public BesidePane(Session session) {
        this.session = session;
        getStyleClass().add("beside");
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(Words.TRACE.of("references-beside-the-board"));
        setMinHeight(0);
        InvalidationListener all = changed -> show();
        session.document().shownProperty().addListener(all);
        session.footages().latestProperty().addListener(all);
        heightProperty().addListener(all);
        Theme.lookProperty().addListener(new WeakInvalidationListener(all));
        widthProperty().addListener(all);
        show();
    }

    public void close() {
        stands.forEach(stand -> stand.tiles.close());
    }

    /** It takes the height that the board has, and asks for none. */
    @Override
    protected double computePrefHeight(double width) {
        return 0;
    }

    private void show() {
        List<Footage> beside = session.document().shown().footage().stream()
                .filter(clip -> clip.visible() && clip.where() == Footage.Where.BESIDE_BOARD)
                .toList();
        Rows.show(this, !beside.isEmpty());
        setPrefWidth(WIDTH);
        setMinWidth(beside.isEmpty() ? 0 : WIDTH);
        while (stands.size() > beside.size()) {
            stands.remove(stands.size() - 1).leave();
        }
        while (stands.size() < beside.size()) {
            stands.add(new Stand());
        }
        double each = beside.isEmpty() ? 0 : (getHeight() - GAP) / beside.size();
        for (int i = 0; i < beside.size(); i++) {
            stands.get(i).show(beside.get(i), session.transport().frame(), GAP + i * each, each - GAP);
        }
    }
}
