package chalktrace.app.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.StillView;
import chalktrace.core.time.Conform;
import chalktrace.media.footage.Reference;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What footage shows when it stands still: a picture of a run, or a part of a sheet, each from a frame on. */
final class StillRows extends VBox {

    private final Session session;
    private final FootageControls controls;
    private final CheckBox standsStill;
    private final NumberField picture;
    private final HBox pictureRow;
    private final PartPicker part;
    private final Button another;
    private final VBox list = new VBox();
    private final VBox chosen;
    private Footage clip;

    StillRows(Session session, String id) {
        super(6);
        this.session = session;
        controls = new FootageControls(session, id);
        standsStill = controls.box(
                Words.GATHER.of("stands-still"), Words.GATHER.of("let-footage-stand-still-or"), this::standing);
        picture = new NumberField("still-picture", 1, this::setPicture);
        pictureRow = new HBox(
                8,
                Rows.quiet(Words.GATHER.of("picture")),
                picture,
                Rows.quiet(Words.GATHER.of("of-its-pictures-from-1")));
        pictureRow.setAlignment(Pos.CENTER_LEFT);
        part = new PartPicker(session, this::setPart);
        another = Buttons.edged(Icons.ADD, Words.GATHER.of("another-view-from-here-on"), this::addView);
        another.setId("another-view");
        chosen = new VBox(
                6,
                pictureRow,
                Rows.hint(Words.GATHER.of("drag-over-the-part-that")),
                part,
                Buttons.text(
                        Words.GATHER.of("the-whole-picture"),
                        Words.GATHER.of("show-all-of-it"),
                        () -> setPart(Region.WHOLE)),
                another,
                list);
        getChildren().addAll(standsStill, chosen);
    }

    void show(Footage shown) {
        clip = shown;
        Reference reference = session.footages().opened().get(shown.file());
        int count = reference == null ? 1 : reference.times().count();
        standsStill.setSelected(shown.isStill());
        standsStill.setDisable(count == 1);
        Rows.show(chosen, shown.isStill());
        if (!shown.isStill()) {
            return;
        }
        StillView view = viewHere(shown);
        picture.set(view.picture() + 1);
        Rows.show(pictureRow, count > 1);
        part.show(shown, view.picture(), view.region());
        list.getChildren().setAll(shown.views().stream().map(v -> row(v, view)).toList());
    }

    private Footage standing(Footage f, boolean still) {
        if (!still) {
            return f.withViews(List.of());
        }
        int now = Optional.ofNullable(session.footages().opened().get(f.file()))
                .flatMap(reference ->
                        f.at(session.transport().frame(), session.shot().setup().rate(), reference.times()))
                .map(Footage.Showing::picture)
                .orElse(f.conform().firstPicture());
        return f.withViews(List.of(new StillView(0, now, Region.WHOLE)));
    }

    /** The view at the gate; before the first, that one. */
    private StillView viewHere(Footage f) {
        return f.viewAt(session.transport().frame())
                .or(() -> f.views().stream().findFirst())
                .orElse(new StillView(
                        0, f.conform().pace() == Conform.Pace.HELD ? f.conform().firstPicture() : 0, Region.WHOLE));
    }

    private void setPicture() {
        Reference reference = session.footages().opened().get(clip.file());
        int last = reference == null ? 0 : reference.times().count() - 1;
        int n = Math.max(0, Math.min(last, (int) picture.value() - 1));
        StillView here = viewHere(clip);
        controls.change(
                Words.GATHER.of("show-another-picture"),
                f -> f.withView(new StillView(here.start(), n, here.region())));
    }

    private void setPart(Region region) {
        StillView here = viewHere(clip);
        controls.change(
                Words.GATHER.of("show-a-part-of-a"),
                f -> f.withView(new StillView(here.start(), here.picture(), region)));
    }

    private void addView() {
        StillView here = viewHere(clip);
        int frame = session.transport().frame();
        controls.change(Words.GATHER.of("show-another-view-of-a"), f -> f.withView(here)
                .withView(new StillView(frame, here.picture(), here.region())));
    }

    private Node row(StillView view, StillView here) {
        Region r = view.region();
        Label says = new Label(String.format(
                Locale.ROOT,
                Words.GATHER.of("from-no"),
                session.shot().setup().number(view.start()),
                view.picture() + 1,
                r.isWhole()
                        ? ""
                        : String.format(Locale.ROOT, ", %.0f \u00d7 %.0f %%", r.width() * 100, r.height() * 100)));
        Button remove = Buttons.icon(
                Icons.REMOVE,
                Words.GATHER.of("leave-this-view-out"),
                () -> controls.change(
                        Words.GATHER.of("leave-a-view-out"),
                        f -> f.withViews(
                                f.views().stream().filter(v -> !v.equals(view)).toList())));
        remove.setDisable(clip.views().size() == 1 && clip.conform().pace() != Conform.Pace.HELD);
        HBox row = Rows.row(() -> session.transport().go(view.start()), says, Rows.space(), remove);
        if (view.equals(here)) {
            row.getStyleClass().add("current");
        }
        return row;
    }
}
